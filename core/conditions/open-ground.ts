import type { Condition } from './condition.ts';

export const openGround: Condition = {
  id: 'open-ground',
  name: 'Open ground',
  what: 'The ground contact leads nowhere: a wire is loose here or upstream, or none was ever run.',
  why: 'Nothing carries a fault in a metal case away, so the case can stay live; surge protectors do not work either.',
  urgency: 'repair',
  dangerous: true,
  correction:
    'Where the house was wired with grounds, a licensed electrician finds the loose one; where it was not, the electrician fits ground-fault protection with its labels, runs a ground, or returns to two-slot receptacles.',
  cautions: ['contacts', 'box'],
};
