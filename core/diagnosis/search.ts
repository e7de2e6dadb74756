import type { DeviceState } from '../circuit/index.ts';
import type { Cause } from './cause.ts';
import { Evaluator, type Reference } from './evaluator.ts';
import type { ChannelKind, ReadingEvidence } from './evidence.ts';
import { type Fitted, fitted, middleOhms, sampleOhms, unfitted } from './fitting.ts';
import { type Hypothesis, soundHypothesis, withCause, withoutCauses } from './hypothesis.ts';
import { readingDeficit } from './likelihood.ts';
import type { DiagnosisProblem } from './problem.ts';
import { Screening } from './screening.ts';
import { type LoadPattern, loadPatterns } from './unknown-loads.ts';

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
  /** True where the search was cut short, whatever it had found by then. */
  readonly stoppedEarly: boolean;
}

export const usualLimits: SearchLimits = { mostBounds: 6_000 };

/** Explanations so many nats below the best are let go: one in half a million (see what rules a condition out). */
const keptNats = 13.1;
/** A single cause so far below the best may still be half of the best pair. */
const parentNats = 25;
/** A reading that falls so many nats short of what scatter explains asks for another cause, or is wrong. */
const misfitNats = 7;
/** So many readings hold something plainly wrong (common practice: one value in a hundred, about three a reading). */
const wrongReadingShare = 0.03;
/**
 * After so many explanations led further in vain, what does not fit is held to be a wrong reading: a cause of the
 * best pair leaves less unexplained by itself than most causes that have nothing to do with it.
 */
const patience = 10;
/** At most so many explanations are led further by one cause each, for what is not ruled out beside them. */
const mostLeaders = 2;
/** Explanations so near the best are as good as it where something dangerous may hide behind them. */
const nearlyAsGood = 3;
/** A fit is worth its time where the loads and ohms of the parent fall so many nats short of what may be reached. */
const worthFitting = 0.4;
/** Ohms that fall so many nats short of the best ones add nothing to their share. */
const negligibleNats = 7;
/** What falls so many nats short is not saved by other ohms or loads. */
const hopelessNats = 2000;
/** Where loads change volts but little, what falls short by more stays there whatever they are. */
const nearNats = 10;
/**
 * Loads hide a cause and a cause hides loads, so they are fitted together to whatever may come out so near the best;
 * what cannot is judged with its parent's loads.
 */
const contenderNats = 7.5;
/** A repair that was made puts a cause right in so many cases. */
const repairSucceeds = 0.7;
const sliceBounds = 24;
const sliceFits = 6;

/** Volts scatter: half a nat each is to be expected. */
const expectedDeficit = (kinds: readonly ChannelKind[]): number =>
  0.5 * kinds.filter((kind) => kind === 'volts').length;

const isSameSite = (a: Cause['site'], b: Cause['site']): boolean =>
  'cable' in a ? 'cable' in b && a.cable === b.cable : 'outlet' in b && a.outlet === b.outlet;

const logSum = (values: readonly number[]): number => {
  const most = Math.max(...values);
  return most === Number.NEGATIVE_INFINITY
    ? most
    : most + Math.log(values.reduce((sum, value) => sum + Math.exp(value - most), 0));
};

const nothingFitted = ({ network }: DiagnosisProblem): Fitted => ({
  supposed: { faults: [], loads: [], deviceStates: [] },
  ohms: [],
  watts: new Float64Array(network.outlets.length),
  deficit: Number.POSITIVE_INFINITY,
  logShare: 0,
  pattern: null,
});

/** A hypothesis that passed the screening, and what it may weigh at the most. */
interface Candidate {
  readonly hypothesis: Hypothesis;
  readonly parent: Explanation;
  readonly most: number;
  readonly bound: number;
  readonly explanation?: Explanation;
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
  private reference: Reference | null = null;
  private boundsDone = 0;
  private cutShort = false;

  constructor(problem: DiagnosisProblem, limits: SearchLimits = usualLimits) {
    this.problem = problem;
    this.limits = limits;
    this.evaluator = new Evaluator(problem.network, problem.evidence, problem.memory);
    this.screening = new Screening(problem);
    this.voltsCount = problem.evidence.kinds.filter((kind) => kind === 'volts').length;
    const sound = soundHypothesis(problem.network);
    this.knownDevices = sound.deviceStates;
    this.best = { hypothesis: sound, fitted: nothingFitted(problem), logWeight: Number.NEGATIVE_INFINITY };
    this.best = this.refined(sound, null, 0);
    this.found.set('', this.best);
    this.seen.add('');
  }

  /** Names what leads so far. */
  get leadingKey(): string {
    return this.best.hypothesis.key || 'sound';
  }

  state(): SearchState {
    const explanations = [...this.found.values()]
      .filter(({ logWeight }) => logWeight > this.best.logWeight - keptNats)
      .sort((a, b) => b.logWeight - a.logWeight || a.hypothesis.causes.length - b.hypothesis.causes.length);
    return {
      explanations,
      bounds: this.boundsDone,
      stoppedEarly: this.cutShort,
    };
  }

  *run(): Generator<undefined, SearchState> {
    const { mostCauses = 4 } = this.limits;
    yield* this.expand(this.best, parentNats);
    for (let size = 1; size < mostCauses && this.asksForMore(this.best); size += 1) yield* this.deepen(size);
    for (let before: Explanation | null = null; before !== this.best && !this.isOver(); ) {
      before = this.best;
      yield* this.leadPartsFurther();
      yield* this.leadFurther();
      yield* this.leadDarkFurther();
    }
    return this.state();
  }

  /** Leads the best explanations of a size further by one cause, until none is left that could matter. */
  private *deepen(size: number): Generator<undefined> {
    for (let inVain = 0; inVain < patience; ) {
      if (this.isOver()) return;
      const next = this.nextParent(size);
      if (next === null) return;
      const before = this.best;
      yield* this.expand(next, keptNats);
      yield* this.leadPartsFurther();
      inVain = this.best.logWeight > before.logWeight + 1 ? 0 : inVain + 1;
      if (this.best !== before && !this.asksForMore(this.best)) return;
    }
  }

  /** Leads the best explanation less each of its causes further: had one been chosen wrongly, this finds the right one. */
  private *leadPartsFurther(): Generator<undefined> {
    for (let whole: Explanation | null = null; whole !== this.best; ) {
      whole = this.best;
      for (const cause of whole.hypothesis.causes) {
        const part = withoutCauses(whole.hypothesis, (other) => other === cause, this.knownDevices);
        if (this.expanded.has(part.key) || this.isOver()) continue;
        yield* this.expand(this.found.get(part.key) ?? this.refined(part, whole, 0), keptNats);
      }
    }
  }

  /** The most promising explanation of a size that was not led further. */
  private nextParent(size: number): Explanation | null {
    const least = this.best.logWeight - parentNats;
    if (size > 1) {
      const [next = null] = [...this.found.values()]
        .filter(
          ({ hypothesis, logWeight }) =>
            hypothesis.causes.length === size && logWeight > least && !this.expanded.has(hypothesis.key),
        )
        .sort((a, b) => b.logWeight - a.logWeight);
      return next;
    }
    for (;;) {
      // What a candidate may weigh at the most gives way to what it does weigh, once it comes first.
      let next: Candidate | null = null;
      for (const candidate of this.parents.values())
        if (!this.expanded.has(candidate.hypothesis.key) && (next === null || candidate.most > next.most))
          next = candidate;
      if (next === null || next.most < least) return null;
      if (next.explanation !== undefined) return next.explanation;
      const known = next.hypothesis.resistances.length > 0 ? undefined : this.found.get(next.hypothesis.key);
      const explanation = known ?? this.refined(next.hypothesis, next.parent, next.bound, true);
      this.parents.set(next.hypothesis.key, { ...next, explanation, most: explanation.logWeight });
    }
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

  /**
   * What reads dark may be live all over: an open neutral, and a jumper that carries it to the ground. Neither by itself
   * reads dark, so where an open hot explains it, an open neutral at the same site is led further.
   */
  private *leadDarkFurther(): Generator<undefined> {
    const dark = this.state().explanations.filter(
      ({ logWeight }) => logWeight > this.best.logWeight - nearlyAsGood,
    );
    for (const explanation of dark)
      for (const cause of explanation.hypothesis.causes) {
        if (cause.prior !== 'open-hot') continue;
        const twin = this.problem.causes.find(
          ({ prior, site }) => prior === 'open-neutral' && isSameSite(site, cause.site),
        );
        if (twin === undefined || this.isOver()) continue;
        const others = withoutCauses(explanation.hypothesis, (other) => other === cause, this.knownDevices);
        const hypothesis = withCause(others, twin);
        if (hypothesis === null || this.expanded.has(hypothesis.key)) continue;
        yield* this.expand(
          this.found.get(hypothesis.key) ?? this.refined(hypothesis, explanation, 0),
          keptNats,
        );
      }
  }

  /** Holds an explanation with each further cause against the readings: first those that need no fitting of ohms. */
  private *expand(parent: Explanation, margin: number): Generator<undefined> {
    this.expanded.add(parent.hypothesis.key);
    this.reference = this.evaluator.referenceOf(parent.fitted.supposed, this.problem.tolerance);
    this.screening.leadFrom(this.reference, parent.fitted.supposed);
    for (const isFitted of [false, true]) {
      const causes = this.problem.causes.filter(({ resistance }) => (resistance !== -1) === isFitted);
      const candidates = yield* this.screened(parent, causes, margin);
      yield* this.refineAll(candidates);
    }
  }

  /** The hypotheses with one cause more that the screening does not refute, the most promising first. */
  private *screened(
    parent: Explanation,
    causes: readonly Cause[],
    margin: number,
  ): Generator<undefined, readonly Candidate[]> {
    const candidates: Candidate[] = [];
    let slice = 0;
    for (const cause of causes) {
      const hypothesis = withCause(parent.hypothesis, cause);
      if (hypothesis === null || this.seen.has(hypothesis.key)) continue;
      const limit = hypothesis.logPrior - this.best.logWeight + margin;
      if (limit < 0) continue;
      this.seen.add(hypothesis.key);
      this.boundsDone += 1;
      const bound = this.screening.bound(hypothesis, this.problem.tolerance, limit);
      slice += 1;
      if (slice % sliceBounds === 0) {
        yield undefined;
        if (this.isOver()) break;
      }
      if (bound === Number.POSITIVE_INFINITY) continue;
      const candidate: Candidate = { hypothesis, parent, bound, most: hypothesis.logPrior - bound };
      candidates.push(candidate);
      if (hypothesis.causes.length === 1) this.parents.set(hypothesis.key, candidate);
    }
    return candidates.sort((a, b) => b.most - a.most);
  }

  private *refineAll(candidates: readonly Candidate[]): Generator<undefined> {
    let slice = 0;
    for (const { hypothesis, parent, most, bound } of candidates) {
      if (most < this.best.logWeight - keptNats) return;
      this.keep(this.refined(hypothesis, parent, bound));
      slice += 1;
      if (slice % sliceFits !== 0) continue;
      yield undefined;
      if (this.isOver()) return;
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

  /**
   * True where an explanation leaves more unexplained, somewhere or in all, than chance would. A reading that
   * nothing else read at its receptacle bears out is held to be wrong, as long as there are no more such than expected.
   */
  private asksForMore({ fitted: { supposed } }: Explanation): boolean {
    this.evaluator.predict(supposed, false);
    const { kinds } = this.problem.evidence;
    const deficits = this.readingDeficits();
    const excessesAt = new Map<number, number[]>();
    let readings = 0;
    for (const { position, outlet, first, end } of this.readings()) {
      const excess = (deficits.get(position) ?? 0) - expectedDeficit(kinds.slice(first, end));
      const here = excessesAt.get(outlet);
      if (here === undefined) excessesAt.set(outlet, [excess]);
      else here.push(excess);
      readings += 1;
    }
    let sum = 0;
    let alone = 0;
    for (const excesses of excessesAt.values()) {
      const most = Math.max(...excesses);
      const rest = excesses.reduce((total, excess) => total + excess, -most);
      const isAlone = most > misfitNats && excesses.length > 1;
      if (isAlone) alone += 1;
      else if (most > misfitNats) return true;
      const left = isAlone ? rest : rest + most;
      if (left > 1.4 * misfitNats) return true;
      sum += left;
    }
    const expectedWrong = wrongReadingShare * readings;
    if (alone > expectedWrong + 2 * Math.sqrt(expectedWrong)) return true;
    return sum > misfitNats + 3 * Math.sqrt(this.voltsCount / 2);
  }

  /** A hypothesis with its loads and ohms as the readings have them, and its weight; fitted however far where it is led further. */
  private refined(
    hypothesis: Hypothesis,
    parent: Explanation | null,
    bound: number,
    isLed = false,
  ): Explanation {
    const { tolerance, unknownLoads, network } = this.problem;
    const isExact = parent !== null && !unknownLoads && hypothesis.resistances.length === 0;
    const watts = parent?.fitted.watts ?? new Float64Array(network.outlets.length);
    if (isExact) {
      const supposed = {
        faults: hypothesis.faults,
        loads: network.circuit.loads,
        deviceStates: hypothesis.deviceStates,
      };
      const deficit =
        bound > 0 ? bound : this.evaluator.deficit(supposed, false, tolerance, Number.POSITIVE_INFINITY);
      return this.explanation(hypothesis, [
        { supposed, ohms: [], watts, deficit, logShare: 0, pattern: null },
      ]);
    }
    if (!unknownLoads)
      return this.explanation(hypothesis, [this.fittedTo(hypothesis, null, bound, isLed, watts)]);
    const patterns = loadPatterns(network, hypothesis, parent);
    const fits = patterns.map((pattern) => {
      const fit = this.fittedTo(hypothesis, pattern, bound, isLed || patterns.length > 1 || parent === null);
      return { ...fit, logShare: fit.logShare + pattern.logOdds, pattern };
    });
    return this.explanation(hypothesis, fits);
  }

  /**
   * Fits as much as is worth its time: nothing where the readings are explained as well as they can be; then ohms
   * alone; loads too only where the hypothesis could come out near the best.
   */
  private fittedTo(
    hypothesis: Hypothesis,
    pattern: LoadPattern | null,
    bound: number,
    mustFit: boolean,
    watts: Float64Array = pattern?.start ?? new Float64Array(0),
  ): Fitted {
    const { tolerance, unknownLoads } = this.problem;
    const most = hypothesis.logPrior - bound;
    const isFar = most < this.best.logWeight - contenderNats;
    // What no ohms bring near is taken for as good as screening leaves it: it never weighs less than its due.
    if (isFar && !mustFit && hypothesis.resistances.length > 0)
      return { ...this.middling(hypothesis, watts, bound), deficit: bound };
    let fit = this.betterStart(hypothesis, watts, bound);
    const isWorth = (): boolean => fit.deficit > bound + worthFitting && fit.deficit < bound + hopelessNats;
    if (hypothesis.resistances.length > 0 && isWorth())
      fit = fitted(this.evaluator, hypothesis, fit, null, tolerance, unknownLoads);
    if (pattern === null || !isWorth()) return fit;
    const weight = hypothesis.logPrior + fit.logShare - fit.deficit;
    const isNear = mustFit || weight > this.best.logWeight - nearNats;
    if (isFar || !isNear) return fit;
    return fitted(this.evaluator, hypothesis, fit, pattern, tolerance, unknownLoads);
  }

  /** With middling ohms and nothing fitted; not looked at to the end once beyond the limit. */
  private middling(hypothesis: Hypothesis, watts: Float64Array, limit: number): Fitted {
    const { tolerance, unknownLoads } = this.problem;
    const ohms = middleOhms(hypothesis);
    return unfitted(this.evaluator, hypothesis, ohms, watts, unknownLoads, tolerance, this.reference, limit);
  }

  /**
   * Middling ohms where these will do, else those of a few that do best, from which to fit; with the share of the prior
   * that does about as well.
   */
  private betterStart(hypothesis: Hypothesis, watts: Float64Array, bound: number): Fitted {
    const { tolerance, unknownLoads } = this.problem;
    const at = (ohms: readonly number[], limit: number): Fitted =>
      unfitted(this.evaluator, hypothesis, ohms, watts, unknownLoads, tolerance, this.reference, limit);
    let best = this.middling(hypothesis, watts, Number.POSITIVE_INFINITY);
    if (best.deficit < bound + worthFitting) return best;
    let logShare = 0;
    hypothesis.resistances.forEach((_, which) => {
      const from = best.ohms;
      const tried: { readonly share: number; readonly fit: Fitted }[] = [];
      let least = Number.POSITIVE_INFINITY;
      for (const { ohms, share } of sampleOhms) {
        const fit = at(
          from.map((one, position) => (position === which ? ohms : one)),
          best.deficit + 2 * negligibleNats,
        );
        tried.push({ share, fit });
        least = Math.min(least, fit.deficit);
        if (fit.deficit < best.deficit) best = fit;
        // Past the best ohms it gets worse and worse.
        if (fit.deficit > least + negligibleNats) break;
      }
      logShare += logSum(tried.map(({ share, fit }) => Math.log(share) - fit.deficit + best.deficit));
    });
    return { ...best, logShare };
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
