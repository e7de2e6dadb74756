import { describe, expect, test } from 'vitest';
import { runOf } from '../../circuit/index.ts';
import { type Lamps, lampsOf, type Reading } from '../../instruments/index.ts';
import { Diagnostician } from '../index.ts';

const ids = ['a', 'b', 'c', 'd', 'e'];
const run = runOf(ids, { meters: { first: 15, next: 4 } });

const answerTo = (lampsAt: (id: string) => Lamps, volts: { hn: number; hg: number; ng: number }) => {
  const readings: readonly Reading[] = [
    ...ids.map((at): Reading => ({ at, instrument: 'lamps', ...lampsAt(at) })),
    { at: 'b', instrument: 'meter', ...volts },
  ];
  return new Diagnostician({
    circuit: { ...run, loads: [] },
    unknownLoads: true,
    unknownDevices: new Set(),
  }).diagnose({ readings, trippedBefore: [] });
};

// What is open hangs half way between hot and the other contact, close below the volts from which lamps are dim: at a
// high supply testers differ in what they show there, one tester does not.
describe('where the supply stands off nominal', () => {
  const dim = { ...lampsOf('hn'), hg: 'dim', ng: 'dim' } as const;
  const cases = [
    ...[105, 110, 115, 120, 125, 128, 130, 132].map((supply) => ({
      supply,
      seen: 'off',
      lamps: lampsOf('hn'),
    })),
    ...[130, 132].map((supply) => ({ supply, seen: 'dim', lamps: dim })),
  ];
  test.each(cases)('open grounds at $supply V, the lamps to ground $seen', ({ supply, lamps }) => {
    const { outlets } = answerTo(() => lamps, { hn: supply, hg: 0.47 * supply, ng: 0.53 * supply });
    expect(outlets.map(({ condition }) => condition)).toEqual(ids.map(() => 'open-ground'));
    for (const { probability } of outlets) expect(probability).toBeGreaterThan(0.9);
  });
  test.each([108, 120, 132])('one open neutral at %d V', (supply) => {
    const { outlets } = answerTo((id) => lampsOf(id === 'e' ? 'hg' : 'hn-hg'), {
      hn: supply,
      hg: supply,
      ng: 0,
    });
    expect(outlets.map(({ condition }) => condition)).toEqual([
      ...ids.slice(1).map(() => 'correct'),
      'open-neutral',
    ]);
  });
});
