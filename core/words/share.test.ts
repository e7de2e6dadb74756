import fc from 'fast-check';
import { expect, test } from 'vitest';
import { lampsOf } from '../instruments/index.ts';
import { enUs } from './index.ts';

test('whole per cents', () => {
  expect([0.01, 0.254, 0.5, 0.99].map(enUs.share)).toEqual(['1 %', '25 %', '50 %', '99 %']);
});

test('lamps are said aloud', () => {
  expect(enUs.lamps(lampsOf('hn-hg'))).toBe('hot–neutral and hot–ground lit, neutral–ground off');
  expect(enUs.lamps(lampsOf('none'))).toBe('no lamp lit');
  expect(enUs.lamps(lampsOf('all'))).toBe('all three lamps lit');
  expect(enUs.lamps({ hn: 'lit', hg: 'dim', ng: 'off' })).toBe(
    'hot–neutral lit, hot–ground dim, neutral–ground off',
  );
});

test('nothing is said to be certain, or impossible', () => {
  expect([0, 0.004, 0.994, 1].map(enUs.share)).toEqual(['under 1 %', 'under 1 %', 'over 99 %', 'over 99 %']);
  fc.assert(
    fc.property(fc.double({ min: 0, max: 1, noNaN: true }), (share) => {
      expect(['0 %', '100 %']).not.toContain(enUs.share(share));
    }),
  );
});
