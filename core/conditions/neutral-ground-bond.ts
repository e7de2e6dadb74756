import type { Condition } from './condition.ts';

export const neutralGroundBond: Condition = {
  id: 'neutral-ground-bond',
  name: 'Neutral and ground joined',
  what: 'Neutral and ground touch or are jumpered in the box although the ground wire is intact.',
  why: 'Part of what equipment draws returns over the ground wires and bonded metal, and ground-fault devices upstream will not hold.',
  urgency: 'repair',
  dangerous: true,
  correction:
    'A licensed electrician separates neutral and ground in the box; they are joined at the service only.',
  cautions: ['contacts', 'box'],
};
