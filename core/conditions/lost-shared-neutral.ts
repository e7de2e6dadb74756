import type { Condition } from './condition.ts';

export const lostSharedNeutral: Condition = {
  id: 'lost-shared-neutral',
  name: 'Lost shared neutral',
  what: 'Two legs have lost the neutral they share, or stand across one receptacle.',
  why: 'Up to twice the normal voltage reaches what is plugged in: equipment burns out and can catch fire.',
  urgency: 'act-now',
  dangerous: true,
  correction:
    'Leave the circuit switched off at the breaker; a licensed electrician restores the neutral, or the utility does where the whole house is affected.',
  cautions: ['contacts', 'stop', 'load-test', 'box'],
};
