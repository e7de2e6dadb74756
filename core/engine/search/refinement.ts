import type { Fault } from '../../faults/index.ts';
import type { Evaluator, Reference } from '../evidence/evaluator.ts';
import type { DiagnosisProblem } from '../evidence/problem.ts';
import type { Hypothesis } from '../model/hypothesis.ts';
import {
  alikeIn,
  balanced,
  type LoadPattern,
  leastWatts,
  loadPatterns,
  smallLoadWatts,
} from '../model/unknown-loads.ts';
import { afterRepair } from './after-repair.ts';
import { type Explanation, keptNats } from './explanation.ts';
import { FitGain } from './fit-gain.ts';
import { type Fitted, fitted, unfitted } from './fitting.ts';
import { logSum } from './log-sum.ts';
import { leastOhms, middleOhms, sampleOhms, wattsLogShare } from './prior-shares.ts';

// Longer than other files: where a fit begins, how far it is led and what it is credited with hang on the same limits.

/** Where a fit begins. */
interface Start {
  readonly ohms: readonly number[];
  readonly watts: Float64Array;
  /** The pattern of loads that the parent was fitted in. */
  readonly pattern: LoadPattern | null;
  /** Positions among the ohms that the parent knows nothing of. */
  readonly fresh: readonly number[];
  /** Logarithm of the share of the prior that does about as well as the parent's ohms. */
  readonly ohmsLogShare: number;
  /** True where loads and ohms are those of what is led further. */
  readonly isInherited: boolean;
}

/** A fit is worth its time where the loads and ohms of the parent fall so many nats short of what may be reached. */
const worthFitting = 1;
/** Watts at each outlet that drags a floating conductor along; between these, no other does better by more than so many nats. */
const levelsOfWatts = [smallLoadWatts, leastWatts, 250] as const;
const betweenLevelsNats = 25;
/** Where the parent leaves so much unexplained, its loads may have been fitted for want of a bad connection that promises so much. */
const hidingNats = 12;
const muchPromised = 10;
/** What other loads and ohms promise is credited without a fit up to so many nats. */
const creditedNats = 3;
/**
 * Loads of so many watts together may have been fitted for want of a bad connection: then a fit of one may also begin
 * with these watts at every outlet, and these ohms.
 */
const muchLoad = 100;
const lightWatts = [0, 50] as const;
const lightOhms = [leastOhms, 0.4, 30, 1e4] as const;
/** Ohms that fall so many nats short of the best ones add nothing to their share. */
const negligibleNats = 7;
/** Ohms that fall so many nats short are not looked at to the end. */
const farNats = 60;
/** What falls so many nats short is not saved by other ohms or loads. */
const hopelessNats = 2000;
/** Where loads change volts but little, what falls short by more stays there whatever they are. */
const nearNats = 10;
/**
 * Loads hide a cause and a cause hides loads, so they are fitted together to whatever may come out so near the best;
 * what cannot is judged with its parent's loads.
 */
const contenderNats = 6;
/** Holds hypotheses against the readings, each with its loads and ohms as the readings have them. */
export class Refinement {
  private reference: Reference | null = null;
  private led: Explanation | null = null;
  private gain: FitGain | null = null;
  /** True where what is led further leaves little unexplained. */
  private parentFits = false;
  /** Watts of all that is on in what is led further. */
  private wattsLed = 0;
  private readonly problem: DiagnosisProblem;
  private readonly evaluator: Evaluator;
  private readonly best: () => number;

  /** `best`: the weight of what leads so far, which tells what is worth fitting. */
  constructor(problem: DiagnosisProblem, evaluator: Evaluator, best: () => number) {
    this.problem = problem;
    this.evaluator = evaluator;
    this.best = best;
  }

  /** Takes up what is led further: its children begin with its loads and ohms. */
  leadFrom(parent: Explanation, reference: Reference): void {
    this.reference = reference;
    this.led = parent;
    this.gain = null;
    this.parentFits = parent.fitted.deficit - reference.scatter < hidingNats;
    this.wattsLed = parent.fitted.watts.reduce((sum, each) => sum + each, 0);
  }

  /** A hypothesis with its loads and ohms as the readings have them, and its weight; fitted however far where it is led further. */
  refined(hypothesis: Hypothesis, parent: Explanation | null, bound: number, isLed = false): Explanation {
    const { unknownLoads, network } = this.problem;
    if (parent !== null && !unknownLoads && hypothesis.resistances.length === 0)
      return this.explanation(hypothesis, [this.exact(hypothesis, parent.fitted.watts)]);
    const start = this.startOf(hypothesis, parent);
    if (!unknownLoads)
      return this.explanation(hypothesis, [this.fittedTo(hypothesis, start, null, bound, isLed)]);
    const patterns = loadPatterns(network, hypothesis, parent);
    const mustFit = isLed || patterns.length > 1 || parent === null;
    const fits = patterns.map((pattern) => {
      const own = { ...start, watts: pattern.start };
      const fit =
        patterns.length === 1
          ? this.fittedTo(hypothesis, own, pattern, bound, mustFit)
          : this.fittedApart(hypothesis, own, pattern, bound);
      const best = this.orBalanced(fit, hypothesis, own, pattern, bound, parent);
      return { ...best, logShare: best.logShare + pattern.logOdds, pattern };
    });
    return this.explanation(hypothesis, fits);
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
    const other =
      balanced(this.problem.network, hypothesis, known, pattern) ??
      this.lightlyLoaded(fit, hypothesis, start, pattern, bound);
    if (other === null) return fit;
    const own = { ...start, watts: other.start, isInherited: false };
    const begunSo = this.fittedTo(hypothesis, own, other, bound, true);
    return begunSo.logShare - begunSo.deficit > fit.logShare - fit.deficit ? begunSo : fit;
  }

  /**
   * Loads that were fitted for want of a bad connection keep a fit that begins with them from it: where it does better
   * with little on everywhere, before anything is fitted, it is begun so too.
   */
  private lightlyLoaded(
    fit: Fitted,
    hypothesis: Hypothesis,
    start: Start,
    pattern: LoadPattern,
    bound: number,
  ): LoadPattern | null {
    if (start.fresh.length === 0 || this.wattsLed < muchLoad) return null;
    const listed = hypothesis.logPrior - this.best() + keptNats;
    let least = Math.min(fit.deficit - worthFitting, listed);
    if (bound >= least) return null;
    let found: LoadPattern | null = null;
    for (const level of lightWatts) {
      const watts = alikeIn(pattern, level);
      for (const tried of lightOhms) {
        const ohms = start.ohms.map((known, which) => (start.fresh.includes(which) ? tried : known));
        const { deficit } = this.asStarted(hypothesis, { ...start, ohms, watts }, pattern, least);
        if (deficit >= least) continue;
        least = deficit;
        found = { ...pattern, start: watts };
      }
    }
    return found;
  }

  /**
   * Fits one of several patterns of loads: what drags a floating conductor along matters in the large, so a few levels
   * of it are tried first, and what none of them brings near is left there.
   */
  private fittedApart(hypothesis: Hypothesis, start: Start, pattern: LoadPattern, bound: number): Fitted {
    const before = start.pattern?.lower;
    const isNewlyOn = pattern.lower.map((watts, outlet) =>
      watts > 0 && (before?.[outlet] ?? 0) === 0 ? 1 : 0,
    );
    const isOn = isNewlyOn.includes(1);
    const limit = hypothesis.logPrior + pattern.logOdds - this.best() + keptNats + betweenLevelsNats;
    let better: Start | null = null;
    let least = limit;
    for (const level of isOn ? levelsOfWatts : [0]) {
      const watts = start.watts.map((known, outlet) => (isNewlyOn[outlet] === 1 ? level : known));
      const { deficit, logShare } = this.asStarted(hypothesis, { ...start, watts }, pattern, least);
      if (deficit - logShare >= least) continue;
      least = deficit - logShare;
      better = { ...start, watts };
    }
    if (better === null) return { ...this.asStarted(hypothesis, start, pattern, 0), deficit: limit };
    const own = { ...better, isInherited: better.isInherited && !isOn };
    return this.fittedTo(hypothesis, own, { ...pattern, start: better.watts }, bound, true);
  }

  private exact({ faults, deviceStates, instruments }: Hypothesis, watts: Float64Array): Fitted {
    const supposed = { faults, loads: this.problem.network.circuit.loads, deviceStates, instruments };
    const deficit = this.evaluator.deficit(supposed, false);
    const { scale } = this.evaluator.weighing;
    return { supposed, ohms: [], watts, scale, deficit, logShare: 0, pattern: null };
  }

  /** The ohms of the parent where there is one, middling ones elsewhere. */
  private startOf(hypothesis: Hypothesis, parent: Explanation | null): Start {
    const { network } = this.problem;
    const watts = parent?.fitted.watts ?? new Float64Array(network.outlets.length);
    const fresh: number[] = [];
    const ohms = hypothesis.resistances.map((position, which) => {
      const before = parent?.hypothesis.faults.indexOf(hypothesis.faults[position] as Fault) ?? -1;
      const known = parent?.fitted.ohms[parent.hypothesis.resistances.indexOf(before)];
      if (known === undefined) fresh.push(which);
      return known ?? middleOhms;
    });
    const { pattern = null, logShare = 0 } = parent?.fitted ?? {};
    const ohmsLogShare = logShare - (pattern?.logOdds ?? 0) - wattsLogShare(pattern, watts);
    return { ohms, watts, pattern, fresh, ohmsLogShare, isInherited: parent !== null && parent === this.led };
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
    mustFit: boolean,
  ): Fitted {
    const { unknownLoads } = this.problem;
    const most = hypothesis.logPrior - bound;
    const isFar = most < this.best() - contenderNats;
    // What no ohms bring near is taken for as good as screening leaves it: it never weighs less than its due.
    if (isFar && !mustFit && start.fresh.length > 0)
      return { ...this.asStarted(hypothesis, start, pattern, bound), deficit: bound };
    let fit = this.betterStart(hypothesis, start, pattern, bound);
    // As good as scatter lets anything be, no other ohms or loads make it better.
    const reached = Math.max(bound, this.reference?.scatter ?? bound);
    const isWorth = ({ deficit }: Fitted): boolean =>
      deficit > reached + worthFitting && deficit < bound + hopelessNats;
    if (!isWorth(fit)) return fit;
    const weightOf = ({ logShare, deficit }: Fitted): number => hypothesis.logPrior + logShare - deficit;
    const isHopeless = (some: Fitted, promised: number): boolean =>
      !mustFit && weightOf(some) + promised < this.best() - keptNats;
    const isNear = (): boolean => mustFit || weightOf(fit) > this.best() - nearNats;
    if (start.fresh.length > 0) {
      const isLeast = start.fresh.every((which) => fit.ohms[which] === leastOhms);
      if (isLeast && isHopeless(fit, this.promised(fit, start, pattern))) return fit;
      fit = fitted(this.evaluator, hypothesis, fit, null, unknownLoads);
      if (pattern === null || isFar || !isWorth(fit)) return fit;
      // Its parent's loads may have been fitted for want of it.
      if (!isNear()) {
        const promised = this.promised(fit, start, pattern);
        if (isHopeless(fit, promised) && (this.parentFits || promised < muchPromised)) return fit;
      }
      return fitted(this.evaluator, hypothesis, fit, pattern, unknownLoads);
    }
    const promised = this.promised(fit, start, pattern);
    if (isHopeless(fit, promised)) return fit;
    // Of a little, half is kept: as much as a quadratic does.
    if (promised <= creditedNats) return { ...fit, deficit: fit.deficit - promised / 2 };
    if (pattern === null && hypothesis.resistances.length === 0) return fit;
    if (pattern !== null && (isFar || !isNear())) return fit;
    return fitted(this.evaluator, hypothesis, fit, pattern, unknownLoads);
  }

  /** Nats that other loads and ohms than the parent's promise at the most; no end of them where nothing is known. */
  private promised({ supposed, scale }: Fitted, { isInherited }: Start, pattern: LoadPattern | null): number {
    const { led, evaluator, problem } = this;
    if (!isInherited || led === null) return Number.POSITIVE_INFINITY;
    this.gain ??= new FitGain(evaluator, led, problem.unknownLoads);
    evaluator.deficit(supposed, false, Number.POSITIVE_INFINITY, this.reference);
    return this.gain.promised(scale, pattern);
  }

  /** As it starts, nothing fitted; not looked at to the end once beyond the limit. */
  private asStarted(
    hypothesis: Hypothesis,
    start: Start,
    pattern: LoadPattern | null,
    limit: number,
  ): Fitted {
    const { evaluator, reference, problem } = this;
    const { ohms, watts } = start;
    const fit = unfitted(evaluator, hypothesis, ohms, watts, problem.unknownLoads, reference, limit);
    return { ...fit, logShare: start.ohmsLogShare + wattsLogShare(pattern, watts) };
  }

  /**
   * As it starts where that will do, else with those of a few ohms that do best, from which to fit; with the share of
   * the prior that does about as well.
   */
  private betterStart(
    hypothesis: Hypothesis,
    start: Start,
    pattern: LoadPattern | null,
    bound: number,
  ): Fitted {
    const reached = Math.max(bound, this.reference?.scatter ?? bound);
    const far = start.fresh.length === 0 ? Number.POSITIVE_INFINITY : reached + farNats;
    let best = this.asStarted(hypothesis, start, pattern, far);
    if (best.deficit < reached + worthFitting) return best;
    let logShare = best.logShare;
    for (const which of start.fresh) {
      const from = best.ohms;
      const tried: { readonly share: number; readonly fit: Fitted }[] = [];
      let least = Number.POSITIVE_INFINITY;
      for (const { ohms, share } of sampleOhms) {
        const so = from.map((one, position) => (position === which ? ohms : one));
        const limit = Math.min(best.deficit, far) + 2 * negligibleNats;
        const fit = this.asStarted(hypothesis, { ...start, ohms: so }, pattern, limit);
        tried.push({ share, fit });
        least = Math.min(least, fit.deficit);
        if (fit.deficit < best.deficit) best = fit;
        // Past the best ohms it gets worse and worse.
        if (fit.deficit > least + negligibleNats) break;
      }
      const known = tried.filter(({ fit }) => fit.deficit < Number.POSITIVE_INFINITY);
      if (known.length > 0)
        logShare += logSum(known.map(({ share, fit }) => Math.log(share) - fit.deficit + best.deficit));
    }
    return best.deficit < Number.POSITIVE_INFINITY
      ? { ...best, logShare }
      : this.asStarted(hypothesis, start, pattern, Number.POSITIVE_INFINITY);
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
