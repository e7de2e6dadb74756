import { expect, test } from 'vitest';
import { counted } from './index.ts';

test.each([
  [0, '0 readings'],
  [1, '1 reading'],
  [2, '2 readings'],
  [21, '21 readings'],
])('%i: %s', (count, words) => {
  expect(counted(count, 'reading', 'readings')).toBe(words);
});
