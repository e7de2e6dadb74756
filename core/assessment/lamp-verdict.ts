import type { ContactState } from '../engine/index.ts';
import {
  type Contact,
  contacts,
  type LampPattern,
  type Lamps,
  litFrom,
  patternsOf,
} from '../instruments/index.ts';
import {
  type CautionId,
  type ConditionId,
  conditionIds,
  conditions,
  type Danger,
  type Fit,
  type Look,
  patternTable,
  type TestKind,
  type Urgency,
} from '../knowledge/index.ts';
import { Memo } from './memo.ts';

export type { ContactState } from '../engine/index.ts';

/** What a verdict says, apart from its words: equal codes are said alike. */
export type VerdictCode =
  | `lamps-${LampPattern | 'dim'}`
  | ConditionId
  | `may-hide-${ConditionId}`
  | `kept-away-${Danger | Look}`
  | 'two-slot'
  | 'undetermined';

/** Why testing must end: every lamp is lit, or people must be kept away. */
export type StopReason = 'all-lit' | Danger;

export interface Verdict {
  readonly kind: 'verdict';
  /** The pattern that the lamps show; 'dim' where no pattern is to be trusted, or no lamps were read. */
  readonly signature: LampPattern | 'dim';
  /** What the evidence reads as, the most dangerous first; empty where no pattern can be trusted. */
  readonly readsAs: readonly ConditionId[];
  readonly code: VerdictCode;
  /** Of what it reads as; what is not ruled out may be more pressing. */
  readonly urgency: Urgency | null;
  /** Plainly what should be there: needs no follow-up to go on. */
  readonly plain: boolean;
  /** What else shows the same, the most dangerous first. */
  readonly alsoFits: readonly Fit[];
  /** The dangerous conditions that still fit beside what it reads as, the most dangerous first. */
  readonly notRuledOut: readonly ConditionId[];
  readonly contacts: Readonly<Record<Contact, ContactState>>;
  /** What settles what the lamps leave open. */
  readonly settle: TestKind | null;
  /** Why testing must end there; null where it goes on. */
  readonly stop: StopReason | null;
  /** The cautions that apply while this verdict stands. */
  readonly cautions: readonly CautionId[];
}

/** All that was recorded at one receptacle and still counts. */
export interface OutletEvidence {
  readonly lamps: Lamps;
}

/** Answers what the evidence at one receptacle means. The physics takes this place without its callers knowing. */
export type Judge = (evidence: OutletEvidence) => Verdict;

const danger = (fit: Fit): number => conditionIds.indexOf(fit.conditions[0]);
const byDanger = (a: Fit, b: Fit): number => danger(a) - danger(b);

/** A contact counts as live from the potential at which a lamp to earth would light. */
const isLive = (fit: Fit, contact: Contact): boolean => Math.abs(fit.potentials[contact]) >= litFrom;
/** A contact that floats is neither proved live nor proved safe. */
const isQuiet = (fit: Fit, contact: Contact): boolean => Math.abs(fit.potentials[contact]) <= 0.1;

function contactStates(fits: readonly Fit[]): Readonly<Record<Contact, ContactState>> {
  const state = (contact: Contact): ContactState => {
    if (fits.every((fit) => isLive(fit, contact))) return 'live';
    return fits.every((fit) => isQuiet(fit, contact)) ? 'not-live' : 'may-be-live';
  };
  const [hot, neutral, ground] = contacts;
  return { hot: state(hot), neutral: state(neutral), ground: state(ground) };
}

const cautionsOf = (read: readonly ConditionId[]): readonly CautionId[] => [
  ...new Set(read.flatMap((id) => conditions[id].cautions)),
];

function dangersAmong(fits: readonly Fit[], leading: readonly ConditionId[]): readonly ConditionId[] {
  const open = new Set(fits.flatMap((fit) => fit.conditions));
  return conditionIds.filter((id) => open.has(id) && conditions[id].dangerous && !leading.includes(id));
}

/** Three lamps of three states. */
const allReadings = 27;
const verdicts = new Memo(({ hn, hg, ng }: Lamps) => verdictOnLamps({ hn, hg, ng }), allReadings);

/** The verdict on the lamps of one plug-in tester, from the pattern table; the same object for the same lamps. */
export const judgeByLamps: Judge = ({ lamps: { hn, hg, ng } }) => verdicts.of({ hn, hg, ng });

function verdictOnLamps(lamps: Lamps): Verdict {
  const patterns = patternsOf(lamps);
  const [only] = patterns;
  if (only === undefined || patterns.length > 1)
    return dimVerdict(patterns.flatMap((p) => patternTable[p].fits));
  const entry = patternTable[only];
  const [first, ...others] = entry.fits;
  const reading = conditions[first.conditions[0]];
  return {
    kind: 'verdict',
    signature: only,
    readsAs: first.conditions,
    code: `lamps-${only}`,
    cautions: cautionsOf(first.conditions),
    urgency: reading.urgency,
    plain: reading.id === 'correct',
    alsoFits: others.toSorted(byDanger),
    notRuledOut: dangersAmong(others, first.conditions),
    contacts: contactStates(entry.fits),
    settle: entry.settle,
    stop: entry.stops ? 'all-lit' : null,
  };
}

const lowVoltage: Fit = {
  conditions: ['high-resistance'],
  id: 'low-voltage',
  frequency: 'met',
  potentials: { hot: 0.6, neutral: 0, ground: 0 },
};

const unequalLegs: Fit = {
  conditions: ['lost-shared-neutral'],
  id: 'unequal-legs',
  frequency: 'met',
  potentials: { hot: 1, neutral: 0.4, ground: 0 },
};

function dimVerdict(patternFits: readonly Fit[]): Verdict {
  const faulty = patternFits.filter((fit) => fit.conditions[0] !== 'correct');
  const fits = [lowVoltage, unequalLegs, ...faulty].toSorted(byDanger);
  return {
    kind: 'verdict',
    signature: 'dim',
    readsAs: [],
    code: 'lamps-dim',
    urgency: 'repair',
    cautions: ['contacts', 'load-test', 'box'],
    plain: false,
    alsoFits: fits,
    notRuledOut: dangersAmong(fits, []),
    contacts: contactStates(fits),
    settle: 'meter',
    stop: null,
  };
}
