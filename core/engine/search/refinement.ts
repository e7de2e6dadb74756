import { withOhms } from '../../faults/index.ts';
import type { DeviceState } from '../../physics/index.ts';
import type { Evaluator, Reference } from '../evidence/evaluator.ts';
import type { DiagnosisProblem } from '../evidence/problem.ts';
import { type Hypothesis, soundHypothesis, withoutCauses } from '../model/hypothesis.ts';
import { type LoadPattern, loadPatterns } from '../model/unknown-loads.ts';
import { type Fitted, fitted, middleOhms, sampleOhms, unfitted } from './fitting.ts';

/** A hypothesis that was held against the readings. */
export interface Explanation {
  readonly hypothesis: Hypothesis;
  readonly fitted: Fitted;
  /** Logarithm of prior times likelihood, up to a constant of the question. */
  readonly logWeight: number;
}

/** A fit is worth its time where the loads and ohms of the parent fall so many nats short of what may be reached. */
const worthFitting = 1;
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
/** A repair that was made puts a cause right in so many cases. */
const repairSucceeds = 0.7;

const logSum = (values: readonly number[]): number => {
  const most = Math.max(...values);
  return most === Number.NEGATIVE_INFINITY
    ? most
    : most + Math.log(values.reduce((sum, value) => sum + Math.exp(value - most), 0));
};

/** Holds hypotheses against the readings, each with its loads and ohms as the readings have them. */
export class Refinement {
  /** Nearest to which what is fitted begins. */
  reference: Reference | null = null;
  private readonly problem: DiagnosisProblem;
  private readonly evaluator: Evaluator;
  private readonly best: () => number;
  private readonly knownDevices: readonly DeviceState[];

  /** `best`: the weight of what leads so far, which tells what is worth fitting. */
  constructor(problem: DiagnosisProblem, evaluator: Evaluator, best: () => number) {
    this.problem = problem;
    this.evaluator = evaluator;
    this.best = best;
    this.knownDevices = soundHypothesis(problem.network).deviceStates;
  }

  /** A hypothesis with its loads and ohms as the readings have them, and its weight; fitted however far where it is led further. */
  refined(hypothesis: Hypothesis, parent: Explanation | null, bound: number, isLed = false): Explanation {
    const { unknownLoads, network } = this.problem;
    const isExact = parent !== null && !unknownLoads && hypothesis.resistances.length === 0;
    const watts = parent?.fitted.watts ?? new Float64Array(network.outlets.length);
    if (isExact) {
      const supposed = {
        faults: hypothesis.faults,
        loads: network.circuit.loads,
        deviceStates: hypothesis.deviceStates,
        instruments: hypothesis.instruments,
      };
      const deficit = this.evaluator.deficit(supposed, false);
      const { scale } = this.evaluator.weighing;
      return this.explanation(hypothesis, [
        { supposed, ohms: [], watts, scale, deficit, logShare: 0, pattern: null },
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
    const { unknownLoads } = this.problem;
    const most = hypothesis.logPrior - bound;
    const isFar = most < this.best() - contenderNats;
    // What no ohms bring near is taken for as good as screening leaves it: it never weighs less than its due.
    if (isFar && !mustFit && hypothesis.resistances.length > 0)
      return { ...this.middling(hypothesis, watts, bound), deficit: bound };
    let fit = this.betterStart(hypothesis, watts, bound);
    // As good as scatter lets anything be, no other ohms or loads make it better.
    const reached = Math.max(bound, this.reference?.scatter ?? bound);
    const isWorth = (): boolean => fit.deficit > reached + worthFitting && fit.deficit < bound + hopelessNats;
    if (hypothesis.resistances.length > 0 && isWorth())
      fit = fitted(this.evaluator, hypothesis, fit, null, unknownLoads);
    if (pattern === null || !isWorth()) return fit;
    const weight = hypothesis.logPrior + fit.logShare - fit.deficit;
    const isNear = mustFit || weight > this.best() - nearNats;
    if (isFar || !isNear) return fit;
    return fitted(this.evaluator, hypothesis, fit, pattern, unknownLoads);
  }

  /** With middling ohms and nothing fitted; not looked at to the end once beyond the limit. */
  private middling(hypothesis: Hypothesis, watts: Float64Array, limit: number): Fitted {
    const { unknownLoads } = this.problem;
    const ohms = middleOhms(hypothesis);
    return unfitted(this.evaluator, hypothesis, ohms, watts, unknownLoads, this.reference, limit);
  }

  /**
   * Middling ohms where these will do, else those of a few that do best, from which to fit; with the share of the prior
   * that does about as well.
   */
  private betterStart(hypothesis: Hypothesis, watts: Float64Array, bound: number): Fitted {
    const { unknownLoads } = this.problem;
    const reached = Math.max(bound, this.reference?.scatter ?? bound);
    const at = (ohms: readonly number[], limit: number): Fitted =>
      unfitted(this.evaluator, hypothesis, ohms, watts, unknownLoads, this.reference, limit);
    const far = hypothesis.resistances.length === 0 ? Number.POSITIVE_INFINITY : reached + farNats;
    let best = this.middling(hypothesis, watts, far);
    if (best.deficit < reached + worthFitting) return best;
    let logShare = 0;
    hypothesis.resistances.forEach((_, which) => {
      const from = best.ohms;
      const tried: { readonly share: number; readonly fit: Fitted }[] = [];
      let least = Number.POSITIVE_INFINITY;
      for (const { ohms, share } of sampleOhms) {
        const fit = at(
          from.map((one, position) => (position === which ? ohms : one)),
          Math.min(best.deficit, far) + 2 * negligibleNats,
        );
        tried.push({ share, fit });
        least = Math.min(least, fit.deficit);
        if (fit.deficit < best.deficit) best = fit;
        // Past the best ohms it gets worse and worse.
        if (fit.deficit > least + negligibleNats) break;
      }
      const known = tried.filter(({ fit }) => fit.deficit < Number.POSITIVE_INFINITY);
      if (known.length > 0)
        logShare += logSum(known.map(({ share, fit }) => Math.log(share) - fit.deficit + best.deficit));
    });
    return best.deficit < Number.POSITIVE_INFINITY
      ? { ...best, logShare }
      : this.middling(hypothesis, watts, Number.POSITIVE_INFINITY);
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
    const { evidence } = this.problem;
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
        return withOhms(fault, (before) => ohms[fittedAs] ?? before);
      });
      const deficit = this.evaluator.deficit(
        {
          faults,
          loads: supposed.loads,
          deviceStates: left.deviceStates,
          instruments: hypothesis.instruments,
        },
        true,
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
