import type { Condition } from './condition.ts';

export const openHot: Condition = {
  id: 'open-hot',
  name: 'No power',
  what: 'Nothing arrives on hot: a breaker, a switch, a tripped device upstream or a broken hot.',
  why: 'Something switched it off or came loose, and until that is known nobody can say what is live.',
  urgency: 'repair',
  dangerous: false,
  correction:
    'Find out whether a wall switch, a breaker or a tripped ground-fault device explains it; if none does, a licensed electrician looks for the break.',
  cautions: ['contacts', 'dark-is-not-dead', 'box'],
};
