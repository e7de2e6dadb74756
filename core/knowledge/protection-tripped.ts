import type { Condition } from './condition.ts';

export const protectionTripped: Condition = {
  id: 'protection-tripped',
  urgency: 'note',
  dangerous: false,
  ways: ['reset-device', 'replace-protection', 'separate-neutral-and-ground'],
  references: ['ul-943'],
  questions: [],
  cautions: ['dark-is-not-dead', 'ground-fault-test'],
  forbids: [],
};
