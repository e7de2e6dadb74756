import { type Condition, proveDead } from './condition.ts';

export const openNeutral: Condition = {
  id: 'open-neutral',
  name: 'Open neutral',
  what: 'The neutral is broken here or upstream; hot still arrives.',
  why: 'It looks dead and is not: whatever is switched on brings line voltage to the wide slot.',
  urgency: 'repair',
  dangerous: true,
  correction:
    'A licensed electrician finds the broken neutral, first in this box and the next one toward the panel, and joins it again; at once if the circuit shares its neutral with another.',
  hazard:
    'Electric shock at what looks dead: through anything switched on, line voltage comes back on the wide slot.',
  urgencyReason:
    'Nothing works, so it is handled as if it were dead; on a neutral shared by two legs it also burns equipment.',
  ways: ['remake-connection', 'splice-and-pigtail'],
  openFirst:
    'this box and the nearest one toward the panel that still works: the break is between them or in one of the two',
  steps: [
    proveDead,
    'Look at the neutral in the last box that works and the first that does not: push-in terminals first, then splices.',
    'Pigtail the neutral, so that no device carries it onward.',
  ],
  retest:
    'Lamps at this receptacle and all beyond it, then a load test there: a joint that touches reads well without load.',
  references: ['nec-300.13', 'nec-110.14'],
  questions: [],
  cautions: ['contacts', 'dark-is-not-dead', 'box'],
};
