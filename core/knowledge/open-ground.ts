import type { Condition } from './condition.ts';

export const openGround: Condition = {
  id: 'open-ground',
  urgency: 'repair',
  dangerous: true,
  ways: [
    'restore-ground',
    'run-ground',
    'new-cable',
    'protection-without-ground',
    'two-slot',
    'verified-adapter',
    'three-slot-without-ground',
    'jumper-to-neutral',
  ],
  references: ['nec-406.4-d2', 'nec-250.130', 'nec-406.4-d3'],
  questions: ['adapters'],
  cautions: ['contacts', 'box'],
  forbids: ['gfci-button'],
};
