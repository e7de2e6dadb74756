import type { Condition } from './condition.ts';

export const neutralGroundSwapped: Condition = {
  id: 'neutral-ground-swapped',
  name: 'Neutral and ground exchanged',
  what: 'The conductors of neutral and ground are exchanged.',
  why: 'The bare ground wires, and the metal they are fastened to, carry the current of everything in use.',
  urgency: 'repair',
  dangerous: true,
  correction: 'A licensed electrician puts the two conductors back on their own terminals.',
  cautions: ['contacts', 'box'],
};
