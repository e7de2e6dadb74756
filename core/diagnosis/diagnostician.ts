import { type InstrumentId, instrumentIds, type Network, type Reading } from '../circuit/index.ts';
import type { ConditionId } from '../conditions/index.ts';
import type { Cause } from './cause.ts';
import { compareReadings, type ReadingComparison } from './evidence-table.ts';
import { withoutCauses } from './hypothesis.ts';
import { type Localization, localize } from './localization.ts';
import { type NextTest, nextTests } from './next-test.ts';
import { OutletConditions } from './outlet-conditions.ts';
import {
  conditionsMemory,
  type Misfit,
  type OutletOpinion,
  posteriorOf,
  type WeighedExplanation,
} from './posterior.ts';
import { type DiagnosisProblem, type Premises, premisesOf, problemOf, type Question } from './problem.ts';
import { type Explanation, Search, type SearchLimits, type SearchState, usualLimits } from './search.ts';

/** What is known of a circuit before anything is read on it. */
export type Known = Pick<Question, 'circuit' | 'house' | 'unknownLoads' | 'unknownDevices' | 'guessed'>;

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

/** An answer: final, or the best so far. */
export interface Diagnosis {
  readonly kind: 'diagnosis';
  /** The most probable first. */
  readonly explanations: readonly WeighedExplanation[];
  readonly outlets: readonly OutletDiagnosis[];
  /** null where the circuit is held to be sound. */
  readonly localization: Localization | null;
  readonly misfits: readonly Misfit[];
  /** Each reading beside what the leading explanation predicts. */
  readonly table: readonly ReadingComparison[];
  readonly isFinal: boolean;
  /** True where there was no time to try all that the readings ask for. */
  readonly stoppedEarly: boolean;
}

/** Explanations that an early answer is made from. */
const mostEarly = 40;

/** Diagnoses one circuit, reading after reading. */
export class Diagnostician {
  private readonly known: Known;
  private readonly premises: Premises;
  private readonly outletConditions: OutletConditions;
  private readonly conditionsUnder: (explanation: Explanation) => readonly ConditionId[];

  get network(): Network {
    return this.premises.network;
  }

  constructor(known: Known) {
    this.known = known;
    this.premises = premisesOf(known);
    this.outletConditions = new OutletConditions(this.premises.network);
    this.conditionsUnder = conditionsMemory(this.outletConditions);
  }

  /**
   * Answers in steps: yields null after each slice of work (so that others may run, or the caller stop), and an early
   * answer once common causes were tried; returns the final one.
   */
  *diagnosing(taken: Taken, limits: SearchLimits = usualLimits): Generator<Diagnosis | null, Diagnosis> {
    const problem = problemOf({ ...this.known, ...taken }, this.premises);
    const search = new Search(problem, limits);
    const run = search.run();
    let answered = '';
    for (let slice = 0; ; slice += 1) {
      const step = run.next();
      if (step.done) return this.answer(problem, step.value, taken, true);
      const { leadingKey } = search;
      // An early answer is worth its time where it says something new.
      if (slice >= 2 && leadingKey !== answered) {
        answered = leadingKey;
        yield this.answer(problem, search.state(), taken, false);
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

  /** Outlets that are not correct on account of one cause of an explanation, were it there alone. */
  affectedBy({ hypothesis, fitted: { supposed } }: WeighedExplanation, cause: Cause): readonly string[] {
    const alone = withoutCauses(
      hypothesis,
      (other) => other !== cause,
      this.network.devices.map(({ protection }) => protection.state),
    );
    const faults = supposed.faults.filter((_, position) => {
      const own = hypothesis.faults[position];
      return own !== undefined && alone.faults.includes(own);
    });
    const under = this.outletConditions.under({ ...supposed, faults, deviceStates: alone.deviceStates });
    return this.network.circuit.outlets.flatMap(({ id }, outlet) =>
      under[outlet] !== 'correct' ? [id] : [],
    );
  }

  private answer(problem: DiagnosisProblem, found: SearchState, taken: Taken, isFinal: boolean): Diagnosis {
    const considered = isFinal ? found.explanations : found.explanations.slice(0, mostEarly);
    const posterior = posteriorOf(problem, considered, this.conditionsUnder);
    const { explanations, outlets, misfits, predicted } = posterior;
    const tests = isFinal
      ? nextTests({
          network: problem.network,
          readings: taken.readings,
          explanations,
          outlets,
          kit: new Set(taken.kit ?? instrumentIds),
        })
      : [];
    return {
      kind: 'diagnosis',
      explanations,
      outlets: outlets.map((outlet, index) => ({ ...outlet, next: tests[index] ?? null })),
      localization: localize(problem.network, explanations),
      misfits,
      table: compareReadings(problem, predicted, misfits),
      isFinal,
      stoppedEarly: found.stoppedEarly,
    };
  }
}
