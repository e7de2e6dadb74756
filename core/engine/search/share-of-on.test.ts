import { describe, expect, test } from 'vitest';
import { networkOf, runOf, simulate } from '../../circuit/index.ts';
import { Evaluator } from '../evidence/evaluator.ts';
import { premisesOf, problemOf } from '../evidence/problem.ts';
import { Diagnostician } from '../index.ts';
import { soundHypothesis, withCause } from '../model/hypothesis.ts';
import { shareOfOn, unfitted } from './fitting.ts';
import { logDeterminant } from './least-squares.ts';
import { logSum } from './log-sum.ts';
import { logWatts, wattsLogShare } from './prior-shares.ts';
import { Refinement } from './refinement.ts';

test('the logarithm of a determinant is that of the product of what a diagonal matrix holds, and of a hand-worked one', () => {
  const size = 3;
  const diagonal = Float64Array.from([2, 0, 0, 0, 3, 0, 0, 0, 5]);
  expect(logDeterminant(diagonal, size, [0, 1, 2])).toBeCloseTo(Math.log(30), 12);
  expect(logDeterminant(diagonal, size, [2, 0])).toBeCloseTo(Math.log(10), 12);
  // 4·(3·6 − 1) − 1·(6 − 0) + 0 = 62 by the first row.
  const joined = Float64Array.from([4, 1, 0, 1, 3, 1, 0, 1, 6]);
  expect(logDeterminant(joined, size, [0, 1, 2])).toBeCloseTo(Math.log(62), 12);
});

/** Outlets on two legs by turns, all that shows with a sound neutral read at some of them. */
function onTwoLegs(count: number, metered: readonly string[], faults: readonly object[] = []) {
  const ids = Array.from({ length: count }, (_, index) => `o${index + 1}`);
  const run = runOf(ids, { meters: { first: 12, next: 4 } });
  const outlets = run.outlets.map(
    (outlet, index) => ({ ...outlet, leg: index % 2 === 0 ? 'L1' : 'L2' }) as const,
  );
  const circuit = { ...run, outlets };
  const tests = [
    ...ids.map((at) => ({ at, instrument: 'lamps' }) as const),
    ...metered.flatMap((at) => [{ at, instrument: 'probe' } as const, { at, instrument: 'meter' } as const]),
  ];
  const { readings } = simulate({ ...circuit, faults: faults as never, tests });
  return { circuit, readings };
}

describe('loads that must agree', () => {
  test('of a lost neutral that shows nothing: the share of them is what summing over all of them comes to', () => {
    const { circuit, readings } = onTwoLegs(2, ['o2']);
    const known = { circuit, unknownLoads: true, unknownDevices: new Set<number>() };
    const problem = problemOf({ ...known, readings, trippedBefore: null }, premisesOf(known));
    const { network, evidence, memory, tolerance, causes } = problem;
    const evaluator = new Evaluator(network, evidence, memory, tolerance);
    const cause = causes.find(
      ({ prior, site }) => prior === 'open-neutral' && 'cable' in site && site.cable === 0,
    );
    const sound = soundHypothesis(network);
    const lost = cause === undefined ? null : withCause(sound, cause);
    if (lost === null) throw new Error('a neutral may be open');
    const refinement = new Refinement(problem, evaluator, () => Number.NEGATIVE_INFINITY);
    const parent = refinement.refined(sound, null, 0);
    const { fitted } = refinement.refined(lost, parent, 0);
    const { pattern, watts, deficit } = fitted;
    if (pattern === null) throw new Error('loads are not known');
    expect(pattern.lower.every((least) => least > 0)).toBe(true);
    // Summed along the line on which both are alike, and across it, in their logarithms.
    const summed: number[] = [];
    const [along, across] = [0.6, 0.002];
    const density = -Math.log(2 * Math.PI * logWatts.sigma ** 2);
    for (let sum = 2 * Math.log(4); sum < 2 * Math.log(900); sum += along)
      for (let apart = -0.15; apart < 0.15; apart += across) {
        const both = Float64Array.from([Math.exp((sum + apart) / 2), Math.exp((sum - apart) / 2)]);
        const here = unfitted(evaluator, lost, [], both, true);
        summed.push(density + wattsLogShare(pattern, both) - here.deficit + Math.log((along * across) / 2));
      }
    const share = shareOfOn(evaluator, lost, fitted, pattern);
    expect(share).toBeLessThan(-3);
    expect(Math.abs(logSum(summed) - (wattsLogShare(pattern, watts) - deficit + share))).toBeLessThan(0.5);
  });

  test('are no reason to call a neutral lost, where one value of a meter was misread', () => {
    const { circuit, readings } = onTwoLegs(4, ['o3'], [{ kind: 'open', conductor: 'ground', at: 'o2' }]);
    // 118.5 V to the neutral and nothing between neutral and ground: it cannot have been 99.9 to the ground.
    const taken = readings.map((one) => (one.instrument === 'meter' ? { ...one, hn: 118.5, hg: 99.9 } : one));
    const { outlets } = new Diagnostician({
      circuit,
      unknownLoads: true,
      unknownDevices: new Set(),
    }).diagnose({
      readings: taken,
      trippedBefore: null,
    });
    for (const { id, condition, notRuledOut, doubts } of outlets) {
      expect([id, condition]).toEqual([id, id === 'o2' ? 'open-ground' : 'correct']);
      const lost = doubts[notRuledOut.indexOf('lost-shared-neutral')];
      expect(lost).toBeLessThan(0.01);
      // It may be lost all the same, with loads that happen to agree, or with nothing on.
      expect(lost).toBeGreaterThan(0.001);
    }
  });

  test('on one leg there is nothing that must', () => {
    const run = runOf(['o1', 'o2'], { meters: { first: 15, next: 4 } });
    const { readings } = simulate({ ...run, tests: [{ at: 'o2', instrument: 'meter' }] });
    const known = { circuit: run, unknownLoads: true, unknownDevices: new Set<number>() };
    const problem = problemOf({ ...known, readings, trippedBefore: null }, premisesOf(known));
    const evaluator = new Evaluator(networkOf(run), problem.evidence, problem.memory, problem.tolerance);
    const sound = soundHypothesis(problem.network);
    const { fitted } = new Refinement(problem, evaluator, () => 0).refined(sound, null, 0);
    expect(fitted.pattern === null ? null : shareOfOn(evaluator, sound, fitted, fitted.pattern)).toBe(0);
  });
});
