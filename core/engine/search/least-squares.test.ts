import { describe, expect, test } from 'vitest';
import { chordAt, type FitProblem, fitLeastSquares, promiseAlong } from './least-squares.ts';

/** A problem from a model of several quantities, with its Jacobian by difference quotients. */
function problemOf(
  size: number,
  residualsAt: (x: readonly number[]) => readonly number[],
  bounds: {
    readonly lower?: number;
    readonly upper?: number;
    readonly weight?: number;
    readonly centre?: number;
    readonly readings?: number;
  } = {},
): FitProblem {
  const residuals = (at: Float64Array) => Float64Array.from(residualsAt([...at]));
  return {
    size,
    readings: bounds.readings ?? Number.POSITIVE_INFINITY,
    lower: new Float64Array(size).fill(bounds.lower ?? -1e9),
    upper: new Float64Array(size).fill(bounds.upper ?? 1e9),
    priorWeight: new Float64Array(size).fill(bounds.weight ?? 0),
    priorCentre: new Float64Array(size).fill(bounds.centre ?? 0),
    residuals,
    linearize: (at) => {
      const base = residuals(at);
      const jacobian = new Float64Array(base.length * size);
      for (let p = 0; p < size; p += 1) {
        const moved = at.slice();
        const step = 1e-6 * Math.max(1, Math.abs(at[p] ?? 0));
        moved[p] = (moved[p] ?? 0) + step;
        residuals(moved).forEach((value, row) => {
          jacobian[row * size + p] = (value - (base[row] ?? 0)) / step;
        });
      }
      return { residuals: base, jacobian };
    },
  };
}

describe('the least-squares fit', () => {
  test('a straight line through points: slope and intercept as the normal equations give them by hand', () => {
    // y = 2x + 1 at x = 0 … 4, no scatter.
    const problem = problemOf(2, ([slope = 0, intercept = 0]) =>
      [0, 1, 2, 3, 4].map((x) => slope * x + intercept - (2 * x + 1)),
    );
    const { at } = fitLeastSquares(problem, Float64Array.of(0, 0));
    expect(at[0]).toBeCloseTo(2, 1);
    expect(at[1]).toBeCloseTo(1, 1);
  });

  test('Rosenbrock’s valley (1960, from memory) is followed to its end', () => {
    const problem = problemOf(2, ([x = 0, y = 0]) => [(1 - x) / 0.05, (10 * (y - x * x)) / 0.05]);
    let at = Float64Array.of(-0.5, 0.5);
    for (let restart = 0; restart < 8; restart += 1) at = new Float64Array(fitLeastSquares(problem, at).at);
    expect(at[0]).toBeCloseTo(1, 1);
    expect(at[1]).toBeCloseTo(1, 1);
  });

  test('one plainly wrong point among twenty hardly moves the rest', () => {
    const truth = (x: number) => 0.5 * x + 3;
    const problem = problemOf(2, ([slope = 0, intercept = 0]) =>
      Array.from({ length: 20 }, (_, x) => (slope * x + intercept - (x === 7 ? 300 : truth(x))) / 0.5),
    );
    const { at } = fitLeastSquares(problem, Float64Array.of(0.4, 2));
    expect(at[0]).toBeCloseTo(0.5, 1);
    expect(at[1]).toBeCloseTo(3, 0);
  });

  test('what is no reading is never wrong: it holds against readings that are far off', () => {
    // Ten readings ask for 100; what is known allows 10 and a little.
    const residuals = ([x = 0]: readonly number[]) => [
      ...Array.from({ length: 10 }, () => (x - 100) / 5),
      Math.max(0, x - 10) / 0.1,
    ];
    const { at } = fitLeastSquares(problemOf(1, residuals, { readings: 10 }), Float64Array.of(50));
    expect(at[0]).toBeCloseTo(10, 0);
    const { at: doubted } = fitLeastSquares(problemOf(1, residuals), Float64Array.of(50));
    expect(doubted[0]).toBeGreaterThan(90);
  });

  test('a quantity that wants to leave its bounds stays at them, and says how hard it presses', () => {
    const problem = problemOf(1, ([x = 0]) => [x + 4], { lower: 0, upper: 10 });
    const { at, slope } = fitLeastSquares(problem, Float64Array.of(5));
    expect(at[0]).toBe(0);
    expect(slope[0]).toBeGreaterThan(0);
  });

  test('where no reading cares, the prior decides', () => {
    const { at, curvature } = fitLeastSquares(
      problemOf(1, () => [0], { weight: 0.25, centre: 1.1 }),
      Float64Array.of(4),
    );
    expect(at[0]).toBeCloseTo(1.1, 1);
    expect(curvature[0]).toBe(0);
  });

  test('a chord promises for other residuals twice what one step along it gains, where all is linear', () => {
    // Both points ask for 0.1 along a slope of one: ½·0.1² each goes to nothing.
    const problem = problemOf(1, ([x = 0]) => [x, x]);
    const chord = chordAt(problem, Float64Array.of(0));
    expect(promiseAlong(problem, chord, Float64Array.of(0, 0), null)).toBeCloseTo(0, 6);
    const promised = promiseAlong(problem, chord, Float64Array.of(0.1, 0.1), null);
    expect(promised / (2 * 0.1 ** 2)).toBeCloseTo(1, 2);
    expect(promiseAlong(problem, chord, Float64Array.of(0.1, 0.1), [0])).toBe(0);
  });
});
