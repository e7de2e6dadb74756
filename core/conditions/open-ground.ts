import { type Condition, proveDead } from './condition.ts';

export const openGround: Condition = {
  id: 'open-ground',
  name: 'Open ground',
  what: 'The ground contact leads nowhere: a wire is loose here or upstream, or none was ever run.',
  why: 'Nothing carries a fault in a metal case away, so the case can stay live; surge protectors do not work either.',
  urgency: 'repair',
  dangerous: true,
  correction:
    'Where the house was wired with grounds, a licensed electrician finds the loose one; where it was not, the electrician fits ground-fault protection with its labels, runs a ground, or returns to two-slot receptacles.',
  hazard: 'Nothing carries the current of a fault in a metal case away, so that the case stays live.',
  urgencyReason:
    'It takes a second fault to hurt somebody; and a house that never had grounds makes no promise where the receptacle has two slots.',
  ways: [
    'restore-ground',
    'run-ground',
    'new-cable',
    'protection-without-ground',
    'two-slot',
    'verified-adapter',
    'three-slot-without-ground',
    'jumper-to-neutral',
  ],
  openFirst: 'this box, then the last one toward the panel that has a ground',
  steps: [
    proveDead,
    'Where there is a ground wire: look for one folded back, cut short, or loose under a splice.',
    'Where there is none: is the box metal and the raceway continuous? Then the yoke may be joined to it; measure before trusting it.',
    'Without any: protection with its labels, a ground run to an accepted point, or two slots.',
  ],
  retest:
    'Lamps, then a load test: a ground that holds shows neutral to ground rising by about half the drop. Behind protection without a ground only the device’s own button counts.',
  references: ['nec-406.4-d2', 'nec-250.130', 'nec-406.4-d3'],
  questions: ['adapters'],
  cautions: ['contacts', 'box'],
};
