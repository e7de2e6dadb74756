import type { Condition } from './condition.ts';

export const bootlegGround: Condition = {
  id: 'bootleg-ground',
  name: 'Bootleg ground',
  what: 'The ground contact is jumpered to the neutral in the box instead of being grounded.',
  why: 'It passes the lamps, and the day the neutral opens upstream every metal case plugged in becomes live.',
  urgency: 'repair',
  dangerous: true,
  correction:
    'A licensed electrician removes the jumper and gives the receptacle a real ground or one of the accepted ways without one.',
  cautions: ['contacts', 'box'],
};
