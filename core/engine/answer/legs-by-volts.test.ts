import { expect, test } from 'vitest';
import { runOf } from '../../circuit/index.ts';
import type { Reading } from '../../instruments/index.ts';
import { legsByVolts } from './legs-by-volts.ts';

const ids = ['a', 'b', 'c', 'd', 'e', 'f'];
const circuit = runOf(ids, { meters: { first: 10, next: 4 } });
const metered = (volts: readonly (number | null)[]): readonly Reading[] =>
  volts.flatMap((hn, index) => (hn === null ? [] : [{ at: ids[index] ?? '', instrument: 'meter', hn }]));
const legsOf = (...volts: readonly (number | null)[]) =>
  legsByVolts(circuit, metered(volts))?.join(' ') ?? null;

test('volts that gather about two values a few volts apart tell on which leg an outlet is', () => {
  expect(legsOf(121, 118.1, 121.2, 118, 120.9, 117.8)).toBe('L1 L2 L1 L2 L1 L2');
  expect(legsOf(118, 121, 121.3, 121.1, 118.2, 118.1)).toBe('L1 L2 L2 L2 L1 L1');
});

test('what strays about one value does not', () => {
  expect(legsOf(121, 120.6, 121.3, 120.8, 121.1, 120.7)).toBeNull();
  // One that stands apart by itself may as well be a bad connection behind it.
  expect(legsOf(121, 121.2, 119.8, 121, 120.9, 121.1)).toBeNull();
  expect(legsOf(121, null, null, null, null, null)).toBeNull();
  expect(legsOf(null, null, null, null, null, null)).toBeNull();
});

test('a neutral that is not whole is no matter of the legs', () => {
  expect(legsOf(125.2, 114.7, 125.1, 114.8, 125, 114.6)).toBeNull();
  const shifted = ids.map(
    (at, index): Reading => ({ at, instrument: 'meter', hn: index % 2 === 0 ? 122 : 118, hg: 120, ng: 2 }),
  );
  expect(legsByVolts(circuit, shifted)).toBeNull();
});
