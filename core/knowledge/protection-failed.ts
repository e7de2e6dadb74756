import type { Condition } from './condition.ts';

export const protectionFailed: Condition = {
  id: 'protection-failed',
  urgency: 'act-now',
  dangerous: true,
  ways: ['replace-protection'],
  references: ['ul-943', 'nec-210.8', 'nec-406.4-d3'],
  questions: [],
  cautions: ['contacts', 'ground-fault-test'],
  forbids: [],
};
