import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { networkOf, runOf, simulate } from '../../circuit/index.ts';
import type { Test } from '../../instruments/index.ts';
import { Evaluator } from '../evidence/evaluator.ts';
import { premisesOf, problemOf } from '../evidence/problem.ts';
import { causesOf } from '../model/cause.ts';
import { soundHypothesis, withCause } from '../model/hypothesis.ts';
import { unfitted } from './fitting.ts';
import { Screening } from './screening.ts';

const ids = ['o1', 'o2', 'o3'];
const sound = runOf(ids, { meters: { first: 15, next: 4 } });
const causes = causesOf(networkOf(sound), {}, new Set()).filter(({ prior }) => prior !== 'short');

const unknownDevices: ReadonlySet<number> = new Set();
const premises = premisesOf({ circuit: sound, unknownDevices });
const asked = (of: Pick<Parameters<typeof problemOf>[0], 'readings' | 'trippedBefore' | 'unknownLoads'>) =>
  problemOf({ circuit: sound, unknownDevices, ...of }, premises);

describe('screening refutes nothing that a fit could save', () => {
  test('its bound is never above what any loads and ohms reach', () => {
    const drawn = fc.sample(
      fc.record({
        held: fc.nat(causes.length - 1),
        supposed: fc.nat(causes.length - 1),
        watts: fc.array(fc.constantFrom(0, 0, 40, 300, 1200), { minLength: 3, maxLength: 3 }),
        ohms: fc.constantFrom(0.2, 1, 8, 200, 5e3),
      }),
      { numRuns: 150, seed: 9 },
    );
    let [refuted, compared] = [0, 0];
    for (const { held, supposed, watts, ohms } of drawn) {
      const tests = ids.flatMap((at) =>
        (['lamps', 'meter', 'probe'] as const).map((instrument) => ({ at, instrument }) as Test),
      );
      const faults = (causes[held]?.faults ?? []).map((fault) =>
        fault.kind === 'resistance' ? { ...fault, ohms: 3 } : fault,
      );
      const { readings, trippedBefore = [] } = simulate({ ...sound, faults, tests });
      const problem = asked({ readings, trippedBefore, unknownLoads: true });
      const cause = problem.causes[supposed % problem.causes.length];
      const hypothesis = cause && withCause(soundHypothesis(problem.network), cause);
      if (!hypothesis) continue;
      const screening = new Screening(problem);
      const bound = screening.bound(hypothesis, Number.POSITIVE_INFINITY);
      const evaluator = new Evaluator(problem.network, problem.evidence);
      const each = hypothesis.resistances.map(() => ohms);
      const { deficit } = unfitted(evaluator, hypothesis, each, Float64Array.from(watts), true);
      compared += 1;
      expect(bound, JSON.stringify({ faults, cause: cause?.faults, watts, ohms })).toBeLessThan(
        deficit + 1e-6,
      );
      if (bound > 8) refuted += 1;
    }
    expect(compared).toBeGreaterThan(100);
    // It would be of no use if it never refuted anything.
    expect(refuted).toBeGreaterThan(compared / 4);
  });

  test('what lies outside of all that loads may do counts by how far outside it lies', () => {
    // All that a circuit carries, at its far end: the most that neutral and ground may stand apart.
    const { readings } = simulate({
      ...sound,
      loads: [{ at: 'o3', watts: 1800, on: true }],
      tests: [{ at: 'o3', instrument: 'meter' }],
    });
    const boundWith = (more: number): number => {
      const so = readings.map((one) =>
        one.instrument === 'meter' ? { ...one, ng: (one.ng ?? 0) + more, hn: (one.hn ?? 0) - more } : one,
      );
      const problem = asked({ readings: so, trippedBefore: [], unknownLoads: true });
      return new Screening(problem).bound(soundHypothesis(problem.network), Number.POSITIVE_INFINITY);
    };
    expect(boundWith(-1)).toBeLessThan(1);
    expect(boundWith(0)).toBeLessThan(2);
    expect(boundWith(0.5)).toBeGreaterThan(3);
  });

  test('beyond the limit it says so, and looks no further', () => {
    const { readings } = simulate({
      ...sound,
      faults: [{ kind: 'swap', conductors: ['hot', 'neutral'], at: 'o2' }],
      tests: ids.map((at) => ({ at, instrument: 'probe' }) as Test),
    });
    const problem = asked({ readings, trippedBefore: [], unknownLoads: false });
    const screening = new Screening(problem);
    const hypothesis = soundHypothesis(problem.network);
    expect(screening.bound(hypothesis, 2)).toBe(Number.POSITIVE_INFINITY);
    expect(screening.bound(hypothesis, 1e6)).toBeLessThan(1e6);
  });
});
