import { expect, test } from 'vitest';
import { searchTime } from './search-time.ts';

test('the time of an answer is its search and its lists: the longer the run, the less is searched, but half at the least', () => {
  expect(searchTime(5000, 0)).toBe(5000);
  expect(searchTime(5000, 12)).toBe(4640);
  expect(searchTime(5000, 50)).toBe(3500);
  expect(searchTime(5000, 200)).toBe(2500);
  expect(searchTime(3000, 5000)).toBe(1500);
});
