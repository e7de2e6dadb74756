import { expect, test } from 'vitest';
import { networkOf, runOf } from '../../circuit/index.ts';
import type { Reading } from '../../instruments/index.ts';
import { evidenceOf } from './evidence.ts';

const network = networkOf(runOf(['a', 'b', 'c'], { meters: { first: 15, next: 4 } }));

const sharesOf = (readings: readonly object[]): readonly number[] => [
  ...evidenceOf(network, { readings: readings as readonly Reading[], trippedBefore: null, afterRepair: [] })
    .elsewhere,
];

test('what neither a sound receptacle nor another one of the circuit shows is hardly read by mistake', () => {
  const shares = sharesOf([
    { at: 'a', instrument: 'loaded', hn: 115.2, hg: 117.6, ng: 2.4 },
    { at: 'b', instrument: 'loaded', hn: 74.9, hg: 96.8, ng: 21.9 },
    { at: 'c', instrument: 'earth-meter', hot: 119, neutral: 0.2, ground: 118.4 },
  ]);
  expect(shares[0]).toBe(1);
  expect(shares[1]).toBeLessThan(0.1);
  expect(shares[2]).toBeLessThan(0.1);
});

test('what another receptacle shows may have been read there, wherever the volts lie', () => {
  for (const hn of [0, 1.1, 57.2, 74.9, 93.6, 101])
    expect(
      sharesOf([
        { at: 'a', instrument: 'meter', hn, hg: 119, ng: 119 - hn },
        { at: 'b', instrument: 'meter', hn: hn + 1.5, hg: 119.4, ng: 117.9 - hn },
      ]),
    ).toEqual([1, 1]);
  // Twice at the same one, or by another instrument, tells of no other.
  for (const again of [
    { at: 'a', instrument: 'meter' },
    { at: 'b', instrument: 'loaded' },
  ])
    expect(
      sharesOf([
        { at: 'a', instrument: 'meter', hn: 74.9, hg: 119, ng: 44 },
        { ...again, hn: 74.9, hg: 119, ng: 44 },
      ]),
    ).not.toContain(1);
});

test('a pair that was not measured says nothing', () => {
  expect(sharesOf([{ at: 'a', instrument: 'meter', hn: 119.5 }])).toEqual([1]);
});
