import type { Condition } from './condition.ts';

export const energizedGround: Condition = {
  id: 'energized-ground',
  name: 'Energized ground',
  what: 'Line voltage stands on the ground contact.',
  why: 'The metal case of anything with a three-prong plug is live to the touch.',
  urgency: 'act-now',
  dangerous: true,
  correction:
    'Take the receptacle out of use at once; a licensed electrician finds how the ground became live and restores a sound ground.',
  cautions: ['contacts', 'stop', 'box', 'load-test'],
};
