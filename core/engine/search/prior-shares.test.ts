import { expect, test } from 'vitest';
import { type FitProblem, fitLeastSquares } from './least-squares.ts';
import { alikeLogShare, logOhms, ohmsLogShare } from './prior-shares.ts';

const { middle, sigma, least, most } = logOhms;

/** Two resistances, seen through residuals that are linear in their logarithms. */
function problemOf(rows: readonly (readonly [number, number, number])[]): FitProblem {
  const residuals = ([x = 0, y = 0]: Float64Array) =>
    Float64Array.from(rows, ([a, b, c]) => a * x + b * y - c);
  return {
    size: 2,
    readings: 0,
    lower: new Float64Array(2).fill(least),
    upper: new Float64Array(2).fill(most),
    priorWeight: new Float64Array(2).fill(1 / sigma ** 2),
    priorCentre: new Float64Array(2).fill(middle),
    residuals,
    linearize: (at) => ({
      residuals: residuals(at),
      jacobian: Float64Array.from(rows.flatMap(([a, b]) => [a, b])),
    }),
  };
}

/** The share of the prior under which the residuals do as well as at their best, summed over a grid (midpoints). */
function summed(rows: readonly (readonly [number, number, number])[], best: Float64Array): number {
  const half = (x: number, y: number): number =>
    0.5 * rows.reduce((sum, [a, b, c]) => sum + (a * x + b * y - c) ** 2, 0);
  const steps = 320;
  const step = (8 * sigma) / steps;
  const points = Array.from({ length: steps }, (_, index) => middle - 4 * sigma + (index + 0.5) * step);
  const away = (x: number): number => 0.5 * ((x - middle) / sigma) ** 2;
  const most = half(best[0] ?? 0, best[1] ?? 0);
  let sum = 0;
  for (const x of points) for (const y of points) sum += Math.exp(most - half(x, y) - away(x) - away(y));
  return Math.log((sum * step * step) / (2 * Math.PI * sigma * sigma));
}

test.each([
  ['each by itself', [[5, 0, 10] as const, [0, 3, 3] as const]],
  ['their sum well and their ratio ill', [[8, 8, 30] as const, [0.5, -0.5, 0.4] as const]],
  ['their ratio well and neither by itself', [[8, -8, 0.5] as const, [0.7, 0.7, 3] as const]],
  ['one, and the other not at all', [[6, 0, 9] as const]],
])('ohms that readings tell %s take the share of the prior that a sum over all of them gives', (_, rows) => {
  const problem = problemOf(rows);
  const fit = fitLeastSquares(problem, Float64Array.of(middle, middle + 0.1));
  expect(ohmsLogShare(fit, 2)).toBeCloseTo(summed(rows, fit.at), 1);
});

test('two poor connections of one cause are likelier the more alike, and all of them together no likelier than before', () => {
  const steps = 160;
  const step = 12 / steps;
  const points = Array.from({ length: steps }, (_, index) => -6 + (index + 0.5) * step);
  let sum = 0;
  for (const a of points)
    for (const b of points) {
      const [one, other] = [a, b].map((z) => Math.exp(middle + sigma * z)) as [number, number];
      sum += Math.exp(alikeLogShare(one, other) - 0.5 * (a * a + b * b));
    }
  expect((sum * step * step) / (2 * Math.PI)).toBeCloseTo(1, 6);
  expect(alikeLogShare(100, 100)).toBeGreaterThan(1);
  expect(alikeLogShare(0.3, 100)).toBeLessThan(-3);
});
