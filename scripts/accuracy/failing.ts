import { pairs, type Reading } from '@fair-plug/core/instruments';
import type { Random } from './random.ts';
import type { Taken } from './world.ts';

type Spoil = (readings: readonly Taken[], random: Random) => readonly Taken[];

const ofLamps = (readings: readonly Taken[], change: (reading: Reading) => Reading): readonly Taken[] =>
  readings.map((one) =>
    one.reading.instrument === 'lamps' ? { reading: change(one.reading), isWrong: true } : one,
  );

/** One reading of the meter with its three values changed; as it was where no meter was used. */
function ofOneMeter(
  readings: readonly Taken[],
  random: Random,
  change: (volts: readonly number[]) => readonly number[],
): readonly Taken[] {
  const metered = [...readings.keys()].filter((index) => readings[index]?.reading.instrument === 'meter');
  if (metered.length === 0) return readings;
  const chosen = random.pick(metered);
  return readings.map((one, index) => {
    if (index !== chosen || one.reading.instrument !== 'meter') return one;
    const [hn, hg, ng] = change(
      pairs.map((pair) => (one.reading as { readonly [key in typeof pair]?: number })[pair] ?? 0),
    );
    return { reading: { ...one.reading, hn, hg, ng } as Reading, isWrong: true };
  });
}

const exchanged = (volts: number): number => {
  const [first = '0', second = '0', ...rest] = volts.toFixed(1);
  return Number([second, first, ...rest].join(''));
};

/** What fails, or slips, once on each circuit. */
const spoils: readonly Spoil[] = [
  // The tester is dead.
  (readings) => ofLamps(readings, (one) => ({ ...one, hn: 'off', hg: 'off', ng: 'off' }) as Reading),
  // One of its lamps is burned out.
  (readings, random) => {
    const burned = random.pick(pairs);
    return ofLamps(readings, (one) => ({ ...one, [burned]: 'off' }) as Reading);
  },
  // A decimal point slips; two digits, or two probes, change places.
  (readings, random) => ofOneMeter(readings, random, ([hn = 0, ...others]) => [hn / 10, ...others]),
  (readings, random) => ofOneMeter(readings, random, ([hn = 0, hg = 0, ng = 0]) => [hn, exchanged(hg), ng]),
  (readings, random) => ofOneMeter(readings, random, ([hn = 0, hg = 0, ng = 0]) => [ng, hg, hn]),
];

export const failing: Spoil = (readings, random) => random.pick(spoils)(readings, random);
