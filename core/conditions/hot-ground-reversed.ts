import type { Condition } from './condition.ts';

export const hotGroundReversed: Condition = {
  id: 'hot-ground-reversed',
  name: 'Hot and ground reversed',
  what: 'Hot and ground are exchanged: the ground hole, the yoke and the plate screw are live.',
  why: 'The metal case of anything with a three-prong plug is live to the touch.',
  urgency: 'act-now',
  dangerous: true,
  correction:
    'Take the receptacle out of use at once; a licensed electrician finds where hot and ground are exchanged and corrects it.',
  cautions: ['contacts', 'stop', 'box', 'load-test'],
};
