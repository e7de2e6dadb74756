import type { Circuit } from '../../circuit/index.ts';
import { amongLegs } from '../evidence/likelihood.ts';
import { type DiagnosisProblem, premisesOf, problemOf } from '../evidence/problem.ts';
import type { Cause } from '../model/cause.ts';
import { keptNats } from '../search/explanation.ts';
import { Search, type SearchLimits, type SearchState } from '../search/search.ts';
import type { Foresight } from './foresight.ts';
import { legsByVolts, logShareOfLegs, worthALook } from './legs-by-volts.ts';
import type { Found } from './posterior.ts';
import {
  asksForThreePhases,
  elsewhere,
  legsByReadings,
  sharedCircuit,
  sharedShare,
  threePhaseShare,
} from './shared-neutral.ts';
import { foresightOf, foundBy, type Known, type Taken, type Wiring, wiringOf } from './wiring.ts';

/** What outlets on two legs explain, and what that weighs besides: how often neutrals are shared, and so. */
export interface TwoLegs {
  readonly state: SearchState;
  readonly foresight: Foresight;
  readonly logShare: number;
}

/** What a neutral that is shared and bad explains by itself. */
export interface SharedNeutral extends TwoLegs {
  /** With all other causes besides. */
  readonly problem: DiagnosisProblem;
}

/** The families of explanations beside those of a circuit as it is written: its outlets on two legs, its neutral shared. */
export class Families {
  private readonly known: Known;
  /** By the legs of the outlets. */
  private readonly wirings = new Map<string, Wiring>();

  constructor(known: Known) {
    this.known = known;
  }

  /**
   * What explains the readings by a neutral alone that is shared with another breaker, and bad, with the outlets on the
   * legs that this asks for; and on those that volts tell, and between two of three phases, where that promises more.
   */
  *sharedNeutrals(taken: Taken, limits: SearchLimits): Generator<null, readonly SharedNeutral[]> {
    const { circuit } = this.known;
    const { readings } = taken;
    // An answer that was cut short says so, and keeps what its own readings leave open at each outlet.
    if (!this.mayHaveTwoLegs || limits.isOver?.() === true) return [];
    const byVolts = legsByVolts(circuit, readings, worthALook);
    const { degreesApart = 180 } = circuit;
    const asked = [
      sharedCircuit(circuit, legsByReadings(circuit, readings, degreesApart).legs, degreesApart),
      byVolts && sharedCircuit(circuit, byVolts, degreesApart),
      // Where nobody said what the panel brings in.
      circuit.degreesApart === undefined && asksForThreePhases(circuit, readings)
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
    const isSupposed =
      problem.network.circuit.degreesApart === 120 && this.known.circuit.degreesApart !== 120;
    const logShare = Math.log(sharedShare * (isSupposed ? threePhaseShare : 1));
    return { problem, state, foresight: foresightOf(neutrals, wiring), logShare };
  }

  /** The same with something else wrong besides, where it leads and leaves something unexplained. */
  *withSharedNeutral(
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
  *onTwoLegs(taken: Taken, limits: SearchLimits): Generator<null, TwoLegs | null> {
    const { circuit } = this.known;
    const isAsked = this.mayHaveTwoLegs && limits.isOver?.() !== true;
    const legs = isAsked ? legsByVolts(circuit, taken.readings) : null;
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
    const known = this.wirings.get(key);
    if (known !== undefined) return known;
    const made = wiringOf(premisesOf({ ...this.known, circuit }));
    this.wirings.set(key, made);
    return made;
  }
}

export const weightOf = (twoLegs: TwoLegs | null): number => {
  const leading = twoLegs?.state.explanations[0]?.logWeight ?? Number.NEGATIVE_INFINITY;
  return leading + (twoLegs?.logShare ?? 0);
};

export const foundOnTwoLegs = (twoLegs: TwoLegs | null, best: number): readonly Found[] =>
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
