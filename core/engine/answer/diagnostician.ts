import type { Fault } from '../../faults/index.ts';
import { instrumentIds } from '../../instruments/index.ts';
import { conditionIds } from '../../knowledge/index.ts';
import type { Network } from '../../physics/index.ts';
import { premisesOf, problemOf } from '../evidence/problem.ts';
import { withoutCauses } from '../model/hypothesis.ts';
import type { InstrumentFault } from '../model/instrument-fault.ts';
import { Search, type SearchLimits, usualLimits } from '../search/search.ts';
import { asCutShort, unaccountedFor, withOwnDanger } from './cut-short.ts';
import { compareReadings, type ReadingComparison } from './evidence-table.ts';
import { Families, foundOnTwoLegs, type SharedNeutral, type TwoLegs, weightOf } from './families.ts';
import type { Misfit } from './foresight.ts';
import { type Localization, localize } from './localization.ts';
import { nextTests } from './next-test.ts';
import { type Found, type OutletOpinion, posteriorOf, type WeighedExplanation } from './posterior.ts';
import { foresightOf, foundBy, type Known, type Taken, type Wiring, wiringOf } from './wiring.ts';
import type { NextTest } from './worth.ts';

export interface OutletDiagnosis extends OutletOpinion {
  readonly next: NextTest | null;
}

/** One cause of the leading explanation: what it is, where it may sit, and what it takes along. */
export interface LocatedCause {
  /** With ohms as fitted. */
  readonly faults: readonly Fault[];
  readonly place: Localization | null;
  /** Outlets that are not correct on its account, were it there alone. */
  readonly affected: readonly string[];
}

/** An answer: final, or the best so far. */
export interface Diagnosis {
  readonly kind: 'diagnosis';
  /** The most probable first. */
  readonly explanations: readonly WeighedExplanation[];
  readonly outlets: readonly OutletDiagnosis[];
  /** Causes of the leading explanation, what does most harm first, with their places. */
  readonly causes: readonly LocatedCause[];
  /** Where the first of them sits; null where the circuit is held to be sound. */
  readonly localization: Localization | null;
  readonly misfits: readonly Misfit[];
  /** Instruments that the leading explanation holds not to work. */
  readonly instruments: readonly InstrumentFault[];
  /** The best test for the circuit as a whole. */
  readonly next: NextTest | null;
  /** Each reading beside what the leading explanation predicts. */
  readonly table: readonly ReadingComparison[];
  readonly isFinal: boolean;
  /** True where there was no time to try all that the readings ask for. */
  readonly stoppedEarly: boolean;
}

/** Explanations that an early answer is made from. */
const mostEarly = 40;
/** Slices of work between early answers: what leads changes often at first, and nobody reads so fast. */
const slicesBetween = 8;

/** Diagnoses one circuit, reading after reading. */
export class Diagnostician {
  private readonly known: Known;
  private readonly written: Wiring;
  private readonly families: Families;

  get network(): Network {
    return this.written.premises.network;
  }

  constructor(known: Known) {
    this.known = known;
    this.written = wiringOf(premisesOf(known));
    this.families = new Families(known);
  }

  /**
   * Answers in steps: yields null after each slice of work (so that others may run, or the caller stop), and an early
   * answer once common causes were tried; returns the final one.
   */
  *diagnosing(taken: Taken, limits: SearchLimits = usualLimits): Generator<Diagnosis | null, Diagnosis> {
    const problem = problemOf({ ...this.known, ...taken }, this.written.premises);
    const search = new Search(problem, limits);
    let shared: readonly SharedNeutral[] | undefined;
    let twoLegs: TwoLegs | null | undefined;
    const foresight = foresightOf(problem, this.written);
    const run = search.run();
    let answered = '';
    let answeredAt = 2 - slicesBetween;
    for (let slice = 0; ; slice += 1) {
      const step = run.next();
      if (step.done) {
        const isLeft = shared === undefined || twoLegs === undefined;
        if (twoLegs === undefined) twoLegs = yield* this.families.onTwoLegs(taken, limits);
        const found = [...foundBy(step.value, foresight), ...foundOnTwoLegs(twoLegs, search.bestLogWeight)];
        let isCut = step.value.stoppedEarly || twoLegs?.state.stoppedEarly === true;
        shared ??= yield* this.families.sharedNeutrals(taken, limits);
        // Time that was over before these were gone into left them out.
        isCut ||= isLeft && limits.isOver?.() === true;
        const best = Math.max(search.bestLogWeight, weightOf(twoLegs));
        for (const one of shared) {
          const asShared = yield* this.families.withSharedNeutral(one, limits, best);
          found.push(...asShared.found);
          isCut ||= asShared.stoppedEarly;
        }
        return this.answer(found, isCut, taken, true);
      }
      // Where no single cause explains the readings, one that does on two legs spares a search for several.
      if (shared === undefined && search.findsNoSingleCause) {
        shared = yield* this.families.sharedNeutrals(taken, limits);
        twoLegs = yield* this.families.onTwoLegs(taken, limits);
        search.hold(Math.max(...shared.map(weightOf), weightOf(twoLegs)));
      }
      const { leadingKey } = search;
      // An early answer is worth its time where it says something new.
      if (slice >= answeredAt + slicesBetween && leadingKey !== answered) {
        answered = leadingKey;
        answeredAt = slice;
        const state = search.state();
        const few = { ...state, explanations: state.explanations.slice(0, mostEarly) };
        yield this.answer(foundBy(few, foresight), state.stoppedEarly, taken, false);
      } else yield null;
    }
  }

  /** The final answer at once. */
  diagnose(taken: Taken, limits: SearchLimits = usualLimits): Diagnosis {
    const run = this.diagnosing(taken, limits);
    for (;;) {
      const step = run.next();
      if (step.done) return step.value;
    }
  }

  private located(explanations: readonly WeighedExplanation[]): readonly LocatedCause[] {
    const [leading] = explanations;
    if (leading === undefined) return [];
    const { hypothesis, fitted, foresight } = leading;
    const { network } = foresight.problem;
    const known = network.devices.map(({ protection }) => protection.state);
    const { outlets } = this.network.circuit;
    return hypothesis.causes
      .filter(({ instrument }) => instrument === null)
      .map((cause) => {
        const alone = withoutCauses(hypothesis, (other) => other !== cause, known);
        const faults = fitted.supposed.faults.filter((_, position) =>
          cause.faults.includes(hypothesis.faults[position] as Fault),
        );
        const under = foresight.outletConditions.under({
          ...fitted.supposed,
          faults,
          deviceStates: alone.deviceStates,
        });
        return {
          faults,
          place: localize(network, explanations, cause, this.known.inspected),
          affected: outlets.flatMap(({ id }, outlet) => (under[outlet] === 'correct' ? [] : [id])),
          danger: Math.min(...under.map((id) => conditionIds.indexOf(id))),
        };
      })
      .sort((a, b) => a.danger - b.danger)
      .map(({ danger: _, ...cause }) => cause);
  }

  private answer(all: readonly Found[], stoppedEarly: boolean, taken: Taken, isFinal: boolean): Diagnosis {
    const ids = this.network.circuit.outlets.map(({ id }) => id);
    const ranked = all.toSorted(
      (a, b) =>
        b.logWeight - a.logWeight ||
        a.explanation.hypothesis.causes.length - b.explanation.hypothesis.causes.length,
    );
    const { explanations, outlets: found, misfits, expected } = posteriorOf(ranked, ids);
    const failing = explanations[0]?.hypothesis.instruments ?? [];
    const unexplained = unaccountedFor(taken.readings, misfits, failing);
    const outlets = found.map((outlet) => {
      if (stoppedEarly || unexplained.wholly.has(outlet.id))
        return asCutShort(outlet, taken.readings, this.known.house, stoppedEarly);
      // An early answer accounts for little yet.
      return isFinal && unexplained.partly.has(outlet.id)
        ? withOwnDanger(outlet, taken.readings, this.known.house)
        : outlet;
    });
    const tests = isFinal
      ? nextTests({
          network: this.network,
          readings: taken.readings,
          explanations,
          outlets,
          kit: new Set(taken.kit ?? instrumentIds),
          doubted: new Set(explanations[0]?.hypothesis.instruments.map(({ instrument }) => instrument)),
        })
      : null;
    const causes = this.located(explanations);
    const problem = ranked[0]?.foresight.problem;
    return {
      kind: 'diagnosis',
      explanations,
      causes,
      outlets: outlets.map((outlet, index) => ({ ...outlet, next: tests?.outlets[index] ?? null })),
      localization: causes[0]?.place ?? null,
      misfits,
      instruments: explanations[0]?.hypothesis.instruments ?? [],
      next: tests?.circuit ?? null,
      table: problem === undefined ? [] : compareReadings(problem, expected, misfits),
      isFinal,
      stoppedEarly,
    };
  }
}
