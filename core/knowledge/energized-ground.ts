import type { Condition } from './condition.ts';

export const energizedGround: Condition = {
  id: 'energized-ground',
  urgency: 'act-now',
  dangerous: true,
  ways: ['free-the-ground', 'restore-ground', 'run-ground', 'protection-without-ground'],
  references: ['nec-250.148'],
  questions: [],
  cautions: ['contacts', 'stop', 'box', 'load-test'],
  forbids: ['loaded', 'gfci-button'],
};
