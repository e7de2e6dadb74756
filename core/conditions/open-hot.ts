import { type Condition, proveDead } from './condition.ts';

export const openHot: Condition = {
  id: 'open-hot',
  name: 'No power',
  what: 'Nothing arrives on hot: a breaker, a switch, a tripped device upstream or a broken hot.',
  why: 'Something switched it off or came loose, and until that is known nobody can say what is live.',
  urgency: 'repair',
  dangerous: false,
  correction:
    'Find out whether a wall switch, a breaker or a tripped ground-fault device explains it; if none does, a licensed electrician looks for the break.',
  hazard: 'Unknown until the cause is: a loose hot may arc, a switched-off one may come back at any moment.',
  urgencyReason: 'Nothing works and nobody knows why; a broken hot under load burns.',
  ways: ['restore-power', 'remake-connection', 'reset-device'],
  openFirst:
    'no box before breaker, device upstream and wall switch are ruled out; then the last box that has power',
  steps: [
    'Look for a wall switch, a tripped device (bathroom, garage, basement, outside) and the breaker; one found off stays off until its reason is known.',
    proveDead,
    'Then the hot in the last live box and the first dead one.',
  ],
  retest: 'Lamps here and beyond, then a load test.',
  references: ['nec-110.14'],
  questions: [],
  cautions: ['contacts', 'dark-is-not-dead', 'box'],
};
