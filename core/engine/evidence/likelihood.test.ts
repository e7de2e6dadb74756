import { describe, expect, test } from 'vitest';
import { networkOf, runOf, simulate } from '../../circuit/index.ts';
import type { Reading, Test, WholeReading } from '../../instruments/index.ts';
import { houseRules, oddsIn, type PriorId, priors } from '../model/priors.ts';
import { Evaluator } from './evaluator.ts';
import { evidenceOf } from './evidence.ts';
import {
  adriftDeficit,
  channelDeficit,
  fineTolerance,
  loneTolerance,
  type Pull,
  pullOf,
  toleranceIn,
} from './likelihood.ts';
import { scaleNats } from './scale.ts';

const at = (kind: 'lamp' | 'sounds', observed: number, predicted: number) =>
  channelDeficit(kind, observed, predicted, false, fineTolerance);

const ids = ['o1', 'o2', 'o3', 'o4'];
const circuit = runOf(ids, { meters: { first: 15, next: 4 } });
const network = networkOf(circuit);
const tests = ids.flatMap((one) =>
  (['meter', 'loaded'] as const).map((instrument) => ({ at: one, instrument }) as Test),
);
const { readings } = simulate({ ...circuit, tests });
const sound = { faults: [], loads: [], deviceStates: [] };
type Volts = Extract<WholeReading, { instrument: 'meter' | 'loaded' }>;
const isMetered = (one: WholeReading): one is Volts =>
  one.instrument === 'meter' || one.instrument === 'loaded';

/** Nats by which the sound circuit falls short of readings that were changed, and the scale that it is given. */
function soundly(change: (one: Volts, index: number) => Volts, tolerance = fineTolerance) {
  const changed = readings.map((one, index) => (isMetered(one) ? change(one, index) : one));
  const evidence = evidenceOf(network, { readings: changed, trippedBefore: null, afterRepair: [] });
  const evaluator = new Evaluator(network, evidence, null, tolerance);
  return { deficit: evaluator.deficit(sound, false), scale: evaluator.weighing.scales.own };
}
const times = (one: Volts, factor: number): Volts => ({
  ...one,
  hn: one.hn * factor,
  hg: one.hg * factor,
  ng: one.ng * factor,
});
const asTaken = soundly((one) => one).deficit;

describe('how far a reading strays', () => {
  test('how the supply stands and what factor the meter has speak for no fault: only that it stands so', () => {
    for (const factor of [0.91, 0.95, 0.975, 1.025, 1.05, 1.09]) {
      const { deficit, scale } = soundly((one) => times(one, factor));
      expect(scale, String(factor)).toBeCloseTo(factor, 3);
      expect(deficit - asTaken, String(factor)).toBeLessThan(3);
    }
    expect(soundly((one) => times(one, 0.8)).deficit - asTaken).toBeGreaterThan(50);
  });

  test('a fit is pulled by milliamperes as they are weighed', () => {
    const pull: Pull = { residual: 0, slope: 0 };
    const short = (predicted: number) => channelDeficit('milliamps', 10, predicted, false, fineTolerance);
    for (const predicted of [9.9, 10.1, 10.3]) {
      pullOf('milliamps', 10, predicted, 120, pull);
      expect(pull.residual, String(predicted)).toBeCloseTo(pull.slope * (predicted - 10), 9);
      expect(0.5 * pull.residual ** 2, String(predicted)).toBeCloseTo(short(predicted) - short(10), 1);
    }
  });

  test('the supply drifts by a volt between readings, and by nothing within one', () => {
    const drifting = soundly((one, index) => times(one, 1 + (index % 2 === 0 ? 0.6 : -0.6) / 120));
    expect(drifting.deficit - asTaken).toBeLessThan(16);
    const within = soundly((one, index) => (index === 2 ? { ...one, hg: one.hg - 1.5 } : one));
    expect(within.deficit - asTaken).toBeGreaterThan(6);
  });

  test('a load draws what it draws: drop and rise are off by one and the same share', () => {
    const [, loaded] = readings;
    if (loaded === undefined || !isMetered(loaded)) throw new Error('no load test');
    const drop = 120 - loaded.hn;
    const stronger = soundly((one, index) =>
      index === 1
        ? { ...one, hn: one.hn - 0.15 * drop, hg: one.hg - 0.075 * drop, ng: one.ng + 0.075 * drop }
        : one,
    );
    expect(stronger.deficit - asTaken).toBeLessThan(1.5);
    const uneven = soundly((one, index) => (index === 1 ? { ...one, ng: 0, hg: one.hn } : one));
    expect(uneven.deficit - asTaken).toBeGreaterThan(6);
  });

  test('a value that is plainly wrong costs what being wrong does, however far off, and a slip of the pen less', () => {
    const wrong = (hn: number) =>
      soundly((one, index) => (index === 0 ? { ...one, hn } : one)).deficit - asTaken;
    expect(wrong(33)).toBeCloseTo(wrong(71), 1);
    expect(wrong(33)).toBeLessThan(16);
    expect(wrong(12)).toBeLessThan(wrong(33) - 1);
    expect(wrong(102)).toBeLessThan(wrong(103) - 1);
    const probes = soundly((one, index) => (index === 0 ? { ...one, hg: one.ng, ng: one.hg } : one));
    expect(probes.deficit - asTaken).toBeLessThan(10);
  });

  test('where nothing holds a contact a meter shows anything between its neighbours', () => {
    for (const shown of [5, 30, 60, 88, 118])
      expect(adriftDeficit(shown, 40, 120, 0.2), String(shown)).toBeLessThan(7);
    expect(adriftDeficit(200, 40, 120, 0.2)).toBeGreaterThan(10);
    expect(adriftDeficit(40, 40, 120, 0.2)).toBeLessThan(adriftDeficit(88, 40, 120, 0.2));
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
    const lamps: Reading = { at: 'o1', instrument: 'lamps', hn: 'off', hg: 'off', ng: 'lit' };
    const evidence = evidenceOf(network, { readings: [lamps], trippedBefore: null, afterRepair: [] });
    const among = new Evaluator(network, evidence, null, fineTolerance).deficit(sound, false);
    expect(among).toBeLessThan(9);
    expect(new Evaluator(network, evidence, null, loneTolerance).deficit(sound, false)).toBeGreaterThan(
      2 * among,
    );
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

describe('where a supply stands', () => {
  const british = toleranceIn(fineTolerance, { region: 'uk' });

  test('230 V in name usually stands between 230 and 245, and nominal is nothing strange there either', () => {
    const nats = (share: number, tolerance = fineTolerance) => scaleNats(share, tolerance.supply);
    expect(nats(237 / 230, british)).toBeCloseTo(0, 6);
    expect(nats(240 / 230, british)).toBeLessThan(nats(1, british));
    expect(nats(1, british)).toBeLessThan(0.5);
    expect(nats(240 / 230)).toBeGreaterThan(nats(1));
    // Anywhere within a tenth is met everywhere.
    for (const share of [0.91, 0.96, 1, 1.04, 1.09]) expect(nats(share, british)).toBeLessThan(3);
  });
});
