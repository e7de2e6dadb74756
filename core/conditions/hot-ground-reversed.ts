import { type Condition, proveDead } from './condition.ts';

export const hotGroundReversed: Condition = {
  id: 'hot-ground-reversed',
  name: 'Hot and ground reversed',
  what: 'Hot and ground are exchanged: the ground hole, the yoke and the plate screw are live.',
  why: 'The metal case of anything with a three-prong plug is live to the touch.',
  urgency: 'act-now',
  dangerous: true,
  correction:
    'Take the receptacle out of use at once; a licensed electrician finds where hot and ground are exchanged and corrects it.',
  hazard: 'Electric shock from plates, screws and every metal case with a three-prong plug.',
  urgencyReason: 'Everything metal at the receptacle is live all the time.',
  ways: ['own-terminals', 'free-the-ground'],
  openFirst:
    'this box; before that, everything on the circuit off and the lamps read again, for an open neutral with a load shows the same',
  steps: [
    'Rule out an open neutral first: all loads off, read again; if the second lamp goes out it was that.',
    proveDead,
    'Find where hot and ground change places: at these terminals or at the splice upstream.',
  ],
  retest: 'Each contact to a proven ground; lamps at this receptacle and all beyond it.',
  references: ['nec-250.148', 'nec-200.11'],
  questions: [],
  cautions: ['contacts', 'stop', 'box', 'load-test'],
};
