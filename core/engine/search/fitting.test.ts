import { describe, expect, test } from 'vitest';
import { networkOf, runOf, simulate } from '../../circuit/index.ts';
import { Evaluator } from '../evidence/evaluator.ts';
import { evidenceOf } from '../evidence/evidence.ts';
import { premisesOf, problemOf } from '../evidence/problem.ts';
import { soundHypothesis } from '../model/hypothesis.ts';
import { mostWatts } from '../model/unknown-loads.ts';
import { unfitted } from './fitting.ts';
import { Refinement } from './refinement.ts';

describe('loads that are not known', () => {
  const network = networkOf(runOf(['o1', 'o2'], { meters: { first: 15, next: 4 } }));
  // Nothing was read: what counts against a hypothesis is what it supposes alone.
  const evidence = evidenceOf(network, { readings: [], trippedBefore: null, afterRepair: [] });
  const deficitOf = (...watts: readonly [number, number]): number =>
    unfitted(new Evaluator(network, evidence), soundHypothesis(network), [], Float64Array.from(watts), true)
      .deficit;

  test('count against nothing as long as a circuit carries them together', () => {
    expect(deficitOf(0, 0)).toBe(0);
    expect(deficitOf(mostWatts / 2, mostWatts / 2)).toBe(0);
    expect(deficitOf(0, mostWatts)).toBe(0);
  });

  test('count against it by the square of what they are too many, however they are spread', () => {
    const over = deficitOf(mostWatts, 100);
    expect(over).toBeGreaterThan(1);
    expect(deficitOf(mostWatts / 2 + 50, mostWatts / 2 + 50)).toBeCloseTo(over, 9);
    expect(deficitOf(mostWatts, 200)).toBeCloseTo(4 * over, 9);
  });
});

describe('a sound circuit held against a lost neutral that two legs share', () => {
  // 100 and 130 W in series: one leg stands at 135 V, the other at 104, which no loads explain where all is sound.
  const run = runOf(
    Array.from({ length: 10 }, (_, index) => `o${index + 1}`),
    { meters: { first: 15, next: 4 } },
  );
  const onTwoLegs = {
    ...run,
    outlets: run.outlets.map((outlet, index) => ({ ...outlet, leg: index < 4 ? 'L1' : 'L2' }) as const),
  };
  const [first] = run.cables;
  const { readings } = simulate({
    ...onTwoLegs,
    faults: [{ kind: 'open', conductor: 'neutral', cable: first?.id ?? '' }],
    loads: [
      { at: 'o2', watts: 100, on: true },
      { at: 'o8', watts: 130, on: true },
    ],
    tests: [
      ...run.outlets.map(({ id: at }) => ({ at, instrument: 'lamps' }) as const),
      ...['o1', 'o4', 'o5', 'o9'].map((at) => ({ at, instrument: 'meter' }) as const),
    ],
  });
  const known = { circuit: onTwoLegs, unknownLoads: true, unknownDevices: new Set<number>() };
  const problem = problemOf({ ...known, readings, trippedBefore: null }, premisesOf(known));
  const { network, evidence, memory, tolerance } = problem;
  const evaluator = new Evaluator(network, evidence, memory, tolerance);
  const sound = soundHypothesis(network);

  test('its fit does no worse than nothing on anywhere, and puts no more on it than it carries', () => {
    const refinement = new Refinement(problem, evaluator, () => Number.NEGATIVE_INFINITY);
    const { fitted } = refinement.refined(sound, null, 0);
    const none = new Float64Array(run.outlets.length);
    expect(fitted.deficit - fitted.logShare).toBeLessThanOrEqual(
      unfitted(evaluator, sound, [], none, true).deficit,
    );
    expect(fitted.watts.reduce((sum, each) => sum + each, 0)).toBeLessThan(mostWatts + 100);
  });
});
