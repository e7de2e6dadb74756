import type { Condition } from './condition.ts';

export const reversedBootlegGround: Condition = {
  id: 'reversed-bootleg-ground',
  name: 'Reversed bootleg ground',
  what: 'Hot and neutral are exchanged and the ground contact is jumpered to the neutral one: wide slot and ground are both live.',
  why: 'Lamps and meter call it correct while the case of anything with a three-prong plug is live to the touch.',
  urgency: 'act-now',
  dangerous: true,
  correction:
    'Take the receptacle out of use at once; a licensed electrician removes the jumper, corrects the polarity and gives the receptacle a real ground or an accepted substitute.',
  cautions: ['contacts', 'stop', 'box', 'load-test'],
};
