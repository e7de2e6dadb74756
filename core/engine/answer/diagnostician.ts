import type { Fault } from '../../faults/index.ts';
import { type InstrumentId, instrumentIds, type Reading } from '../../instruments/index.ts';
import { type ConditionId, conditionIds } from '../../knowledge/index.ts';
import type { Network } from '../../physics/index.ts';
import { OutletConditions } from '../evidence/outlet-conditions.ts';
import {
  type DiagnosisProblem,
  type Premises,
  premisesOf,
  problemOf,
  type Question,
} from '../evidence/problem.ts';
import { withoutCauses } from '../model/hypothesis.ts';
import {
  type Explanation,
  Search,
  type SearchLimits,
  type SearchState,
  usualLimits,
} from '../search/search.ts';
import { compareReadings, type ReadingComparison } from './evidence-table.ts';
import { type Localization, localize } from './localization.ts';
import { type NextTest, nextTests } from './next-test.ts';
import {
  conditionsMemory,
  type Misfit,
  type OutletOpinion,
  PosteriorMaker,
  type WeighedExplanation,
} from './posterior.ts';

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
    const posteriors = new PosteriorMaker(problem, this.conditionsUnder);
    const run = search.run();
    let answered = '';
    let answeredAt = 2 - slicesBetween;
    for (let slice = 0; ; slice += 1) {
      const step = run.next();
      if (step.done) return this.answer(problem, posteriors, step.value, taken, true);
      const { leadingKey } = search;
      // An early answer is worth its time where it says something new.
      if (slice >= answeredAt + slicesBetween && leadingKey !== answered) {
        answered = leadingKey;
        answeredAt = slice;
        yield this.answer(problem, posteriors, search.state(), taken, false);
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
    const { hypothesis, fitted } = leading;
    const known = this.network.devices.map(({ protection }) => protection.state);
    return hypothesis.causes
      .map((cause) => {
        const alone = withoutCauses(hypothesis, (other) => other !== cause, known);
        const faults = fitted.supposed.faults.filter((_, position) =>
          cause.faults.includes(hypothesis.faults[position] as Fault),
        );
        const under = this.outletConditions.under({
          ...fitted.supposed,
          faults,
          deviceStates: alone.deviceStates,
        });
        return {
          faults,
          place: localize(this.network, explanations, cause),
          affected: this.network.circuit.outlets.flatMap(({ id }, outlet) =>
            under[outlet] === 'correct' ? [] : [id],
          ),
          danger: Math.min(...under.map((id) => conditionIds.indexOf(id))),
        };
      })
      .sort((a, b) => a.danger - b.danger)
      .map(({ danger: _, ...cause }) => cause);
  }

  private answer(
    problem: DiagnosisProblem,
    posteriors: PosteriorMaker,
    found: SearchState,
    taken: Taken,
    isFinal: boolean,
  ): Diagnosis {
    const considered = isFinal ? found.explanations : found.explanations.slice(0, mostEarly);
    const { explanations, outlets, misfits, predicted } = posteriors.from(considered);
    const tests = isFinal
      ? nextTests({
          network: problem.network,
          memory: problem.memory,
          readings: taken.readings,
          explanations,
          outlets,
          kit: new Set(taken.kit ?? instrumentIds),
        })
      : [];
    const causes = this.located(explanations);
    return {
      kind: 'diagnosis',
      explanations,
      causes,
      outlets: outlets.map((outlet, index) => ({ ...outlet, next: tests[index] ?? null })),
      localization: causes[0]?.place ?? null,
      misfits,
      table: compareReadings(problem, predicted, misfits),
      isFinal,
      stoppedEarly: found.stoppedEarly,
    };
  }
}
