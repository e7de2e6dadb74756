import type { Condition } from './condition.ts';

export const hotGroundReversed: Condition = {
  id: 'hot-ground-reversed',
  urgency: 'act-now',
  dangerous: true,
  ways: ['own-terminals', 'free-the-ground'],
  references: ['nec-250.148', 'nec-200.11'],
  questions: [],
  cautions: ['contacts', 'stop', 'box', 'load-test'],
  forbids: ['loaded', 'gfci-button'],
};
