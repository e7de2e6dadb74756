import { describe, expect, test } from 'vitest';
import { networkOf, runOf } from '../../circuit/index.ts';
import { Evaluator } from '../evidence/evaluator.ts';
import { evidenceOf } from '../evidence/evidence.ts';
import { soundHypothesis } from '../model/hypothesis.ts';
import { mostWatts } from '../model/unknown-loads.ts';
import { unfitted } from './fitting.ts';

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
