import type { Condition } from './condition.ts';

export const bootlegGround: Condition = {
  id: 'bootleg-ground',
  urgency: 'repair',
  dangerous: true,
  ways: [
    'remove-jumper',
    'run-ground',
    'new-cable',
    'protection-without-ground',
    'two-slot',
    'jumper-to-neutral',
  ],
  references: ['nec-250.142', 'nec-250.140', 'nec-406.4-d2'],
  questions: [],
  cautions: ['contacts', 'box'],
  forbids: [],
};
