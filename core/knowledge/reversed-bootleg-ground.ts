import type { Condition } from './condition.ts';

export const reversedBootlegGround: Condition = {
  id: 'reversed-bootleg-ground',
  urgency: 'act-now',
  dangerous: true,
  ways: ['remove-jumper', 'own-terminals', 'run-ground', 'protection-without-ground', 'two-slot'],
  references: ['nec-250.142', 'nec-200.11', 'nec-406.4-d2'],
  questions: [],
  cautions: ['contacts', 'stop', 'box', 'load-test'],
  forbids: ['loaded', 'gfci-button'],
};
