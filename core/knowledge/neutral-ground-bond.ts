import type { Condition } from './condition.ts';

export const neutralGroundBond: Condition = {
  id: 'neutral-ground-bond',
  urgency: 'repair',
  dangerous: true,
  ways: ['separate-neutral-and-ground'],
  references: ['nec-250.142'],
  questions: [],
  cautions: ['contacts', 'box'],
  forbids: [],
};
