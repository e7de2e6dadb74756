import type { DeviceState } from '../../physics/index.ts';
import { Evaluator, type Reference } from '../evidence/evaluator.ts';
import type { StateEvidence } from '../evidence/evidence.ts';
import type { DiagnosisProblem } from '../evidence/problem.ts';
import type { Cause } from '../model/cause.ts';
import { type Hypothesis, soundHypothesis, withCause, withoutCauses } from '../model/hypothesis.ts';
import { habitIds } from '../model/priors.ts';
import { evenly } from '../model/scales.ts';
import { hangOnLoads } from '../model/unknown-loads.ts';
import { type Explanation, keptNats, ledNats } from './explanation.ts';
import type { Fitted } from './fitting.ts';
import { Refinement } from './refinement.ts';
import { isSameSite, poorTwinOf } from './same-site.ts';
import { Screening } from './screening.ts';
import { leavesUnexplained } from './unexplained.ts';

// Longer than other files: the orders in which explanations are led further share what was seen and found.

export type { Explanation } from './explanation.ts';

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

/**
 * After so many explanations led further in vain, what does not fit is held to be a wrong reading: a cause of the
 * best pair leaves less unexplained by itself than most causes that have nothing to do with it. After half as many where
 * fewer lead than are led further, and no cause more comes near.
 */
const patience = 10;
/** At most so many explanations are led further by one cause each, for what is not ruled out beside them. */
const mostLeaders = 2;
/** Explanations so near the best are as good as it where something dangerous may hide behind them. */
const nearlyAsGood = 3;
/** A box more where one hand did the same counts from so many nats on. */
const worthOneMore = 1;
/** What is rarer than this may have two common causes for a rival; so many of these are led further. */
const rareLogOdds = Math.log(0.004);
const mostRivals = 3;
/** A fit that was ended as a child's would have come up by so many nats at the most. */
const childTrusted = 10;
/** What was found beside what is led further is fitted on where that gained so many nats by it. */
const worthSettling = 1;
const sliceBounds = 24;
const sliceFits = 6;

const nothingFitted = ({ network }: DiagnosisProblem): Fitted => ({
  supposed: { faults: [], loads: [], deviceStates: [] },
  ohms: [],
  watts: new Float64Array(network.outlets.length),
  scales: evenly(1),
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
  /** What was read, what is beside the further cause first. */
  readonly states: readonly StateEvidence[];
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
  private readonly twinsFitted = new Set<string>();
  /** Single causes that passed the screening, whether or not they explain much. */
  private readonly parents = new Map<string, Candidate>();
  private readonly knownDevices: readonly DeviceState[];
  private readonly refinement: Refinement;
  private best: Explanation;
  private held = Number.NEGATIVE_INFINITY;
  private asksForSeveral = false;
  /** Nats that fitting what was led further until it settled gained at the most. */
  private gainedBySettling = 0;
  private boundsDone = 0;
  private cutShort = false;

  constructor(problem: DiagnosisProblem, limits: SearchLimits = usualLimits) {
    this.problem = problem;
    this.limits = limits;
    this.evaluator = new Evaluator(problem.network, problem.evidence, problem.memory, problem.tolerance);
    this.screening = new Screening(problem);
    this.refinement = new Refinement(problem, this.evaluator, () => this.most);
    const sound = soundHypothesis(problem.network);
    this.knownDevices = sound.deviceStates;
    this.best = { hypothesis: sound, fitted: nothingFitted(problem), logWeight: Number.NEGATIVE_INFINITY };
    this.best = this.refinement.refined(sound, null, 0);
    this.found.set('', this.best);
    this.seen.add('');
  }

  /** What leads weighs so much so far. */
  get bestLogWeight(): number {
    return this.best.logWeight;
  }

  /** True once every single cause was tried, and none explains what was read. */
  get findsNoSingleCause(): boolean {
    return this.asksForSeveral;
  }

  /** Another search holds something that weighs so much: nothing far below it matters here. */
  hold(logWeight: number): void {
    this.held = logWeight;
  }

  /** What leads weighs so much, here or in another search. */
  private get most(): number {
    return Math.max(this.best.logWeight, this.held);
  }

  /** True where what leads in an answer leaves more unexplained than chance would. */
  wouldAskForMore({ explanations: [leading] }: SearchState): boolean {
    return leading === undefined || leavesUnexplained(this.problem, this.evaluator, leading.fitted);
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
    yield* this.expand(this.best, ledNats);
    this.asksForSeveral = this.asksForMore();
    yield undefined;
    if (this.asksForSeveral) yield* this.leadHabits();
    for (let size = 1; size < mostCauses && this.asksForMore(); size += 1) {
      yield* this.deepen(size);
      if (!this.isNear(size + 1)) break;
    }
    for (let before: Explanation | null = null; before !== this.best && !this.isOver(); ) {
      before = this.best;
      yield* this.leadPartsFurther();
      yield* this.leadFurther();
      yield* this.leadDarkFurther();
      yield* this.leadRivals();
      yield* this.fitTwins();
    }
    yield* this.settleOthers();
    yield* this.moveCauses();
    return this.state();
  }

  /** What one hand did at many boxes is looked for at every box, one after another: no single one explains much. */
  private *leadHabits(): Generator<undefined> {
    const starts = new Set([this.found.get('') ?? this.best, this.best]);
    for (const start of starts)
      for (const id of habitIds) {
        let best = start;
        let boxes = 0;
        for (const cause of this.problem.causes) {
          if (cause.habit?.id !== id) continue;
          if (this.isOver()) return;
          const hypothesis = withCause(best.hypothesis, cause);
          if (hypothesis === null) continue;
          const more = this.refinement.refined(hypothesis, best, 0);
          yield undefined;
          if (best.fitted.deficit - more.fitted.deficit <= worthOneMore) continue;
          best = more;
          boxes += 1;
        }
        if (boxes > 1) this.keep(best);
      }
  }

  /** Leads the best explanations of a size further by one cause, until none is left that could matter. */
  private *deepen(size: number): Generator<undefined> {
    for (let inVain = 0; inVain < this.patienceAt(size); ) {
      if (this.isOver()) return;
      const next = yield* this.nextParent(size, Number.POSITIVE_INFINITY);
      if (next === null) return;
      const before = this.best;
      yield* this.expand(next, keptNats);
      yield* this.leadPartsFurther();
      inVain = this.best.logWeight > before.logWeight + 1 ? 0 : inVain + 1;
      if (this.best !== before && !this.asksForMore()) return;
    }
  }

  private patienceAt(size: number): number {
    return this.best.hypothesis.causes.length >= size || this.isNear(size + 1) ? patience : patience / 2;
  }

  /** True where some explanation of a size is nearly as good as what leads: a cause more that pays for itself may bring another. */
  private isNear(size: number): boolean {
    const least = this.best.logWeight - nearlyAsGood;
    return [...this.found.values()].some(
      ({ hypothesis, logWeight }) => hypothesis.causes.length === size && logWeight > least,
    );
  }

  /** Leads the best explanation less each of its causes further: had one been chosen wrongly, this finds the right one. */
  private *leadPartsFurther(): Generator<undefined> {
    for (let whole: Explanation | null = null; whole !== this.best; ) {
      whole = this.best;
      for (const cause of whole.hypothesis.causes) {
        const part = withoutCauses(whole.hypothesis, (other) => other === cause, this.knownDevices);
        if (this.expanded.has(part.key) || this.isOver()) continue;
        yield* this.expand(this.found.get(part.key) ?? this.refinement.refined(part, whole, 0), keptNats);
      }
    }
  }

  /** The most promising explanation of a size that was not led further. */
  private *nextParent(size: number, trusted: number): Generator<undefined, Explanation | null> {
    const least = this.most - ledNats;
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
      // What was let go as a child, far below, is not worth fitting anew.
      const asChild = this.found.get(next.hypothesis.key)?.logWeight ?? next.most;
      if (asChild < least - trusted) {
        this.parents.set(next.hypothesis.key, { ...next, most: asChild });
        continue;
      }
      const known = next.hypothesis.resistances.length > 0 ? undefined : this.found.get(next.hypothesis.key);
      const explanation =
        known ?? this.refinement.refined(next.hypothesis, next.parent, next.bound, next.states, true);
      this.parents.set(next.hypothesis.key, { ...next, explanation, most: explanation.logWeight });
      // Fitted further than before, it may weigh more than it did.
      const before = this.found.get(next.hypothesis.key)?.logWeight ?? Number.NEGATIVE_INFINITY;
      if (explanation.logWeight > before) this.keep(explanation);
      yield undefined;
      if (this.isOver()) return null;
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
          this.found.get(hypothesis.key) ?? this.refinement.refined(hypothesis, explanation, 0),
          keptNats,
        );
      }
  }

  /**
   * Beside another cause an open conductor and a bad connection in it show nearly the same. The bad one may have been
   * fitted with the loads of the other cause alone, which hide it: so it is fitted with those of the open one as well.
   */
  private *fitTwins(): Generator<undefined> {
    const near = this.state().explanations.filter(
      ({ hypothesis, logWeight }) =>
        hypothesis.causes.length > 1 && logWeight > this.best.logWeight - nearlyAsGood,
    );
    for (const explanation of near)
      for (const cause of explanation.hypothesis.causes) {
        const twin = poorTwinOf(cause, this.problem.causes);
        if (twin === undefined || this.isOver()) continue;
        const others = withoutCauses(explanation.hypothesis, (other) => other === cause, this.knownDevices);
        const hypothesis = withCause(others, twin);
        if (hypothesis === null || this.twinsFitted.has(hypothesis.key)) continue;
        this.twinsFitted.add(hypothesis.key);
        const { states } = this.evaluator.evidence;
        const fit = this.refinement.refined(hypothesis, explanation, 0, states, true);
        if (fit.logWeight > (this.found.get(hypothesis.key)?.logWeight ?? Number.NEGATIVE_INFINITY))
          this.keep(fit);
        yield undefined;
      }
  }

  /**
   * Where what leads is rare, two common causes together may come near it, of which neither by itself does: what each
   * leaves unexplained, the other must explain.
   */
  private *leadRivals(): Generator<undefined> {
    if (this.best.hypothesis.logPrior > rareLogOdds || this.asksForMore()) return;
    for (let rivals = 0; rivals < mostRivals; rivals += 1) {
      if (this.isOver()) return;
      const next = yield* this.nextParent(1, childTrusted);
      if (next === null) return;
      yield* this.expand(next, keptNats);
    }
  }

  /** Where what was led further gained by being fitted on, so may what was found beside it, and comes back into reach. */
  private *settleOthers(): Generator<undefined> {
    if (this.gainedBySettling < worthSettling) return;
    const least = this.best.logWeight - keptNats - this.gainedBySettling;
    for (const explanation of [...this.found.values()]) {
      const { hypothesis, logWeight } = explanation;
      if (hypothesis.causes.length > 1 || logWeight < least || this.expanded.has(hypothesis.key)) continue;
      if (this.isOver()) return;
      this.keep(this.refinement.settled(explanation, this.best.logWeight - keptNats - logWeight));
      yield undefined;
    }
  }

  /**
   * Each cause of what leads is held against the readings elsewhere with the same loads and ohms: let go with those of
   * another parent, it would be missing where it shows the same, and the place be surer than anything tells.
   */
  private *moveCauses(): Generator<undefined> {
    const { best } = this;
    for (const cause of best.hypothesis.causes) {
      const others = withoutCauses(best.hypothesis, (other) => other === cause, this.knownDevices);
      for (const twin of this.problem.causes) {
        if (twin === cause || twin.prior !== cause.prior) continue;
        if (this.isOver()) return;
        const hypothesis = withCause(others, twin);
        const moved = hypothesis && this.refinement.elsewhere(best, cause, hypothesis);
        if (moved === null) continue;
        const before = this.found.get(moved.hypothesis.key)?.logWeight ?? Number.NEGATIVE_INFINITY;
        if (moved.logWeight > before) this.keep(moved);
      }
      yield undefined;
    }
  }

  /** Holds an explanation with each further cause against the readings: first those that need no fitting of ohms. */
  private *expand(begun: Explanation, margin: number): Generator<undefined> {
    this.expanded.add(begun.hypothesis.key);
    const parent = this.refinement.inBestPattern(this.refinement.settled(begun));
    this.gainedBySettling = Math.max(this.gainedBySettling, parent.logWeight - begun.logWeight);
    this.keep(parent);
    const reference = this.evaluator.referenceOf(parent.fitted.supposed);
    // What is led further for a pair is let go where it cannot be listed: only of the sound circuit's children any may be half of one.
    const isSound = parent.hypothesis.causes.length === 0;
    this.refinement.leadFrom(parent, reference, isSound && this.asksForMore() ? ledNats : margin);
    this.screening.leadFrom(reference, parent.fitted.supposed);
    for (const isFitted of [false, true]) {
      const causes = this.problem.causes.filter(({ resistance }) => (resistance !== -1) === isFitted);
      const candidates = yield* this.screened(parent, causes, margin, reference);
      yield* this.refineAll(candidates);
    }
  }

  /** The hypotheses with one cause more that the screening does not refute, the most promising first. */
  private *screened(
    parent: Explanation,
    causes: readonly Cause[],
    margin: number,
    reference: Reference,
  ): Generator<undefined, readonly Candidate[]> {
    // Where loads were fitted to what is led further, they refute sooner than extremes of what they may be.
    const isFitted = this.problem.unknownLoads && parent.hypothesis.causes.length > 0;
    const { network } = this.problem;
    const candidates: Candidate[] = [];
    let slice = 0;
    for (const cause of causes) {
      const hypothesis = withCause(parent.hypothesis, cause);
      if (hypothesis === null || this.seen.has(hypothesis.key)) continue;
      if (this.screening.hasNothingToExplain(cause)) continue;
      const limit = hypothesis.logPrior - this.most + margin;
      if (limit < 0) continue;
      this.seen.add(hypothesis.key);
      this.boundsDone += 1;
      const states = this.screening.statesFrom(cause.site);
      const bound =
        isFitted && !hangOnLoads(network, cause.faults)
          ? reference.scatter
          : this.screening.bound(hypothesis, limit, states);
      slice += 1;
      if (slice % sliceBounds === 0) {
        yield undefined;
        if (this.isOver()) break;
      }
      if (bound > limit) continue;
      const candidate: Candidate = { hypothesis, parent, bound, states, most: hypothesis.logPrior - bound };
      candidates.push(candidate);
      if (hypothesis.causes.length === 1) this.parents.set(hypothesis.key, candidate);
    }
    return candidates.sort((a, b) => b.most - a.most);
  }

  private *refineAll(candidates: readonly Candidate[]): Generator<undefined> {
    let slice = 0;
    for (const { hypothesis, parent, most, bound, states } of candidates) {
      if (most < this.most - keptNats) return;
      this.keep(this.refinement.refined(hypothesis, parent, bound, states));
      // On a long run one fit may take as long as many on a short one.
      if (this.isOver()) return;
      slice += 1;
      if (slice % sliceFits === 0) yield undefined;
    }
  }

  private isOver(): boolean {
    if (this.boundsDone < this.limits.mostBounds && this.limits.isOver?.() !== true) return false;
    this.cutShort = true;
    return true;
  }

  private keep(explanation: Explanation): void {
    if (explanation.logWeight === Number.NEGATIVE_INFINITY) return;
    this.found.set(explanation.hypothesis.key, explanation);
    this.seen.add(explanation.hypothesis.key);
    if (explanation.logWeight > this.best.logWeight) this.best = explanation;
  }
  private asksForMore(): boolean {
    return leavesUnexplained(this.problem, this.evaluator, this.best.fitted);
  }
}
