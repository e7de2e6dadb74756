import type { Circuit } from '../../circuit/index.ts';
import type { Fault } from '../../faults/index.ts';
import { type InstrumentId, instrumentIds, type Reading } from '../../instruments/index.ts';
import { type ConditionId, conditionIds } from '../../knowledge/index.ts';
import type { Network } from '../../physics/index.ts';
import { amongLegs } from '../evidence/likelihood.ts';
import { OutletConditions } from '../evidence/outlet-conditions.ts';
import {
  type DiagnosisProblem,
  type Premises,
  premisesOf,
  problemOf,
  type Question,
} from '../evidence/problem.ts';
import type { Cause } from '../model/cause.ts';
import { withoutCauses } from '../model/hypothesis.ts';
import type { InstrumentFault } from '../model/instrument-fault.ts';
import { type Explanation, keptNats } from '../search/explanation.ts';
import { Search, type SearchLimits, type SearchState, usualLimits } from '../search/search.ts';
import { asCutShort, unaccountedFor } from './cut-short.ts';
import { compareReadings, type ReadingComparison } from './evidence-table.ts';
import { conditionsMemory, Foresight, type Misfit } from './foresight.ts';
import { legsByVolts, logShareOfLegs, worthALook } from './legs-by-volts.ts';
import { type Localization, localize } from './localization.ts';
import { nextTests } from './next-test.ts';
import { type Found, type OutletOpinion, posteriorOf, type WeighedExplanation } from './posterior.ts';
import {
  asksForThreePhases,
  elsewhere,
  legsByReadings,
  sharedCircuit,
  sharedShare,
  threePhaseShare,
} from './shared-neutral.ts';
import type { NextTest } from './worth.ts';

// Longer than other files: the families of explanations, as written and with the neutral shared, are led and weighed together.

/** What is known of a circuit before anything is read on it. */
export type Known = Pick<
  Question,
  'circuit' | 'house' | 'unknownLoads' | 'unknownDevices' | 'guessed' | 'inspected'
> & {
  /** `unknown`: any outlet may be on either leg of a shared neutral, whatever the circuit says. */
  readonly legs?: 'as-written' | 'unknown';
};

/** What was read on it, and with what more can be read. */
export interface Taken {
  readonly readings: readonly Reading[];
  readonly trippedBefore: readonly string[] | null;
  readonly afterRepair?: readonly Reading[];
  /** Instruments at hand; all where left out. */
  readonly kit?: readonly InstrumentId[];
}

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

/** A circuit as it is written, or with its neutral shared: what does not change with the readings. */
interface Wiring {
  readonly premises: Premises;
  readonly outletConditions: OutletConditions;
  readonly conditionsUnder: (explanation: Explanation) => readonly ConditionId[];
}

/** What outlets on two legs explain, and what that weighs besides: how often neutrals are shared, and so. */
interface TwoLegs {
  readonly state: SearchState;
  readonly foresight: Foresight;
  readonly logShare: number;
}

/** What a neutral that is shared and bad explains by itself. */
interface SharedNeutral extends TwoLegs {
  /** With all other causes besides. */
  readonly problem: DiagnosisProblem;
}

function wiringOf(premises: Premises): Wiring {
  const outletConditions = new OutletConditions(premises.network);
  return { premises, outletConditions, conditionsUnder: conditionsMemory(outletConditions) };
}

const foresightOf = (problem: DiagnosisProblem, { outletConditions, conditionsUnder }: Wiring): Foresight =>
  new Foresight(problem, outletConditions, conditionsUnder);

/** So many explanations are taken apart where what holds hangs on their ohms. */
const mostTakenApart = 8;
/** Explanations that an early answer is made from. */
const mostEarly = 40;
/** Slices of work between early answers: what leads changes often at first, and nobody reads so fast. */
const slicesBetween = 8;

/** Diagnoses one circuit, reading after reading. */
export class Diagnostician {
  private readonly known: Known;
  private readonly written: Wiring;
  /** With its neutral shared, by the legs of its outlets. */
  private readonly shared = new Map<string, Wiring>();

  get network(): Network {
    return this.written.premises.network;
  }

  constructor(known: Known) {
    this.known = known;
    this.written = wiringOf(premisesOf(known));
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
        if (twoLegs === undefined) twoLegs = yield* this.onTwoLegs(taken, limits);
        const found = [...foundBy(step.value, foresight), ...foundOnTwoLegs(twoLegs, search.bestLogWeight)];
        let isCut = step.value.stoppedEarly || twoLegs?.state.stoppedEarly === true;
        shared ??= yield* this.sharedNeutrals(taken, limits);
        const best = Math.max(search.bestLogWeight, weightOf(twoLegs));
        for (const one of shared) {
          const asShared = yield* this.withSharedNeutral(one, limits, best);
          found.push(...asShared.found);
          isCut ||= asShared.stoppedEarly;
        }
        return this.answer(found, isCut, taken, true);
      }
      // Where no single cause explains the readings, one that does on two legs spares a search for several.
      if (shared === undefined && search.findsNoSingleCause) {
        shared = yield* this.sharedNeutrals(taken, limits);
        twoLegs = yield* this.onTwoLegs(taken, limits);
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

  /**
   * What explains the readings by a neutral alone that is shared with another breaker, and bad, with the outlets on the
   * legs that this asks for; and on those that volts tell, and between two of three phases, where that promises more.
   */
  private *sharedNeutrals(taken: Taken, limits: SearchLimits): Generator<null, readonly SharedNeutral[]> {
    const { circuit } = this.known;
    const { readings } = taken;
    if (!this.mayHaveTwoLegs) return [];
    const byVolts = legsByVolts(circuit, readings, worthALook);
    const asked = [
      sharedCircuit(circuit, legsByReadings(circuit, readings, 180).legs, 180),
      byVolts && sharedCircuit(circuit, byVolts, 180),
      asksForThreePhases(circuit, readings)
        ? sharedCircuit(circuit, legsByReadings(circuit, readings, 120).legs, 120)
        : null,
    ];
    const wirings = new Set(asked.flatMap((shared) => (shared === null ? [] : this.wiringWith(shared))));
    const found: SharedNeutral[] = [];
    for (const wiring of wirings) found.push(yield* this.badNeutral(wiring, taken, limits));
    return found;
  }

  /** What a neutral by itself that is bad explains where it is shared so. */
  private *badNeutral(wiring: Wiring, taken: Taken, limits: SearchLimits): Generator<null, SharedNeutral> {
    const onOneLeg = problemOf({ ...this.known, ...taken, unknownLoads: true }, wiring.premises);
    const problem = { ...onOneLeg, tolerance: amongLegs(onOneLeg.tolerance) };
    const neutrals = { ...problem, causes: problem.causes.filter((cause) => isOfSharedNeutral(cause)) };
    const state = yield* ranToTheEnd(new Search(neutrals, { ...limits, mostCauses: 1 }));
    const isOfThreePhases = problem.network.circuit.degreesApart === 120;
    const logShare = Math.log(sharedShare * (isOfThreePhases ? threePhaseShare : 1));
    return { problem, state, foresight: foresightOf(neutrals, wiring), logShare };
  }

  /** The same with something else wrong besides, where it leads and leaves something unexplained. */
  private *withSharedNeutral(
    shared: SharedNeutral,
    limits: SearchLimits,
    best: number,
  ): Generator<null, { readonly found: readonly Found[]; readonly stoppedEarly: boolean }> {
    const { problem, foresight, logShare } = shared;
    const more = new Search(problem, { ...limits, mostCauses: 3 });
    const isAsked = weightOf(shared) > best && more.wouldAskForMore(shared.state);
    const state = isAsked ? yield* ranToTheEnd(more) : shared.state;
    return {
      found: foundBy(state, foresight, logShare).filter(
        ({ explanation, logWeight }) =>
          explanation.hypothesis.causes.some(isOfSharedNeutral) && logWeight > best - keptNats,
      ),
      stoppedEarly: state.stoppedEarly,
    };
  }

  /** What the circuit explains with its outlets on the legs that their volts tell; null where they tell of one leg. */
  private *onTwoLegs(taken: Taken, limits: SearchLimits): Generator<null, TwoLegs | null> {
    const { circuit } = this.known;
    const legs = this.mayHaveTwoLegs ? legsByVolts(circuit, taken.readings) : null;
    if (legs === null) return null;
    const outlets = circuit.outlets.map((outlet, index) => ({ ...outlet, leg: legs[index] ?? outlet.leg }));
    const wiring = this.wiringWith({ ...circuit, outlets });
    const onOneLeg = problemOf({ ...this.known, ...taken }, wiring.premises);
    const problem = { ...onOneLeg, tolerance: amongLegs(onOneLeg.tolerance) };
    return {
      state: yield* ranToTheEnd(new Search(problem, limits)),
      foresight: foresightOf(problem, wiring),
      logShare: Math.log(sharedShare) + logShareOfLegs(outlets.length),
    };
  }

  /** Nobody has said on which legs the outlets are, and they may be on two. */
  private get mayHaveTwoLegs(): boolean {
    const { circuit, legs } = this.known;
    const isRing = circuit.cables.length > circuit.outlets.length;
    return legs === 'unknown' && !isRing && new Set(circuit.outlets.map(({ leg }) => leg)).size === 1;
  }

  private wiringWith(circuit: Circuit): Wiring {
    const key = `${circuit.degreesApart ?? 180} ${circuit.outlets.map(({ leg }) => leg).join('')}`;
    const known = this.shared.get(key);
    if (known !== undefined) return known;
    const made = wiringOf(premisesOf({ ...this.known, circuit }));
    this.shared.set(key, made);
    return made;
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
    const { explanations, outlets: found, misfits, predicted } = posteriorOf(ranked, ids);
    const failing = explanations[0]?.hypothesis.instruments ?? [];
    const unexplained = unaccountedFor(taken.readings, misfits, failing);
    const outlets = found.map((outlet) =>
      stoppedEarly || unexplained.has(outlet.id)
        ? asCutShort(outlet, taken.readings, this.known.house)
        : outlet,
    );
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
      table: problem === undefined ? [] : compareReadings(problem, predicted, misfits),
      isFinal,
      stoppedEarly,
    };
  }
}

function foundBy({ explanations }: SearchState, foresight: Foresight, logShare = 0): readonly Found[] {
  let apart = 0;
  const found = explanations.flatMap((explanation): readonly Explanation[] => {
    if (apart >= mostTakenApart) return [explanation];
    const several = foresight.apart(explanation);
    if (several.length > 1) apart += 1;
    return several;
  });
  return found.map((explanation) => ({
    explanation,
    foresight,
    logWeight: explanation.logWeight + logShare,
  }));
}

const weightOf = (twoLegs: TwoLegs | null): number => {
  const leading = twoLegs?.state.explanations[0]?.logWeight ?? Number.NEGATIVE_INFINITY;
  return leading + (twoLegs?.logShare ?? 0);
};

const foundOnTwoLegs = (twoLegs: TwoLegs | null, best: number): readonly Found[] =>
  twoLegs === null
    ? []
    : foundBy(twoLegs.state, twoLegs.foresight, twoLegs.logShare).filter(
        ({ logWeight }) => logWeight > best - keptNats,
      );

function* ranToTheEnd(search: Search): Generator<null, SearchState> {
  const run = search.run();
  for (;;) {
    const step = run.next();
    if (step.done) return step.value;
    yield null;
  }
}

/** A neutral that is open or bad, and shared by what lies beyond. */
const isOfSharedNeutral = ({ faults }: Cause): boolean => {
  const [fault, ...others] = faults;
  return (
    fault !== undefined &&
    others.length === 0 &&
    (fault.kind === 'open' || fault.kind === 'resistance') &&
    fault.conductor === 'neutral' &&
    fault.cable !== elsewhere &&
    fault.at !== elsewhere
  );
};
