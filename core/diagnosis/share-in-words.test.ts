import fc from 'fast-check';
import { expect, test } from 'vitest';
import { shareInWords } from './index.ts';

test('whole per cents', () => {
  expect([0.01, 0.254, 0.5, 0.99].map(shareInWords)).toEqual(['1 %', '25 %', '50 %', '99 %']);
});

test('nothing is said to be certain, or impossible', () => {
  expect([0, 0.004, 0.994, 1].map(shareInWords)).toEqual([
    'under 1 %',
    'under 1 %',
    'over 99 %',
    'over 99 %',
  ]);
  fc.assert(
    fc.property(fc.double({ min: 0, max: 1, noNaN: true }), (share) => {
      expect(['0 %', '100 %']).not.toContain(shareInWords(share));
    }),
  );
});
