import type { Condition } from './condition.ts';

export const neutralGroundSwapped: Condition = {
  id: 'neutral-ground-swapped',
  urgency: 'repair',
  dangerous: true,
  ways: ['own-terminals', 'first-exchange'],
  references: ['nec-200.10', 'nec-250.142'],
  questions: [],
  cautions: ['contacts', 'box'],
  forbids: [],
};
