import type { Condition } from './condition.ts';

export const correct: Condition = {
  id: 'correct',
  urgency: null,
  dangerous: false,
  ways: [],
  references: [],
  questions: [],
  cautions: [],
  forbids: [],
};
