import { describe, expect, test } from 'vitest';
import { hookupOf } from '../../instruments/index.ts';
import { houseRules, oddsIn, type PriorId, priors } from '../model/priors.ts';
import type { ReadingEvidence } from './evidence.ts';
import {
  channelDeficit,
  fineTolerance,
  loneTolerance,
  readingDeficit,
  roughTolerance,
} from './likelihood.ts';

const at = (
  kind: 'volts' | 'lamp' | 'sounds',
  observed: number,
  predicted: number,
  tolerance = fineTolerance,
) => channelDeficit(kind, observed, predicted, tolerance);

describe('how far a reading strays', () => {
  test('volts within max(0.5 V, 1 %) cost two nats at the most, and a plain slip no more than being wrong does', () => {
    expect(at('volts', 120, 120)).toBeCloseTo(0, 6);
    expect(at('volts', 121.2, 120)).toBeLessThan(2.05);
    expect(at('volts', 0.5, 0)).toBeLessThan(2.05);
    expect(at('volts', 12, 120)).toBeCloseTo(at('volts', 60, 120), 3);
    expect(at('volts', 12, 120)).toBeLessThan(10);
  });

  test('a lamp near its threshold may show either, far from it hardly', () => {
    expect(at('lamp', 2, 0.7)).toBeLessThan(1);
    expect(at('lamp', 1, 0.7)).toBeLessThan(1);
    expect(at('lamp', 2, 0.2)).toBeGreaterThan(5);
    expect(at('lamp', 1, 0.62)).toBeLessThan(0.1);
  });

  test('the probe is falsely alarmed by induction sooner than it stays silent at a live contact', () => {
    expect(at('sounds', 1, 30)).toBeLessThan(at('sounds', 1, 0));
    expect(at('sounds', 1, 0)).toBeLessThan(at('sounds', 0, 120));
  });

  test('a whole wrong reading is capped where others speak against it, and hardly where it stands alone', () => {
    const evidence = { kinds: ['lamp', 'lamp', 'lamp'] as const, observed: Float64Array.of(2, 2, 2) };
    const reading: ReadingEvidence = {
      index: 0,
      position: 0,
      outlet: 0,
      instrument: 'lamps',
      hookup: hookupOf('lamps', 0, 120),
      first: 0,
      end: 3,
    };
    const predicted = Float64Array.of(0, 0, 0);
    const among = readingDeficit(evidence, reading, predicted, fineTolerance);
    expect(among).toBeLessThan(8);
    expect(readingDeficit(evidence, reading, predicted, loneTolerance)).toBeGreaterThan(2 * among);
  });

  test('guessed lengths loosen small volts by their share, not the mains', () => {
    expect(roughTolerance.voltsSigma(6)).toBeCloseTo(2, 1);
    expect(roughTolerance.voltsSigma(120)).toBe(4);
    expect(roughTolerance.voltsSigma(0)).toBe(0.5);
  });
});

describe('the priors', () => {
  test('no cause is impossible, and a house never makes one rarer', () => {
    for (const [id, odds] of Object.entries(priors)) expect(odds, id).toBeGreaterThan(0);
    for (const { factor } of houseRules) expect(factor).toBeGreaterThanOrEqual(1);
  });

  test('missing grounds and reversals are common, a true exchange of hot and ground almost never met (common practice)', () => {
    const { 'missing-ground': missing, reversal, 'hot-ground-exchanged': exchanged } = priors;
    expect(missing).toBeGreaterThan(reversal);
    expect(reversal).toBeGreaterThan(20 * exchanged);
    expect(priors['open-neutral']).toBeGreaterThan(10 * exchanged);
  });

  test('what lamps cannot see stays above a thousandth at one box', () => {
    const unseen: readonly PriorId[] = [
      'jumper',
      'reversed-jumper',
      'hot-jumper',
      'jumper-with-ground',
      'neutral-ground-exchanged',
      'poor-connection',
      'device-failed',
    ];
    for (const id of unseen) expect(0.75 * oddsIn({}, id), id).toBeGreaterThan(1e-3);
  });
});
