import type { Fault } from '../../faults/index.ts';
import type { Evaluator, Reference, Supposed } from '../evidence/evaluator.ts';
import type { StateEvidence } from '../evidence/evidence.ts';
import type { DiagnosisProblem } from '../evidence/problem.ts';
import type { Hypothesis } from '../model/hypothesis.ts';
import { evenly } from '../model/scales.ts';
import type { LoadPattern } from '../model/unknown-loads.ts';
import { askedOhms } from './asked-ohms.ts';
import type { Explanation } from './explanation.ts';
import { FitGain } from './fit-gain.ts';
import { type Fitted, unfitted } from './fitting.ts';
import { supposedWith } from './free-quantities.ts';
import { middleOhms, sampleOhms, wattsLogShare } from './prior-shares.ts';
import { type OhmsTried, shareOfOhms } from './share-of-ohms.ts';

/** Where a fit begins. */
export interface Start {
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
  /** What was read, the most telling first. */
  readonly states: readonly StateEvidence[];
}

/** Where a fit begins, with the best of a few ohms; known where these tell all that a fit of ohms would. */
export interface Begun {
  readonly fit: Fitted;
  readonly isKnown: boolean;
}

/** A fit is worth its time where the loads and ohms of the parent fall so many nats short of what may be reached. */
export const worthFitting = 1;
/** What other loads and ohms promise is credited without a fit up to so many nats. */
export const creditedNats = 3;
/** Ohms that fall so many nats short of the best ones add nothing to their share. */
const negligibleNats = 7;
/** Ohms that fall so many nats short are not looked at to the end. */
const farNats = 60;
/** What falls short by no more with the loads of its parent is fitted whatever others promise. */
export const nearNats = 10;
/** What falls short by more with the loads of its parent stays there whatever they are. */
const hopefulNats = 30;

/** Where fits of hypotheses begin: with the loads and ohms of what is led further, or, where that knows none, a few ohms. */
export class Beginning {
  private reference: Reference | null = null;
  private led: Explanation | null = null;
  private gain: FitGain | null = null;
  /** What the evaluator predicted last. */
  private predicted: Supposed | null = null;
  private readonly problem: DiagnosisProblem;
  private readonly evaluator: Evaluator;
  private readonly best: () => number;

  constructor(problem: DiagnosisProblem, evaluator: Evaluator, best: () => number) {
    this.problem = problem;
    this.evaluator = evaluator;
    this.best = best;
  }

  /** Takes up what is led further. */
  leadFrom(parent: Explanation, reference: Reference): void {
    this.reference = reference;
    this.led = parent;
    this.gain = null;
  }

  /** Nats that no loads and ohms get below: a bound, or what scatter leaves of what is led further. */
  reached(bound: number): number {
    return Math.max(bound, this.reference?.scatter ?? bound);
  }

  /** The ohms of the parent where there is one, middling ones elsewhere. */
  startOf(hypothesis: Hypothesis, parent: Explanation | null): Omit<Start, 'states'> {
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

  /** Nats that other loads and ohms than the parent's promise at the most; no end of them where nothing is known. */
  promised({ supposed, scales }: Fitted, { isInherited }: Start, pattern: LoadPattern | null): number {
    const { led, evaluator, problem } = this;
    if (!isInherited || led === null) return Number.POSITIVE_INFINITY;
    if (this.gain === null) {
      this.gain = new FitGain(evaluator, led, problem.unknownLoads);
      this.predicted = null;
    }
    if (this.predicted !== supposed)
      evaluator.deficit(supposed, false, Number.POSITIVE_INFINITY, this.reference);
    this.predicted = supposed;
    return this.gain.promised(scales, pattern);
  }

  /** Ohms of what bad connections the parent knows nothing of, the same of all, as what it does not account for at the outlets fed through them asks for them, or of that what was read at rest. */
  ohmsAsked(
    hypothesis: Hypothesis,
    { ohms, watts, fresh }: Start,
    fed: ReadonlySet<number>,
    atRest: boolean,
  ): readonly (readonly number[])[] {
    const { evaluator, reference, problem } = this;
    if (fresh.length === 0 || reference === null || reference.misfits.size === 0) return [];
    this.predicted = null;
    const withOhms = (asked: number): readonly number[] =>
      ohms.map((known, which) => (fresh.includes(which) ? asked : known));
    const supposedAt = (asked: number): Supposed =>
      supposedWith(problem.network, hypothesis, withOhms(asked), watts, problem.unknownLoads);
    const misfits = { of: reference.misfits, at: fed, atRest };
    return askedOhms(evaluator, supposedAt, misfits, reference.scales).map(withOhms);
  }

  /** As it starts, taken to fall short by so many nats without a look at it. */
  untried(
    hypothesis: Hypothesis,
    { ohms, watts, ohmsLogShare }: Start,
    pattern: LoadPattern | null,
    deficit: number,
  ): Fitted {
    const { network, unknownLoads } = this.problem;
    return {
      supposed: supposedWith(network, hypothesis, ohms, watts, unknownLoads),
      ohms,
      watts,
      scales: this.reference?.scales ?? evenly(1),
      deficit,
      logShare: ohmsLogShare + wattsLogShare(pattern, watts),
      pattern: null,
    };
  }

  /** As it starts, nothing fitted; not looked at to the end once beyond the limit. */
  asStarted(hypothesis: Hypothesis, start: Start, pattern: LoadPattern | null, limit: number): Fitted {
    const { evaluator, reference, problem } = this;
    const { ohms, watts } = start;
    const fit = unfitted(
      evaluator,
      hypothesis,
      ohms,
      watts,
      problem.unknownLoads,
      reference,
      limit,
      start.states,
    );
    this.predicted = fit.supposed;
    return { ...fit, logShare: start.ohmsLogShare + wattsLogShare(pattern, watts) };
  }

  /**
   * As it starts where that will do, else with those of a few ohms that do best, from which to fit; with the share of
   * the prior that does about as well.
   */
  betterStart(
    hypothesis: Hypothesis,
    start: Start,
    pattern: LoadPattern | null,
    bound: number,
    isChild: boolean,
  ): Begun {
    const reached = this.reached(bound);
    if (start.fresh.length === 0)
      return {
        fit: this.asStarted(hypothesis, start, pattern, this.limitOf(hypothesis, start, pattern, isChild)),
        isKnown: true,
      };
    const far = reached + farNats;
    const inTheMiddle = this.asStarted(hypothesis, start, pattern, far);
    if (inTheMiddle.deficit < reached + worthFitting) return { fit: inTheMiddle, isKnown: false };
    let best = inTheMiddle;
    let { logShare } = best;
    let isKnown = false;
    for (const which of start.fresh) {
      const from = best;
      const curve: OhmsTried[] = [];
      let least = Number.POSITIVE_INFINITY;
      for (const { ohms } of sampleOhms) {
        const so = from.ohms.map((one, position) => (position === which ? ohms : one));
        const limit = Math.min(best.deficit, far) + 2 * negligibleNats;
        const isKnownHere = Math.abs(ohms - (from.ohms[which] ?? 0)) < 1e-9;
        const fit = isKnownHere ? from : this.asStarted(hypothesis, { ...start, ohms: so }, pattern, limit);
        curve.push({ ohms, deficit: fit.deficit });
        least = Math.min(least, fit.deficit);
        if (fit.deficit < best.deficit) best = fit;
        // Past the best ohms it gets worse and worse.
        if (fit.deficit > least + negligibleNats) break;
      }
      const none = start.isInherited ? (this.led?.fitted.deficit ?? null) : null;
      const shared = shareOfOhms(curve, none, best.deficit);
      logShare += shared.logShare;
      isKnown = shared.isKnown && start.fresh.length === 1;
    }
    return best.deficit < Number.POSITIVE_INFINITY
      ? { fit: { ...best, logShare }, isKnown }
      : { fit: this.asStarted(hypothesis, start, pattern, Number.POSITIVE_INFINITY), isKnown: false };
  }

  /** Nats beyond which the loads of its parent make a child that no other loads bring near. */
  private limitOf(
    { logPrior }: Hypothesis,
    { isInherited, ohmsLogShare, watts }: Start,
    pattern: LoadPattern | null,
    isChild: boolean,
  ): number {
    if (!isChild || pattern === null || !isInherited) return Number.POSITIVE_INFINITY;
    const logShare = ohmsLogShare + wattsLogShare(pattern, watts);
    return logPrior + logShare - this.best() + hopefulNats;
  }
}
