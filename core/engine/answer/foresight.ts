import { type Fault, withOhms } from '../../faults/index.ts';
import type { Reading } from '../../instruments/index.ts';
import type { ConditionId } from '../../knowledge/index.ts';
import { type ContactsStanding, Evaluator, type Supposed } from '../evidence/evaluator.ts';
import { scaledBy } from '../evidence/evidence.ts';
import type { OutletConditions } from '../evidence/outlet-conditions.ts';
import type { DiagnosisProblem } from '../evidence/problem.ts';
import type { Wrong } from '../evidence/slips.ts';
import type { Scales } from '../model/scales.ts';
import { apartByOhms } from '../search/apart-by-ohms.ts';
import type { Explanation } from '../search/explanation.ts';

/** A reading that the leading explanation does not account for. */
export interface Misfit {
  /** Its position among the readings. */
  readonly position: number;
  readonly reading: Reading;
  /** How it is held to be wrong; null where that is not known. */
  readonly wrong: Wrong | null;
}

/** Loads under which a hypothesis falls short by so much more do about as well. */
const asWellNats = 2;
/** A reading that falls so many nats short of what scatter explains is named. */
const misfitNats = 5;

/** What is supposed, and by how much all volts are more than on the circuit as it is written. */
export interface Scaled {
  readonly supposed: Supposed;
  readonly scales: Scales;
}

/** What one explanation predicts, kept from an early answer to the final one. */
export interface Foreseen {
  readonly predicted: Float64Array;
  /** 1 where nothing holds what a channel is read at. */
  readonly adrift: Uint8Array;
  misread: ReadonlySet<string> | null;
  /** Null where it has too small a share to say anything of contacts. */
  contacts: readonly ContactsStanding[] | null;
}

/** What explanations of one and the same circuit predict and come to. */
export class Foresight {
  readonly problem: DiagnosisProblem;
  readonly outletConditions: OutletConditions;
  private readonly conditionsUnder: (explanation: Explanation) => readonly ConditionId[];
  private readonly evaluator: Evaluator;
  private readonly foreseen = new WeakMap<Explanation, Foreseen>();
  private readonly takenApart = new WeakMap<Explanation, readonly Explanation[]>();

  constructor(
    problem: DiagnosisProblem,
    outletConditions: OutletConditions,
    conditionsUnder: (explanation: Explanation) => readonly ConditionId[],
  ) {
    this.problem = problem;
    this.outletConditions = outletConditions;
    this.conditionsUnder = conditionsUnder;
    this.evaluator = new Evaluator(problem.network, problem.evidence, problem.memory, problem.tolerance);
  }

  conditions(explanation: Explanation): readonly ConditionId[] {
    return this.conditionsUnder(explanation);
  }

  /** An explanation, or several where what holds hangs on the ohms of a bad connection. */
  apart(explanation: Explanation): readonly Explanation[] {
    const { evidence } = this.problem;
    if (evidence.firstRepaired < evidence.observed.length) return [explanation];
    const known = this.takenApart.get(explanation);
    if (known !== undefined) return known;
    const apart = apartByOhms(this.problem, this.evaluator, explanation, this.conditionsUnder);
    this.takenApart.set(explanation, apart);
    return apart;
  }

  /** Readings that an explanation does not account for. */
  misfitsUnder({ fitted: { supposed, scales } }: Explanation): readonly Misfit[] {
    const { evaluator } = this;
    const { evidence } = this.problem;
    evaluator.predict(supposed, false);
    const misfits: Misfit[] = [];
    for (const { repaired, outlets } of evidence.states)
      if (!repaired)
        for (const { readings } of outlets)
          for (const reading of readings) {
            const taken = evidence.readings[reading.position];
            if (taken === undefined || evaluator.weighing.excessOf(reading, scales) <= misfitNats) continue;
            misfits.push({
              position: reading.position,
              reading: taken,
              wrong: evaluator.weighing.wrongAt(reading, scales),
            });
          }
    return misfits.sort((a, b) => a.position - b.position);
  }

  /**
   * What an explanation supposes, with another's loads where these do about as well: nobody knows them, and what only
   * they would show tells nothing of the causes.
   */
  withLoadsOf({ fitted }: Explanation, other: Explanation): Scaled {
    const { supposed, deficit } = fitted;
    const { loads } = other.fitted.supposed;
    if (!this.problem.unknownLoads || loads === supposed.loads) return fitted;
    const so = { ...supposed, loads };
    const limit = deficit + asWellNats;
    const { evaluator } = this;
    return evaluator.deficit(so, false, limit) <= limit
      ? { supposed: so, scales: evaluator.weighing.scales }
      : fitted;
  }

  foresee(explanation: Explanation, withContacts: boolean): Foreseen {
    const { evaluator, foreseen } = this;
    const { supposed, scales } = explanation.fitted;
    let known = foreseen.get(explanation);
    if (known === undefined) {
      evaluator.predict(supposed, false);
      known = {
        predicted: scaledBy(this.problem.evidence, evaluator.predicted, scales),
        adrift: evaluator.weighing.adrift.slice(),
        misread: null,
        contacts: null,
      };
      foreseen.set(explanation, known);
    }
    if (withContacts && known.contacts === null) {
      evaluator.enterAsFound(supposed);
      known.contacts = this.problem.network.outlets.map((_, outlet) => evaluator.contactsAt(outlet));
    }
    return known;
  }

  /** Whether an explanation needs a reading at an outlet to be wrong, or an instrument that does not work. */
  needsMisreading(explanation: Explanation): ReadonlySet<string> {
    const known = this.foresee(explanation, false);
    known.misread ??= new Set(this.misfitsUnder(explanation).map(({ reading }) => reading.at));
    return known.misread;
  }
}

/** The least that makes a connection poor (above 0.1 Ω); a fit may settle just there, meaning anything from there on. */
const leastPoorOhms = 0.12;
const atLeastPoor = (fault: Fault): Fault => withOhms(fault, (ohms) => Math.max(ohms, leastPoorOhms));

/** Conditions under an explanation, kept from one answer to the next: they hang on causes, ohms and loads alone. */
export function conditionsMemory(
  outletConditions: OutletConditions,
): (explanation: Explanation) => readonly ConditionId[] {
  const known = new Map<string, readonly ConditionId[]>();
  return ({ hypothesis, fitted: { ohms, supposed } }) => {
    const loads = supposed.loads.map(({ at, watts }) => (watts > 1 ? at : '')).join();
    const key = `${hypothesis.key}|${ohms.map((each) => Math.round(20 * Math.log(each))).join()}|${loads}`;
    const before = known.get(key);
    if (before !== undefined) return before;
    if (known.size > 5000) known.clear();
    const under = outletConditions.under({ ...supposed, faults: supposed.faults.map(atLeastPoor) });
    known.set(key, under);
    return under;
  };
}
