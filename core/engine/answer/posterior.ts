import { type ChannelKind, lampAcross, probeVolts } from '../../instruments/index.ts';
import { type ConditionId, conditionIds, conditions } from '../../knowledge/index.ts';
import type { ContactsStanding } from '../evidence/evaluator.ts';
import type { Evidence } from '../evidence/evidence.ts';
import type { ContactState } from '../model/contact-state.ts';
import type { Explanation } from '../search/explanation.ts';
import type { Foreseen, Foresight, Misfit } from './foresight.ts';

/** What is held of a circuit, with its share of all that was found. */
export interface Weighed {
  readonly probability: number;
  /** Equal for explanations that predict all readings taken alike; the leading ones are group 1. */
  readonly group: number;
  readonly causeCount: number;
  /** The most dangerous condition at each outlet under it. */
  readonly conditions: readonly ConditionId[];
  /** Outlets where it needs a reading to be wrong; `*`: everywhere, for an instrument does not work. */
  readonly misreadAt: ReadonlySet<string>;
  /** How the contacts of each outlet stand against earth under it. */
  readonly contacts: readonly ContactsStanding[];
}

export interface WeighedExplanation extends Explanation, Weighed {
  /** By which it is seen: of the circuit as it is written, or with its neutral shared. */
  readonly foresight: Foresight;
}

/** What holds at an outlet, as far as the readings tell. */
export interface OutletOpinion {
  readonly id: string;
  /** `undetermined` where several share the lead, or nothing was read. */
  readonly condition: ConditionId | 'undetermined';
  readonly probability: number;
  /** Dangerous conditions that would have shown the same, or are at least a thousandth likely; the most dangerous first. */
  readonly notRuledOut: readonly ConditionId[];
  /** Further ones, were a reading wrong. */
  readonly ifMisread: readonly ConditionId[];
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
  /** What the leading explanation predicts. */
  readonly expected: Foreseen;
}

/** A dangerous condition is ruled out below this; one that would have shown the same, below the lesser. */
export const ruledOutShare = 1e-3;
const alikeShare = 1e-4;
/** Two are about equally likely where the lesser has so much of the other. */
const aboutEqual = 0.8;
/** Where the likeliest has less, three or more share the lead. */
const undeterminedBelow = 1 / 3;
/** A contact is called live, or quiet, only where nothing that is not ruled out gainsays it. */
const contactShare = 2e-4;
const sureEnough = 0.999;
/** Where two predictions of a channel cannot be told apart: equal lamps, probe and trips, volts within max(0.5 V, 1 %). */
export function alike(kind: ChannelKind, a: number, b: number): boolean {
  switch (kind) {
    case 'volts':
      return Math.abs(a - b) <= Math.max(0.5, 0.01 * Math.max(a, b));
    case 'milliamps':
      return Math.abs(a - b) <= Math.max(0.1, 0.02 * Math.max(a, b));
    case 'lamp':
      return lampAcross(a) === lampAcross(b);
    case 'sounds':
      return a >= probeVolts === b >= probeVolts;
    case 'trips':
    case 'button':
      return a === b;
    case 'unread':
      return true;
  }
}

const allAlike = ({ kinds }: Evidence, a: Float64Array, b: Float64Array, end: number): boolean => {
  for (let channel = 0; channel < end; channel += 1)
    if (!alike(kinds[channel] as ChannelKind, a[channel] as number, b[channel] as number)) return false;
  return true;
};

/** What was found, and by which foresight it is seen. */
export interface Found {
  readonly explanation: Explanation;
  readonly foresight: Foresight;
  /** Logarithm of its weight against all the others. */
  readonly logWeight: number;
}

/** Of what was found, the most probable first; at so many outlets. */
export function posteriorOf(found: readonly Found[], ids: readonly string[]): Posterior {
  const [leading] = found;
  if (leading === undefined) throw new Error('the sound circuit is always among what was found');
  const { evidence } = leading.foresight.problem;
  const shares = found.map(({ logWeight }) => Math.exp(logWeight - leading.logWeight));
  const total = shares.reduce((sum, share) => sum + share, 0);
  const leaders: Float64Array[] = [];
  const explanations = found.map(({ explanation, foresight }, index): WeighedExplanation => {
    const share = shares[index] ?? 0;
    const { predicted, contacts } = foresight.foresee(explanation, share >= contactShare);
    let group = leaders.findIndex((leader) => allAlike(evidence, leader, predicted, evidence.firstRepaired));
    if (group === -1) {
      leaders.push(predicted);
      group = leaders.length - 1;
    }
    return {
      ...explanation,
      foresight,
      probability: share / total,
      group: group + 1,
      causeCount: explanation.hypothesis.causes.length,
      conditions: foresight.conditions(explanation),
      misreadAt:
        share / total < ruledOutShare / 4 || explanation.hypothesis.instruments.length > 0
          ? everywhere(explanation)
          : foresight.needsMisreading(explanation),
      contacts: contacts ?? [],
    };
  });
  return {
    explanations,
    outlets: ids.map((id, outlet) =>
      opinionOn(id, outlet, explanations, !evidence.readings.some(({ at }) => at === id)),
    ),
    misfits: leading.foresight.misfitsUnder(leading.explanation),
    expected: leading.foresight.foresee(leading.explanation, false),
  };
}

const nowhere: ReadonlySet<string> = new Set();
const all: ReadonlySet<string> = new Set(['*']);
const everywhere = ({ hypothesis }: Explanation): ReadonlySet<string> =>
  hypothesis.instruments.length > 0 ? all : nowhere;
const isMisread = (id: string, misread: ReadonlySet<string>): boolean => misread.has('*') || misread.has(id);

/** What holds at one outlet, from all that is held of its circuit, the most probable first. */
export function opinionOn(
  id: string,
  outlet: number,
  explanations: readonly Weighed[],
  /** True where nothing was read here. */
  isUnread: boolean,
): OutletOpinion {
  const leading = explanations[0];
  const all = new Map<ConditionId, number>();
  /** Shares that need no reading to be wrong, but for what the leading explanation holds to be wrong too. */
  const rightly = new Map<ConditionId, number>();
  const alike = new Map<ConditionId, number>();
  const add = (sums: Map<ConditionId, number>, condition: ConditionId, probability: number): void => {
    sums.set(condition, (sums.get(condition) ?? 0) + probability);
  };
  const leadingIsMisread = leading !== undefined && isMisread(id, leading.misreadAt);
  for (const { conditions: here, probability, group, causeCount, misreadAt } of explanations) {
    const condition = here[outlet];
    if (condition === undefined) continue;
    add(all, condition, probability);
    if (leadingIsMisread || !isMisread(id, misreadAt)) add(rightly, condition, probability);
    if (group === 1 && causeCount <= (leading?.causeCount ?? 0) + 1) add(alike, condition, probability);
  }
  const ranked = [...all].sort(([, a], [, b]) => b - a);
  const [first, second] = ranked;
  const byDanger = (a: ConditionId, b: ConditionId): number =>
    conditionIds.indexOf(a) - conditionIds.indexOf(b);
  // Of two about equally likely the more dangerous; none where three or more share the lead.
  const isShared = first !== undefined && first[1] < undeterminedBelow;
  const isTied = first !== undefined && second !== undefined && second[1] >= aboutEqual * first[1];
  const leads =
    first === undefined ? 'correct' : isTied && byDanger(second[0], first[0]) < 0 ? second[0] : first[0];
  // What nothing was read at is not called correct.
  const condition = isShared || (isUnread && leads === 'correct') ? 'undetermined' : leads;
  const dangerous = conditionIds.filter((one) => one !== condition && conditions[one].dangerous);
  const notRuledOut = dangerous.filter(
    (one) => (rightly.get(one) ?? 0) >= ruledOutShare || (alike.get(one) ?? 0) >= alikeShare,
  );
  const ifMisread = dangerous.filter(
    (one) => !notRuledOut.includes(one) && (all.get(one) ?? 0) >= ruledOutShare,
  );
  return {
    id,
    condition,
    probability: all.get(leads) ?? 0,
    notRuledOut,
    ifMisread,
    doubts: notRuledOut.map((one) => all.get(one) ?? 0),
    contacts: [0, 1, 2].map((contact) =>
      contactState(explanations, outlet, contact as 0 | 1 | 2),
    ) as unknown as OutletOpinion['contacts'],
  };
}

function contactState(explanations: readonly Weighed[], outlet: number, contact: 0 | 1 | 2): ContactState {
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
}
