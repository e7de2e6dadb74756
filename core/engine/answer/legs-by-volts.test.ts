import { expect, test } from 'vitest';
import { runOf } from '../../circuit/index.ts';
import type { Reading } from '../../instruments/index.ts';
import { legsByVolts, worthALook } from './legs-by-volts.ts';

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

test('less is enough to ask how a lost neutral were', () => {
  const volts = [119.4, 118.4, 119.3, 118.4, null, null];
  expect(legsOf(...volts)).toBeNull();
  expect(legsByVolts(circuit, metered(volts), worthALook)?.slice(0, 4)).toEqual(['L1', 'L2', 'L1', 'L2']);
});

test('six outlets tell it from a volt and a half apart', () => {
  // Worth two nats and what pays for the legs of six, at half a volt about each: 1.5 × 1.55² above 0.5 × (2 + 5 ln 2), 1.5 × 1.3² below.
  expect(legsOf(121, 119.45, 121, 119.45, 121, 119.45)).toBe('L1 L2 L1 L2 L1 L2');
  expect(legsOf(121, 119.7, 121, 119.7, 121, 119.7)).toBeNull();
});

test('hot to ground tells the leg where a shared neutral stands off a little', () => {
  const offset = [0.6, -0.6, 0.6, -0.6, 0.6, -0.6];
  const readings = ids.map((at, index): Reading => {
    const hg = index % 2 === 0 ? 120.6 : 118.2;
    return { at, instrument: 'meter', hn: hg - (offset[index] ?? 0) * 2, hg, ng: 1.2 };
  });
  expect(legsByVolts(circuit, readings)).toEqual(['L1', 'L2', 'L1', 'L2', 'L1', 'L2']);
});

test('a neutral that is not whole is no matter of the legs', () => {
  expect(legsOf(125.2, 114.7, 125.1, 114.8, 125, 114.6)).toBeNull();
  const shifted = ids.map(
    (at, index): Reading => ({ at, instrument: 'meter', hn: index % 2 === 0 ? 122 : 118, hg: 120, ng: 2 }),
  );
  expect(legsByVolts(circuit, shifted)).toBeNull();
});
