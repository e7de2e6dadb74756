import type { Condition } from './condition.ts';

export const reversedPolarity: Condition = {
  id: 'reversed-polarity',
  urgency: 'repair',
  dangerous: true,
  ways: ['own-terminals', 'first-exchange'],
  references: ['nec-200.10', 'nec-200.11'],
  questions: [],
  cautions: ['contacts', 'box'],
  forbids: [],
};
