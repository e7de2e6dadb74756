import type { Evaluator, Reference } from '../evidence/evaluator.ts';
import type { StateEvidence } from '../evidence/evidence.ts';
import type { DiagnosisProblem } from '../evidence/problem.ts';
import type { Cause } from '../model/cause.ts';
import type { Hypothesis } from '../model/hypothesis.ts';
import { balanced, hasTwoLegs, type LoadPattern, loadPatterns } from '../model/unknown-loads.ts';
import { afterRepair } from './after-repair.ts';
import { Beginning, creditedNats, nearNats, type Start, worthFitting } from './beginning.ts';
import { type Explanation, keptNats, ledNats } from './explanation.ts';
import { type Fitted, fitted } from './fitting.ts';
import { logSum } from './log-sum.ts';
import { startAmongLevels, startAsAsked } from './other-loads.ts';
import { inOtherPatterns, withItsLoads } from './own-loads.ts';
import { wattsLogShare } from './prior-shares.ts';

/**
 * What is led further and what begins with loads of its own is fitted where its first step promises what it lacks; a
 * child, where what its parent's loads let hope is enough.
 */
type Effort = 'led' | 'anew' | 'child';

/** Between the levels of watts that are tried, no other does better by more than so many nats. */
const betweenLevelsNats = 25;
/** Where the parent leaves so much unexplained, its loads may have been fitted for want of a bad connection that promises so much. */
const hidingNats = 12;
const muchPromised = 10;
/** Fits of what is led further, one after another, until it settles. */
const mostRounds = 4;
/** What falls so many nats short is not saved by other ohms or loads. */
const hopelessNats = 2000;
/**
 * Loads hide a cause and a cause hides loads, so they are fitted together to whatever may come out so near the best;
 * what cannot is judged with its parent's loads.
 */
const contenderNats = 6;
/** A fit takes a wrong reading for less wrong than it is: what comes out so much worse than it began has run away. */
const runAwayNats = 5;

/** Holds hypotheses against the readings, each with its loads and ohms as the readings have them. */
export class Refinement {
  private readonly beginning: Beginning;
  /** True where what is led further leaves little unexplained. */
  private parentFits = false;
  /** Nats by which it falls short, where its loads were fitted beside a cause; no end of them elsewhere. */
  private parentDeficit = Number.POSITIVE_INFINITY;
  /** So many nats below the best a child is let go. */
  private childKept = ledNats;
  private readonly hasTwoLegs: boolean;
  private readonly problem: DiagnosisProblem;
  private readonly evaluator: Evaluator;
  private readonly best: () => number;

  /** `best`: the weight of what leads so far, which tells what is worth fitting. */
  constructor(problem: DiagnosisProblem, evaluator: Evaluator, best: () => number) {
    this.problem = problem;
    this.evaluator = evaluator;
    this.best = best;
    this.beginning = new Beginning(problem, evaluator, best);
    this.hasTwoLegs = hasTwoLegs(problem.network);
  }

  /** Takes up what is led further: its children begin with its loads and ohms, and are let go so many nats below the best. */
  leadFrom(parent: Explanation, reference: Reference, kept: number): void {
    this.childKept = kept;
    this.beginning.leadFrom(parent, reference);
    this.parentFits = parent.fitted.deficit - reference.scatter < hidingNats;
    this.parentDeficit =
      parent.hypothesis.causes.length > 0 ? parent.fitted.deficit : Number.POSITIVE_INFINITY;
  }

  /** So many nats below the best a hypothesis is let go. */
  private keptFor(effort: Effort): number {
    if (effort === 'child') return this.childKept;
    return effort === 'led' ? ledNats : keptNats;
  }

  /** An explanation whose fit is led on until it settles, for all its children; left where the first step promises less than `least` nats. */
  settled(explanation: Explanation, least = 0): Explanation {
    const { problem, evaluator } = this;
    const { hypothesis } = explanation;
    let { fitted: fit, logWeight } = explanation;
    const { pattern } = fit;
    if (!problem.unknownLoads || pattern === null) return explanation;
    for (let round = 0; round < mostRounds; round += 1) {
      const from = { ...pattern, start: fit.watts };
      const next = fitted(evaluator, hypothesis, fit, from, true, round === 0 ? least : 0);
      const logShare = next.logShare + pattern.logOdds;
      const gained = logShare - next.deficit - fit.logShare + fit.deficit;
      if (gained < worthFitting) break;
      fit = { ...next, logShare, pattern };
      logWeight += gained;
    }
    return { hypothesis, fitted: fit, logWeight };
  }

  /** An explanation in whichever pattern of loads does best beside what was found to be on. */
  inBestPattern(explanation: Explanation): Explanation {
    const { problem, evaluator } = this;
    const { fitted: fit, logWeight } = explanation;
    const weightOf = (other: Fitted): number => other.logShare - other.deficit - fit.logShare + fit.deficit;
    return inOtherPatterns(problem, evaluator, explanation).reduce(
      (best, other) =>
        logWeight + weightOf(other) < best.logWeight + worthFitting
          ? best
          : { ...explanation, fitted: other, logWeight: logWeight + weightOf(other) },
      explanation,
    );
  }

  /** What leads with one of its causes elsewhere, its loads and ohms the same; null where these cannot be. */
  elsewhere(led: Explanation, cause: Cause, hypothesis: Hypothesis): Explanation | null {
    const fit = withItsLoads(this.problem, this.evaluator, led, cause, hypothesis);
    return fit === null ? null : this.explanation(hypothesis, [fit]);
  }

  /** A hypothesis with its loads and ohms as the readings have them, and its weight; fitted however far where it is led further. */
  refined(
    hypothesis: Hypothesis,
    parent: Explanation | null,
    bound: number,
    states: readonly StateEvidence[] = this.evaluator.evidence.states,
    isLed = false,
  ): Explanation {
    const { unknownLoads, network } = this.problem;
    if (parent !== null && !unknownLoads && hypothesis.resistances.length === 0)
      return this.explanation(hypothesis, [this.exact(hypothesis, parent.fitted.watts)]);
    const start = { ...this.beginning.startOf(hypothesis, parent), states };
    if (!unknownLoads) {
      const fit = this.fittedTo(hypothesis, start, null, bound, isLed ? 'led' : 'child');
      return this.explanation(hypothesis, [this.orAsAsked(fit, hypothesis, start, null, bound)]);
    }
    const patterns = loadPatterns(network, hypothesis, parent);
    const effort = isLed || parent === null ? 'led' : 'child';
    const fits = patterns.map((pattern) => {
      const own = { ...start, watts: pattern.start };
      const fit =
        patterns.length === 1
          ? this.fittedTo(hypothesis, own, pattern, bound, effort)
          : this.fittedApart(hypothesis, own, pattern, bound, isLed);
      const asked = this.orAsAsked(fit, hypothesis, own, pattern, bound);
      const best = this.orBalanced(asked, hypothesis, own, pattern, bound, parent);
      return { ...best, logShare: best.logShare + pattern.logOdds, pattern };
    });
    return this.explanation(hypothesis, fits);
  }

  /** A fit, or the one begun with the ohms that readings ask for which the parent does not account for, where that does better. */
  private orAsAsked(
    fit: Fitted,
    hypothesis: Hypothesis,
    start: Start,
    pattern: LoadPattern | null,
    bound: number,
  ): Fitted {
    const least = this.worthMore(fit, hypothesis);
    if (start.fresh.length === 0 || bound >= least) return fit;
    const { network, unknownLoads } = this.problem;
    const begun = startAsAsked(this.beginning, network, hypothesis, start, pattern, least + nearNats);
    if (begun === null) return fit;
    const { ohms, watts } = begun.start;
    const own = pattern === null ? null : { ...pattern, start: watts };
    const from = { ...fit, ohms, watts };
    const asked = fitted(this.evaluator, hypothesis, from, own, unknownLoads, begun.deficit - least);
    return asked.logShare - asked.deficit > fit.logShare - fit.deficit ? asked : fit;
  }

  /** Nats below which another start is worth fitting: it does better, and may come into a list. */
  private worthMore(fit: Fitted, { logPrior }: Hypothesis): number {
    return Math.min(fit.deficit - worthFitting, logPrior - this.best() + keptNats);
  }

  /** A fit, or the one begun with the same load at every outlet, where that does better. */
  private orBalanced(
    fit: Fitted,
    hypothesis: Hypothesis,
    start: Start,
    pattern: LoadPattern,
    bound: number,
    parent: Explanation | null,
  ): Fitted {
    const known = parent?.hypothesis.faults ?? [];
    const alike = balanced(this.problem.network, hypothesis, known, pattern);
    if (alike === null) return fit;
    // No loads do much better than ones that fit as well as scatter lets anything, and are likely.
    const mayGain = fit.deficit - this.beginning.reached(bound) - wattsLogShare(pattern, fit.watts);
    if (mayGain < worthFitting) return fit;
    const own = { ...start, watts: alike.start, isInherited: false };
    const begunSo = this.fittedTo(hypothesis, own, alike, bound, 'led');
    return begunSo.logShare - begunSo.deficit > fit.logShare - fit.deficit ? begunSo : fit;
  }

  /**
   * Fits one of several patterns of loads: what drags a floating conductor along matters in the large, so a few levels
   * of it are tried first, and what none of them brings near is left there.
   */
  private fittedApart(
    hypothesis: Hypothesis,
    start: Start,
    pattern: LoadPattern,
    bound: number,
    isLed: boolean,
  ): Fitted {
    const limit = hypothesis.logPrior + pattern.logOdds - this.best() + keptNats + betweenLevelsNats;
    const better = startAmongLevels(this.beginning, hypothesis, start, pattern, limit);
    if (better === null) return this.beginning.untried(hypothesis, start, pattern, limit);
    return this.fittedTo(
      hypothesis,
      better,
      { ...pattern, start: better.watts },
      bound,
      isLed ? 'led' : 'anew',
    );
  }

  private exact({ faults, deviceStates, instruments }: Hypothesis, watts: Float64Array): Fitted {
    const supposed = { faults, loads: this.problem.network.circuit.loads, deviceStates, instruments };
    const deficit = this.evaluator.deficit(supposed, false);
    const { scales } = this.evaluator.weighing;
    return { supposed, ohms: [], watts, scales, deficit, logShare: 0, pattern: null };
  }

  /**
   * Fits as much as is worth its time: nothing where the readings are explained as well as they can be; then ohms
   * alone; loads too only where these promise something and the hypothesis could come out near the best.
   */
  private fittedTo(
    hypothesis: Hypothesis,
    start: Start,
    pattern: LoadPattern | null,
    bound: number,
    effort: Effort,
  ): Fitted {
    const { unknownLoads } = this.problem;
    const most = hypothesis.logPrior - bound;
    const isFar = most < this.best() - contenderNats;
    const isChild = effort === 'child';
    // What no ohms bring near is taken for as good as screening leaves it: it never weighs less than its due.
    if (isFar && isChild && start.fresh.length > 0)
      return this.beginning.untried(hypothesis, start, pattern, bound);
    const begun = this.beginning.betterStart(hypothesis, start, pattern, bound, isChild);
    let { fit } = begun;
    // As good as scatter lets anything be, no other ohms or loads make it better.
    const reached = this.beginning.reached(bound);
    const isWorth = ({ deficit }: Fitted): boolean =>
      deficit > reached + worthFitting && deficit < bound + hopelessNats;
    if (!isWorth(fit)) return fit;
    const weightOf = ({ logShare, deficit }: Fitted): number => hypothesis.logPrior + logShare - deficit;
    /** Nats without which it is not kept; where loads split the volts of two legs, a step promises nothing from afar. */
    const lacking = (some: Fitted): number =>
      this.hasTwoLegs && effort === 'led' ? 0 : this.best() - this.keptFor(effort) - weightOf(some);
    const isHopeless = (some: Fitted, promised: number): boolean => isChild && promised < lacking(some);
    const isNear = (): boolean => !isChild || weightOf(fit) > this.best() - nearNats;
    const onward = (some: Fitted): Fitted => {
      const next = fitted(this.evaluator, hypothesis, some, pattern, unknownLoads, lacking(some));
      return weightOf(next) < weightOf(some) - runAwayNats ? some : next;
    };
    // Of a little, half is kept: as much as a quadratic does.
    const credited = (promised: number): Fitted => ({ ...fit, deficit: fit.deficit - promised / 2 });
    if (start.fresh.length > 0) {
      // Beside loads that were fitted with a cause, what shows nothing that is missing gains little by other ohms and loads.
      const showsNothing = isChild && !begun.isKnown && fit.deficit > this.parentDeficit - worthFitting;
      if (showsNothing && lacking(fit) > muchPromised) return fit;
      if (begun.isKnown) {
        const promised = this.beginning.promised(fit, start, pattern);
        if (isHopeless(fit, promised)) return fit;
        if (promised <= creditedNats) return credited(promised);
      } else {
        const byLoads = this.parentFits ? muchPromised : hidingNats + muchPromised;
        const least = this.hasTwoLegs && !isChild ? 0 : lacking(fit) - byLoads;
        fit = fitted(this.evaluator, hypothesis, fit, null, unknownLoads, least);
      }
      if (pattern === null || isFar || !isWorth(fit)) return fit;
      // Its parent's loads may have been fitted for want of it.
      if (!isNear()) {
        const promised = this.beginning.promised(fit, start, pattern);
        if (isHopeless(fit, promised) && (this.parentFits || promised < muchPromised)) return fit;
      }
      return onward(fit);
    }
    const promised = this.beginning.promised(fit, start, pattern);
    if (isHopeless(fit, promised)) return fit;
    if (promised <= creditedNats) return credited(promised);
    if (pattern === null && hypothesis.resistances.length === 0) return fit;
    // The loads of its parent may have been fitted for want of it: others bring it near.
    const isInReach = (): boolean => isNear() || weightOf(fit) + promised > this.best() - keptNats;
    if (pattern !== null && (isFar || !isInReach())) return fit;
    return onward(fit);
  }

  private explanation(hypothesis: Hypothesis, fits: readonly Fitted[]): Explanation {
    const { problem, evaluator } = this;
    const weights = fits.map(({ deficit, logShare }) => logShare - deficit);
    const [leading] = fits.toSorted((a, b) => b.logShare - b.deficit - (a.logShare - a.deficit));
    if (leading === undefined) throw new Error('no pattern of loads was tried');
    const logWeight =
      hypothesis.logPrior + logSum(weights) + afterRepair(problem, evaluator, hypothesis, leading);
    return { hypothesis, fitted: leading, logWeight };
  }
}
