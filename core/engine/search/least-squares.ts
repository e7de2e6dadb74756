/** A fit of a few bounded quantities to many residuals. Arrays are scratch of the caller's problem. */
export interface FitProblem {
  readonly size: number;
  /** So many residuals come from readings, which may be wrong; those after them may not. */
  readonly readings: number;
  readonly lower: Float64Array;
  readonly upper: Float64Array;
  /** Curvature and centre of each quantity's prior: ½·weight·(x − centre)². */
  readonly priorWeight: Float64Array;
  readonly priorCentre: Float64Array;
  /** Residuals at a point, in standard deviations; and with their Jacobian, row by residual. */
  readonly residuals: (at: Float64Array) => Float64Array;
  readonly linearize: (at: Float64Array) => {
    readonly residuals: Float64Array;
    readonly jacobian: Float64Array;
  };
}

export interface Fit {
  readonly at: Float64Array;
  /** How the objective bends, row by row, prior left out; of what presses outward at a bound only by itself. */
  readonly curvature: Float64Array;
  /** Slope of the objective along each quantity, prior left out. */
  readonly slope: Float64Array;
  readonly iterations: number;
}

/** A residual of so many standard deviations or more loses its pull (Cauchy's loss, from memory). */
const robustFrom = 3;
const mostIterations = 12;
const firstDamping = 1e-3;
/** A step that promises less than so many nats ends the fit. */
const worthwhile = 0.1;
/** Steps that differ by no more than such a share of themselves are one. */
const sameStep = 0.01;

const loss = (residual: number, mayBeWrong: boolean): number =>
  mayBeWrong
    ? 0.5 * robustFrom * robustFrom * Math.log1p((residual / robustFrom) ** 2)
    : 0.5 * residual * residual;

/** The share of its pull that a residual keeps. */
const pullKept = (residual: number, mayBeWrong: boolean): number =>
  mayBeWrong ? 1 / (1 + (residual / robustFrom) ** 2) : 1;

/**
 * Robust Levenberg–Marquardt within bounds: damped normal equations, quantities at a bound that press outward held. Ends
 * where its first step promises less than `least` nats.
 */
export function fitLeastSquares(problem: FitProblem, start: Float64Array, least = 0): Fit {
  const { size } = problem;
  const at = start.slice();
  let damping = firstDamping;
  let { residuals, jacobian } = problem.linearize(at);
  let objective = objectiveAt(problem, at, residuals);
  const matrix = new Float64Array(size * size);
  const gradient = new Float64Array(size);
  // Both with the prior left out, as they are answered.
  const curvature = new Float64Array(size * size);
  const slope = new Float64Array(size);
  let isCurrent = false;
  const takeStock = (): void => {
    gradientOf(problem, residuals, jacobian, gradient);
    slope.set(gradient);
    addPrior(problem, at, null, gradient);
    // Most loads press outward at nought: how they bend with each other matters to no step.
    normalEquations(problem, residuals, jacobian, matrix, heldAt(problem, at, gradient));
    curvature.set(matrix);
    isCurrent = true;
  };
  let iterations = 0;
  for (; iterations < mostIterations; iterations += 1) {
    takeStock();
    addPrior(problem, at, matrix, null);
    let improved = false;
    let failed: Float64Array | null = null;
    for (let attempt = 0; attempt < 6; attempt += 1, damping *= 10) {
      const next = stepFrom(problem, at, matrix, gradient, damping);
      const promise = promiseOf(at, next, gradient);
      if (promise < worthwhile || (iterations === 0 && promise < least)) return finish();
      if (failed !== null && isNearly(next, failed, at)) continue;
      const objectiveThere = objectiveAt(problem, next, problem.residuals(next));
      if (objectiveThere >= objective) {
        failed = next;
        continue;
      }
      improved = objective - objectiveThere > worthwhile;
      at.set(next);
      ({ residuals, jacobian } = problem.linearize(at));
      isCurrent = false;
      objective = objectiveThere;
      damping = Math.max(damping / 10, 1e-9);
      break;
    }
    if (!improved) break;
  }
  return finish();

  function finish(): Fit {
    if (!isCurrent) takeStock();
    return { at, curvature, slope, iterations };
  }
}

/** A fit's slopes at one point, kept for what is held against the same slopes elsewhere. */
export interface Chord {
  readonly at: Float64Array;
  readonly jacobian: Float64Array;
  /** Curvature of the objective there, prior included. */
  readonly matrix: Float64Array;
}

export function chordAt(problem: FitProblem, at: Float64Array): Chord {
  const { residuals, jacobian } = problem.linearize(at);
  const matrix = new Float64Array(problem.size ** 2);
  normalEquations(problem, residuals, jacobian, matrix, null);
  addPrior(problem, at, matrix, null);
  return { at, jacobian, matrix };
}

/** By how much one step promises to better other residuals, were their slopes those of a chord: at most about twice as much as it does. */
export function promiseAlong(
  problem: FitProblem,
  { at, jacobian, matrix }: Chord,
  residuals: Float64Array,
  held: readonly number[] | null,
): number {
  const gradient = new Float64Array(problem.size);
  gradientOf(problem, residuals, jacobian, gradient);
  addPrior(problem, at, null, gradient);
  // What has no slope stays where it is.
  for (const position of held ?? []) gradient[position] = 0;
  return promiseOf(at, stepFrom(problem, at, matrix, gradient, firstDamping), gradient);
}

/** 1 of what presses outward at a bound. */
const heldAt = ({ lower, upper }: FitProblem, at: Float64Array, gradient: Float64Array): Uint8Array =>
  Uint8Array.from(at, (x, p) =>
    (x <= value(lower, p) && value(gradient, p) > 0) || (x >= value(upper, p) && value(gradient, p) < 0)
      ? 1
      : 0,
  );

/** Where a damped step within the bounds leads; what presses outward at a bound is held. */
function stepFrom(
  problem: FitProblem,
  at: Float64Array,
  matrix: Float64Array,
  gradient: Float64Array,
  damping: number,
): Float64Array {
  const { size, lower, upper } = problem;
  const step = solveDamped(size, matrix, gradient, heldAt(problem, at, gradient), damping);
  return at.map((x, p) => Math.min(value(upper, p), Math.max(value(lower, p), x - value(step, p))));
}

/** True where a step leads nearly as far as another one, quantity by quantity: light damping hardly changes any. */
function isNearly(one: Float64Array, other: Float64Array, from: Float64Array): boolean {
  return one.every(
    (x, p) => Math.abs(x - value(other, p)) <= sameStep * Math.abs(value(other, p) - value(from, p)),
  );
}

function promiseOf(at: Float64Array, next: Float64Array, gradient: Float64Array): number {
  let promise = 0;
  for (let p = 0; p < at.length; p += 1)
    promise += Math.abs(value(gradient, p) * (value(at, p) - value(next, p)));
  return promise;
}

function addPrior(
  { size, priorWeight, priorCentre }: FitProblem,
  at: Float64Array,
  matrix: Float64Array | null,
  gradient: Float64Array | null,
): void {
  for (let p = 0; p < size; p += 1) {
    if (matrix !== null) add(matrix, p * size + p, value(priorWeight, p));
    if (gradient !== null) add(gradient, p, value(priorWeight, p) * (value(at, p) - value(priorCentre, p)));
  }
}

const value = (array: ArrayLike<number>, index: number): number => array[index] as number;
const add = (array: Float64Array, index: number, amount: number): void => {
  array[index] = value(array, index) + amount;
};

function objectiveAt(
  { size, readings, priorWeight, priorCentre }: FitProblem,
  at: Float64Array,
  residuals: Float64Array,
): number {
  let sum = 0;
  for (let row = 0; row < residuals.length; row += 1) sum += loss(value(residuals, row), row < readings);
  for (let p = 0; p < size; p += 1)
    sum += 0.5 * value(priorWeight, p) * (value(at, p) - value(priorCentre, p)) ** 2;
  return sum;
}

/** Slopes of the objective, prior left out. */
function gradientOf(
  { size, readings }: FitProblem,
  residuals: Float64Array,
  jacobian: Float64Array,
  gradient: Float64Array,
): void {
  gradient.fill(0);
  for (let row = 0; row < residuals.length; row += 1) {
    const residual = value(residuals, row);
    const pull = residual * pullKept(residual, row < readings);
    if (pull === 0) continue;
    for (let p = 0; p < size; p += 1) add(gradient, p, value(jacobian, row * size + p) * pull);
  }
}

/** How the objective bends, prior left out; of what is held only by itself. */
function normalEquations(
  { size, readings }: FitProblem,
  residuals: Float64Array,
  jacobian: Float64Array,
  matrix: Float64Array,
  held: Uint8Array | null,
): void {
  matrix.fill(0);
  const together = Array.from({ length: size }, (_, p) => p).filter((p) => held?.[p] !== 1);
  for (let row = 0; row < residuals.length; row += 1) {
    const weight = pullKept(value(residuals, row), row < readings);
    const from = row * size;
    for (let p = 0; p < size; p += 1) {
      const j = value(jacobian, from + p);
      if (j === 0) continue;
      if (held?.[p] === 1) {
        add(matrix, p * size + p, weight * j * j);
        continue;
      }
      for (const q of together) {
        if (q > p) break;
        add(matrix, p * size + q, weight * j * value(jacobian, from + q));
      }
    }
  }
  for (let p = 0; p < size; p += 1)
    for (let q = 0; q < p; q += 1) matrix[q * size + p] = value(matrix, p * size + q);
}

/** Solves (A + damping·diag A) x = g over the quantities that are not held, by Cholesky's factors. */
function solveDamped(
  size: number,
  matrix: Float64Array,
  gradient: Float64Array,
  held: Uint8Array,
  damping: number,
): Float64Array {
  const factor = new Float64Array(size * size);
  const x = new Float64Array(size);
  for (let p = 0; p < size; p += 1) {
    if (held[p] === 1) continue;
    for (let q = 0; q <= p; q += 1) {
      if (held[q] === 1) continue;
      let sum = value(matrix, p * size + q);
      if (p === q) sum += damping * sum + 1e-12;
      for (let k = 0; k < q; k += 1) sum -= value(factor, p * size + k) * value(factor, q * size + k);
      factor[p * size + q] = p === q ? Math.sqrt(Math.max(sum, 1e-12)) : sum / value(factor, q * size + q);
    }
  }
  for (let p = 0; p < size; p += 1) {
    if (held[p] === 1) continue;
    let sum = value(gradient, p);
    for (let k = 0; k < p; k += 1) sum -= value(factor, p * size + k) * value(x, k);
    x[p] = sum / value(factor, p * size + p);
  }
  for (let p = size - 1; p >= 0; p -= 1) {
    if (held[p] === 1) continue;
    let sum = value(x, p);
    for (let k = p + 1; k < size; k += 1) sum -= value(factor, k * size + p) * value(x, k);
    x[p] = sum / value(factor, p * size + p);
  }
  return x;
}
