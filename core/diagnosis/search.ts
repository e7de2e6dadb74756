import type { DeviceState } from '../circuit/index.ts';
import { Evaluator } from './evaluator.ts';
import type { ReadingEvidence } from './evidence.ts';
import { type Fitted, fitted, middleOhms, unfitted } from './fitting.ts';
import { type Hypothesis, soundHypothesis, withCause, withoutCauses } from './hypothesis.ts';
import { readingDeficit } from './likelihood.ts';
import type { DiagnosisProblem } from './problem.ts';
import { Screening } from './screening.ts';
import { loadPatterns } from './unknown-loads.ts';

/** A hypothesis that was held against the readings. */
export interface Explanation {
  readonly hypothesis: Hypothesis;
  readonly fitted: Fitted;
  /** Logarithm of prior times likelihood, up to a constant of the question. */
  readonly logWeight: number;
}

export interface SearchLimits {
  /** Hypotheses held against the readings at the most. */
  readonly mostBounds: number;
  /** Asked now and then; true ends the search early. */
  readonly isOver?: () => boolean;
  /** Causes together at the most. */
  readonly mostCauses?: number;
}

export interface SearchState {
  /** The most probable first. */
  readonly explanations: readonly Explanation[];
  readonly bounds: number;
  /** True where the readings ask for more causes than there was time to try. */
  readonly stoppedEarly: boolean;
}

export const usualLimits: SearchLimits = { mostBounds: 16_000 };

/** Explanations so many nats below the best are let go: one in 8,000. */
const keptNats = 9;
/** A single cause so far below the best may still be half of the best pair. */
const parentNats = 25;
/** A reading that falls so many nats short asks for another cause, or is wrong. */
const misfitNats = 4.6;
/** At most so many explanations are led further by one cause each, for what is not ruled out beside them. */
const mostLeaders = 3;
/** A fit is worth its time where the loads and ohms of the parent fall so many nats short of what may be reached. */
const worthFitting = 0.4;
const startOhms = [0.15, 0.6, 3, 20, 300, 1e4] as const;
/** A repair that was made puts a cause right in so many cases. */
const repairSucceeds = 0.7;
const sliceBounds = 24;

const logSum = (values: readonly number[]): number => {
  const most = Math.max(...values);
  return most === Number.NEGATIVE_INFINITY
    ? most
    : most + Math.log(values.reduce((sum, value) => sum + Math.exp(value - most), 0));
};

/** A hypothesis that passed the screening, and what it may weigh at the most. */
interface Candidate {
  readonly hypothesis: Hypothesis;
  readonly parent: Explanation;
  readonly most: number;
  readonly bound: number;
}

/**
 * Finds what explains the readings: the sound circuit, every single cause, and, where none explains them well
 * enough, pairs and more, best first: the explanation that leaves least unexplained is led further by every other
 * cause. What explains best is always led one cause further, for what is not ruled out beside it.
 *
 * Yields after every slice of work what has been found so far, so that a caller may show it, let others run, or stop.
 */
export class Search {
  private readonly problem: DiagnosisProblem;
  private readonly limits: SearchLimits;
  private readonly evaluator: Evaluator;
  private readonly screening: Screening;
  private readonly found = new Map<string, Explanation>();
  private readonly seen = new Set<string>();
  private readonly expanded = new Set<string>();
  /** Single causes that passed the screening, whether or not they explain much. */
  private readonly parents = new Map<string, Candidate>();
  private readonly knownDevices: readonly DeviceState[];
  private readonly voltsCount: number;
  private best: Explanation;
  private boundsDone = 0;
  private cutShort = false;

  constructor(problem: DiagnosisProblem, limits: SearchLimits = usualLimits) {
    this.problem = problem;
    this.limits = limits;
    this.evaluator = new Evaluator(problem.network, problem.evidence);
    this.screening = new Screening(problem.network, problem.evidence, problem.unknownLoads);
    this.voltsCount = problem.evidence.kinds.filter((kind) => kind === 'volts').length;
    const sound = soundHypothesis(problem.network);
    this.knownDevices = sound.deviceStates;
    this.best = this.refined(sound, null, 0);
    this.keep(this.best);
  }

  state(): SearchState {
    const explanations = [...this.found.values()]
      .filter(({ logWeight }) => logWeight > this.best.logWeight - keptNats)
      .sort((a, b) => b.logWeight - a.logWeight || a.hypothesis.causes.length - b.hypothesis.causes.length);
    return { explanations, bounds: this.boundsDone, stoppedEarly: this.cutShort && this.asksForMore(this.best) };
  }

  *run(): Generator<undefined, SearchState> {
    const { mostCauses = 4 } = this.limits;
    yield* this.expand(this.best, parentNats);
    for (let size = 1; size < mostCauses && this.asksForMore(this.best); size += 1) yield* this.deepen(size);
    yield* this.leadFurther();
    return this.state();
  }

  /** Leads the best explanations of a size further by one cause, until none is left that could matter. */
  private *deepen(size: number): Generator<undefined> {
    for (;;) {
      if (this.isOver()) return;
      const next = this.nextParent(size);
      if (next === null) return;
      yield* this.expand(next, keptNats);
      if (!this.asksForMore(this.best)) return;
    }
  }

  /**
   * The most promising explanation of a size that was not led further: first those parts of the best explanation
   * that were never led further themselves (had its other causes been chosen wrongly, this finds the right ones).
   */
  private nextParent(size: number): Explanation | null {
    const { hypothesis } = this.best;
    if (hypothesis.causes.length === size + 1)
      for (const cause of hypothesis.causes) {
        const part = withoutCauses(hypothesis, (other) => other === cause, this.knownDevices);
        if (this.expanded.has(part.key)) continue;
        return this.found.get(part.key) ?? this.refined(part, this.best, 0);
      }
    let next: { readonly most: number; readonly explain: () => Explanation } | null = null;
    if (size === 1)
      for (const candidate of this.parents.values()) {
        if (this.expanded.has(candidate.hypothesis.key) || (next !== null && candidate.most <= next.most)) continue;
        next = {
          most: candidate.most,
          explain: () => this.refined(candidate.hypothesis, candidate.parent, candidate.bound),
        };
      }
    else
      for (const explanation of this.found.values()) {
        if (explanation.hypothesis.causes.length !== size || this.expanded.has(explanation.hypothesis.key)) continue;
        if (next !== null && explanation.logWeight <= next.most) continue;
        next = { most: explanation.logWeight, explain: () => explanation };
      }
    if (next === null || next.most < this.best.logWeight - parentNats) return null;
    return next.explain();
  }

  /** Leads the leading explanations further, whether or not the readings ask for it. */
  private *leadFurther(): Generator<undefined> {
    for (let leaders = 0; leaders < mostLeaders; ) {
      const leader = this.state().explanations.find(
        ({ hypothesis, logWeight }) =>
          !this.expanded.has(hypothesis.key) &&
          logWeight > this.best.logWeight - 1 &&
          hypothesis.causes.length <= this.best.hypothesis.causes.length,
      );
      if (leader === undefined) return;
      leaders += 1;
      yield* this.expand(leader, keptNats);
    }
  }

  /** Holds an explanation with each further cause against the readings. */
  private *expand(parent: Explanation, margin: number): Generator<undefined> {
    const { tolerance, causes } = this.problem;
    this.expanded.add(parent.hypothesis.key);
    this.evaluator.predict(parent.fitted.supposed, false);
    const deficits = this.readingDeficits();
    this.screening.sortBy((reading) => deficits.get(reading.position) ?? 0);
    const candidates: Candidate[] = [];
    let slice = 0;
    for (const cause of causes) {
      const hypothesis = withCause(parent.hypothesis, cause);
      if (hypothesis === null || this.seen.has(hypothesis.key)) continue;
      const limit = hypothesis.logPrior - this.best.logWeight + margin;
      if (limit < 0) continue;
      this.seen.add(hypothesis.key);
      this.boundsDone += 1;
      const bound = this.screening.bound(hypothesis, tolerance, limit);
      slice += 1;
      if (slice >= sliceBounds) {
        slice = 0;
        yield undefined;
        if (this.isOver()) break;
      }
      if (bound === Number.POSITIVE_INFINITY) continue;
      const candidate: Candidate = { hypothesis, parent, bound, most: hypothesis.logPrior - bound };
      candidates.push(candidate);
      if (hypothesis.causes.length === 1) this.parents.set(hypothesis.key, candidate);
    }
    candidates.sort((a, b) => b.most - a.most);
    for (const { hypothesis, most, bound } of candidates) {
      if (most < this.best.logWeight - keptNats) break;
      this.keep(this.refined(hypothesis, parent, bound));
      slice += 1;
      if (slice < sliceBounds / 4) continue;
      slice = 0;
      yield undefined;
      if (this.isOver()) break;
    }
  }

  private isOver(): boolean {
    if (this.boundsDone < this.limits.mostBounds && this.limits.isOver?.() !== true) return false;
    this.cutShort = true;
    return true;
  }

  private keep(explanation: Explanation): void {
    this.found.set(explanation.hypothesis.key, explanation);
    this.seen.add(explanation.hypothesis.key);
    if (explanation.logWeight > this.best.logWeight) this.best = explanation;
  }

  /** Reading by reading, how many nats what was predicted last falls short. */
  private readingDeficits(): ReadonlyMap<number, number> {
    const deficits = new Map<number, number>();
    for (const reading of this.readings())
      deficits.set(
        reading.position,
        readingDeficit(this.problem.evidence, reading, this.evaluator.predicted, this.problem.tolerance),
      );
    return deficits;
  }

  private *readings(): Generator<ReadingEvidence> {
    for (const { repaired, trippedBefore, outlets } of this.problem.evidence.states) {
      if (repaired) continue;
      if (trippedBefore !== null) yield trippedBefore;
      for (const { readings } of outlets) yield* readings;
    }
  }

  /** True where an explanation leaves more unexplained than chance would. */
  private asksForMore({ fitted: { supposed, deficit } }: Explanation): boolean {
    // Volts scatter: half a nat each is to be expected, with a standard deviation of √½ each.
    if (deficit > 0.5 * this.voltsCount + 2 * Math.sqrt(this.voltsCount / 2) + 2 * misfitNats) return true;
    this.evaluator.predict(supposed, false);
    return [...this.readingDeficits().values()].some((nats) => nats > misfitNats + 1);
  }

  /** A hypothesis with its loads and ohms as the readings have them, and its weight. */
  private refined(hypothesis: Hypothesis, parent: Explanation | null, bound: number): Explanation {
    const { tolerance, unknownLoads, network } = this.problem;
    const isExact = parent !== null && !unknownLoads && hypothesis.resistances.length === 0;
    const watts = parent?.fitted.watts ?? new Float64Array(network.outlets.length);
    if (isExact) {
      const supposed = { faults: hypothesis.faults, loads: network.circuit.loads, deviceStates: hypothesis.deviceStates };
      const deficit =
        bound > 0
          ? bound
          : this.evaluator.deficit(supposed, false, tolerance, Number.POSITIVE_INFINITY);
      return this.explanation(hypothesis, [{ supposed, ohms: [], watts, deficit, logShare: 0 }]);
    }
    if (!unknownLoads) return this.explanation(hypothesis, [this.fittedOnce(hypothesis, watts, bound)]);
    const fits = loadPatterns(network, hypothesis, watts).map((pattern) => {
      const ohms = this.betterStart(hypothesis, pattern.start, bound);
      const fit =
        ohms.deficit < bound + worthFitting && parent !== null
          ? ohms
          : fitted(this.evaluator, hypothesis, ohms.ohms, pattern, tolerance);
      return { ...fit, logShare: fit.logShare + pattern.logOdds };
    });
    return this.explanation(hypothesis, fits);
  }

  private fittedOnce(hypothesis: Hypothesis, watts: Float64Array, bound: number): Fitted {
    const start = this.betterStart(hypothesis, watts, bound);
    if (hypothesis.resistances.length === 0 || start.deficit < bound + worthFitting) return start;
    return fitted(this.evaluator, hypothesis, start.ohms, null, this.problem.tolerance);
  }

  /** Middling ohms where these will do, else those of a few from which a fit does best. */
  private betterStart(hypothesis: Hypothesis, watts: Float64Array, bound: number): Fitted {
    const { tolerance, unknownLoads } = this.problem;
    const at = (ohms: readonly number[]): Fitted =>
      unfitted(this.evaluator, hypothesis, ohms, watts, unknownLoads, tolerance);
    let best = at(middleOhms(hypothesis));
    if (best.deficit < bound + worthFitting) return best;
    hypothesis.resistances.forEach((_, which) => {
      for (const ohms of startOhms) {
        const other = at(best.ohms.map((one, position) => (position === which ? ohms : one)));
        if (other.deficit < best.deficit) best = other;
      }
    });
    return best;
  }

  private explanation(hypothesis: Hypothesis, fits: readonly Fitted[]): Explanation {
    const weights = fits.map(({ deficit, logShare }) => logShare - deficit);
    const [leading] = fits.toSorted((a, b) => b.logShare - b.deficit - (a.logShare - a.deficit));
    if (leading === undefined) throw new Error('no pattern of loads was tried');
    const logWeight = hypothesis.logPrior + logSum(weights) + this.afterRepair(hypothesis, leading);
    return { hypothesis, fitted: leading, logWeight };
  }

  /** Logarithm of the likelihood of the readings after repair: each cause may have been put right, or not. */
  private afterRepair(hypothesis: Hypothesis, { ohms, supposed }: Fitted): number {
    const { evidence, tolerance } = this.problem;
    if (evidence.firstRepaired === evidence.observed.length) return 0;
    const { causes } = hypothesis;
    const likelihoods: number[] = [];
    for (let which = 0; which < 2 ** causes.length; which += 1) {
      const isGone = (position: number): boolean => (which & (1 << position)) !== 0;
      const gone = new Set(causes.filter((_, position) => isGone(position)));
      const left = withoutCauses(hypothesis, (cause) => gone.has(cause), this.knownDevices);
      const faults = left.faults.map((fault) => {
        const position = hypothesis.faults.indexOf(fault);
        const fittedAs = hypothesis.resistances.indexOf(position);
        return fault.kind === 'resistance' && fittedAs !== -1
          ? { ...fault, ohms: ohms[fittedAs] ?? fault.ohms }
          : fault;
      });
      const deficit = this.evaluator.deficit(
        { faults, loads: supposed.loads, deviceStates: left.deviceStates },
        true,
        tolerance,
        Number.POSITIVE_INFINITY,
      );
      const odds = causes.reduce(
        (sum, _, position) => sum + Math.log(isGone(position) ? repairSucceeds : 1 - repairSucceeds),
        0,
      );
      likelihoods.push(odds - deficit);
    }
    return logSum(likelihoods);
  }
}
