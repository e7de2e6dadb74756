import type { Condition } from './condition.ts';

export const highResistance: Condition = {
  id: 'high-resistance',
  name: 'High-resistance connection',
  what: 'A connection touches but does not hold: a loose terminal, a spring-clamp contact or a corroded splice.',
  why: 'It heats under load, and heat in a box is how such connections start fires.',
  urgency: 'repair',
  dangerous: true,
  correction: 'A licensed electrician finds the poor connection, cuts back the damaged wire and remakes it.',
  cautions: ['contacts', 'load-test', 'box'],
};
