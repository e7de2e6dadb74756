import { type Fault, withOhms } from '../../faults/index.ts';
import { type ChannelKind, dimFrom, litFrom, probeVolts, type Reading } from '../../instruments/index.ts';
import { type ConditionId, conditionIds, conditions } from '../../knowledge/index.ts';
import { type ContactsStanding, Evaluator } from '../evidence/evaluator.ts';
import type { Evidence, ReadingEvidence } from '../evidence/evidence.ts';
import { readingDeficit } from '../evidence/likelihood.ts';
import type { OutletConditions } from '../evidence/outlet-conditions.ts';
import type { DiagnosisProblem } from '../evidence/problem.ts';
import type { ContactState } from '../model/contact-state.ts';
import type { Explanation } from '../search/search.ts';

/** What is held of a circuit, with its share of all that was found. */
export interface Weighed {
  readonly probability: number;
  /** Equal for explanations that predict all readings taken alike; the leading ones are group 1. */
  readonly group: number;
  readonly causeCount: number;
  /** The most dangerous condition at each outlet under it. */
  readonly conditions: readonly ConditionId[];
  /** How the contacts of each outlet stand against earth under it. */
  readonly contacts: readonly ContactsStanding[];
}

export interface WeighedExplanation extends Explanation, Weighed {}

/** A reading that the leading explanation does not account for. */
export interface Misfit {
  /** Its position among the readings. */
  readonly position: number;
  readonly reading: Reading;
}

/** What holds at an outlet, as far as the readings tell. */
export interface OutletOpinion {
  readonly id: string;
  /** `undetermined` where two of different danger are about equally likely. */
  readonly condition: ConditionId | 'undetermined';
  readonly probability: number;
  /** Dangerous conditions that still fit, the most dangerous first. */
  readonly notRuledOut: readonly ConditionId[];
  /** How probable each of these is. */
  readonly doubts: readonly number[];
  /** What is known of hot, neutral and ground. */
  readonly contacts: readonly [ContactState, ContactState, ContactState];
}

export interface Posterior {
  /** The most probable first. */
  readonly explanations: readonly WeighedExplanation[];
  readonly outlets: readonly OutletOpinion[];
  readonly misfits: readonly Misfit[];
  /** What the leading explanation predicts, channel by channel. */
  readonly predicted: Float64Array;
}

/**
 * A dangerous condition is ruled out below so much of the leading explanation's probability. What is about to be
 * called harmless is held to far more than the formats' own thousandth: over ten thousand circuits, readings scatter
 * against the truth by more than that now and then.
 */
const ruledOutShare = { besideDanger: 1e-3, besideHarmless: 3e-6 } as const;
/** Two conditions of the leading group are about equally likely where the lesser has so much of the other. */
const aboutEqual = 0.6;
/** A contact is called live, or quiet, only where nothing that is not ruled out gainsays it. */
const contactShare = 2e-4;
const sureEnough = 0.999;
/** A reading that falls so many nats short of what scatter explains is named. */
const misfitNats = 5;

/** Where two predictions of a channel cannot be told apart: equal lamps, probe and trips, volts within max(0.5 V, 1 %). */
export function alike(kind: ChannelKind, a: number, b: number): boolean {
  switch (kind) {
    case 'volts':
      return Math.abs(a - b) <= Math.max(0.5, 0.01 * Math.max(a, b));
    case 'milliamps':
      return Math.abs(a - b) <= Math.max(0.1, 0.02 * Math.max(a, b));
    case 'lamp':
      return glow(a) === glow(b);
    case 'sounds':
      return a >= probeVolts === b >= probeVolts;
    case 'trips':
    case 'button':
      return a === b;
  }
}

const glow = (share: number): number => (share >= litFrom ? 2 : share >= dimFrom ? 1 : 0);

const allAlike = ({ kinds }: Evidence, a: Float64Array, b: Float64Array, end: number): boolean => {
  for (let channel = 0; channel < end; channel += 1)
    if (!alike(kinds[channel] as ChannelKind, a[channel] as number, b[channel] as number)) return false;
  return true;
};

/** What one explanation predicts, kept from an early answer to the final one. */
interface Foreseen {
  readonly predicted: Float64Array;
  /** Null where it has too small a share to say anything of contacts. */
  contacts: readonly ContactsStanding[] | null;
}

/** Turns weights into probabilities, groups explanations, and says what holds at every outlet. */
export class PosteriorMaker {
  private readonly problem: DiagnosisProblem;
  private readonly conditionsUnder: (explanation: Explanation) => readonly ConditionId[];
  private readonly evaluator: Evaluator;
  private readonly foreseen = new WeakMap<Explanation, Foreseen>();

  constructor(
    problem: DiagnosisProblem,
    conditionsUnder: (explanation: Explanation) => readonly ConditionId[],
  ) {
    this.problem = problem;
    this.conditionsUnder = conditionsUnder;
    this.evaluator = new Evaluator(problem.network, problem.evidence, problem.memory);
  }

  /** From what was found, the most probable first. */
  from(found: readonly Explanation[]): Posterior {
    const { evidence, network } = this.problem;
    const [leading] = found;
    if (leading === undefined) throw new Error('the sound circuit is always among what was found');
    const shares = found.map(({ logWeight }) => Math.exp(logWeight - leading.logWeight));
    const total = shares.reduce((sum, share) => sum + share, 0);
    const leaders: Float64Array[] = [];
    const explanations = found.map((explanation, index): WeighedExplanation => {
      const share = shares[index] ?? 0;
      const { predicted, contacts } = this.foresee(explanation, share >= contactShare);
      let group = leaders.findIndex((leader) =>
        allAlike(evidence, leader, predicted, evidence.firstRepaired),
      );
      if (group === -1) {
        leaders.push(predicted);
        group = leaders.length - 1;
      }
      return {
        ...explanation,
        probability: share / total,
        group: group + 1,
        causeCount: explanation.hypothesis.causes.length,
        conditions: this.conditionsUnder(explanation),
        contacts: contacts ?? [],
      };
    });
    const predicted = leaders[0] ?? new Float64Array(0);
    const misfits = misfitsOf(this.problem, predicted);
    return {
      explanations,
      outlets: network.circuit.outlets.map(({ id }, outlet) =>
        opinionOn(
          id,
          outlet,
          explanations,
          !evidence.readings.some(({ at }) => at === id) || misfits.some(({ reading }) => reading.at === id),
        ),
      ),
      misfits,
      predicted,
    };
  }

  private foresee(explanation: Explanation, withContacts: boolean): Foreseen {
    const { evaluator, foreseen } = this;
    const { supposed } = explanation.fitted;
    let known = foreseen.get(explanation);
    if (known === undefined) {
      evaluator.predict(supposed, false);
      known = { predicted: evaluator.predicted.slice(), contacts: null };
      foreseen.set(explanation, known);
    }
    if (withContacts && known.contacts === null) {
      evaluator.enterAsFound(supposed);
      known.contacts = this.problem.network.outlets.map((_, outlet) => evaluator.contactsAt(outlet));
    }
    return known;
  }
}

/** What holds at one outlet, from all that is held of its circuit, the most probable first. */
export function opinionOn(
  id: string,
  outlet: number,
  explanations: readonly Weighed[],
  /** True where nothing was read here, or a reading does not fit the leading explanation. */
  doubted: boolean,
): OutletOpinion {
  const leading = explanations[0];
  const all = new Map<ConditionId, number>();
  const inLeadingGroup = new Map<ConditionId, number>();
  const open = new Map<ConditionId, number>();
  const add = (sums: Map<ConditionId, number>, condition: ConditionId, probability: number): void => {
    sums.set(condition, (sums.get(condition) ?? 0) + probability);
  };
  for (const { conditions: here, probability, group, causeCount } of explanations) {
    const condition = here[outlet];
    if (condition === undefined) continue;
    add(all, condition, probability);
    if (group === 1) add(inLeadingGroup, condition, probability);
    if (causeCount <= (leading?.causeCount ?? 0) + 1) add(open, condition, probability);
  }
  const stateOf = (contact: 0 | 1 | 2): ContactState => {
    let live = 0;
    let quiet = 0;
    let judged = 0;
    for (const { contacts, probability } of explanations) {
      const standing = contacts[outlet]?.[contact];
      if (standing === undefined) continue;
      judged += probability;
      if (standing === 'live') live += probability;
      if (standing === 'quiet') quiet += probability;
    }
    if (live >= sureEnough * judged) return 'live';
    return quiet >= sureEnough * judged ? 'not-live' : 'may-be-live';
  };
  const ranked = [...all].sort(([, a], [, b]) => b - a);
  const [first, second] = [...inLeadingGroup].sort(([, a], [, b]) => b - a);
  const isOpen = first !== undefined && second !== undefined && second[1] >= aboutEqual * first[1];
  const leadingCondition = ranked[0]?.[0] ?? 'correct';
  // Nothing read here, or what was read outvoted by the rest, is no reason to call it correct.
  const condition = isOpen || (doubted && leadingCondition === 'correct') ? 'undetermined' : leadingCondition;
  const isDangerous = condition !== 'undetermined' && conditions[condition].dangerous;
  const least = ruledOutShare[isDangerous ? 'besideDanger' : 'besideHarmless'] * (leading?.probability ?? 1);
  const notRuledOut = conditionIds.filter(
    (one) => one !== condition && conditions[one].dangerous && (open.get(one) ?? 0) > least,
  );
  return {
    id,
    condition,
    probability: isOpen ? first[1] + second[1] : (ranked[0]?.[1] ?? 0),
    notRuledOut,
    doubts: notRuledOut.map((one) => all.get(one) ?? 0),
    contacts: [stateOf(0), stateOf(1), stateOf(2)],
  };
}

function misfitsOf({ evidence, tolerance }: DiagnosisProblem, predicted: Float64Array): readonly Misfit[] {
  const misfits: Misfit[] = [];
  const look = (reading: ReadingEvidence): void => {
    const { first, end, position } = reading;
    const volts = evidence.kinds.slice(first, end).filter((kind) => kind === 'volts').length;
    const taken = evidence.readings[position];
    if (
      taken !== undefined &&
      readingDeficit(evidence, reading, predicted, tolerance) - 0.5 * volts > misfitNats
    )
      misfits.push({ position, reading: taken });
  };
  for (const { repaired, outlets } of evidence.states)
    if (!repaired) for (const { readings } of outlets) for (const reading of readings) look(reading);
  return misfits.sort((a, b) => a.position - b.position);
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
