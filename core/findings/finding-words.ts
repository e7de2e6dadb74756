import type { AssessmentWords, GroundFaultCode } from '../assessment/index.ts';
import type {
  AluminumRemedyId,
  CatalogWords,
  ConditionId,
  CorrectionWords,
  Look,
  Urgency,
} from '../knowledge/index.ts';
import type { FunctionCheck } from '../log/index.ts';
import type { MetalJudged, MetalSign } from './aluminum-signs.ts';
import type { PartRuleWords } from './part-rule-words.ts';
import type { ProtectedPlace } from './protection-rules.ts';
import type { RuleText } from './rule-text.ts';
import type { Ungrounded } from './rules/grounds.ts';

export type { RuleText } from './rule-text.ts';

type State = FunctionCheck['state'];

/** An instrument that was not proved as it should be. */
export interface Unproved {
  readonly instrument: FunctionCheck['instrument'];
  readonly state: Exclude<State, 'proved'>;
}

/** Where the electrician opens first hangs on what is known of the house. */
export interface OpenFirst {
  readonly condition: ConditionId;
  /** The house was wired without grounds. */
  readonly hasNoGrounds: boolean;
  /** Breakers found off, as they were noted, where that may be why; null where none was. */
  readonly foundOff: string | null;
}

/** What a language says of findings: a line for each rule. */
export interface RuleWords extends PartRuleWords {
  readonly adapters: RuleText;
  readonly aluminumSeen: (seen: {
    /** Names of receptacles where push-in terminals hold it. */
    readonly inSprings: readonly string[];
    /** Those that the firm's school takes as a repair, the surest first. */
    readonly remedies: readonly AluminumRemedyId[];
    /** What was looked at besides; empty where nobody said it. */
    readonly looked: string;
  }) => RuleText;
  readonly aluminumSigns: (looked: string) => RuleText;
  readonly calibrationOverdue: (
    overdue: readonly { readonly instrument: FunctionCheck['instrument']; readonly day: string }[],
  ) => RuleText;
  readonly correctWithoutGround: (by: Ungrounded) => RuleText;
  readonly testersFailed: (failed: {
    readonly testers: readonly Unproved[];
    /** Readings that are in doubt. */
    readonly doubted: number;
  }) => RuleText;
  readonly testersNotProved: (testers: readonly Unproved[]) => RuleText;
  readonly groundFaultDevice: (code: GroundFaultCode) => RuleText;
  readonly halvesDiffer: RuleText;
  readonly lostServiceNeutral: (volts: { readonly high: number; readonly low: number }) => RuleText & {
    readonly evidence: string;
  };
  readonly missingLabels: RuleText;
  readonly missingProtection: (missing: {
    readonly place: ProtectedPlace;
    /** First year of the rule. */
    readonly from: number;
  }) => RuleText;
  readonly noTripDownstream: RuleText;
  readonly notCovered: (count: { readonly untested: number; readonly expected: number }) => RuleText;
  readonly voltage: (range: { readonly low: number; readonly high: number }) => RuleText;
  readonly neutralRise: (limit: { readonly volts: number }) => RuleText;
  readonly oldDevices: (life: { readonly years: number }) => RuleText;
  readonly jumperSeen: RuleText;
  readonly pushIn: RuleText;
  readonly willNotReset: RuleText;
  readonly powerNotBack: RuleText;
  readonly miswired: (count: {
    readonly miswired: number;
    readonly tested: number;
    readonly places: number;
    /** Places that would be usual. */
    readonly expected: number;
  }) => RuleText;
  /** Read wrong and correct when read again; `openFirst` is of the condition. */
  readonly readWrongBefore: (condition: ConditionId) => Omit<RuleText, 'openFirst'>;
  /** Two circuits that lost the same conductor near the panel. */
  readonly sharedSymptoms: (shared: {
    readonly breakers: readonly string[];
    readonly conductor: 'neutral' | 'ground';
  }) => RuleText;
  readonly sharedEvidence: (of: { readonly breaker: string; readonly cause: string }) => string;
  readonly smallConductor: (one: {
    readonly name: string;
    readonly awg: string;
    readonly amps: number;
  }) => string;
  readonly smallConductors: (
    those: readonly { readonly name: string; readonly awg: string; readonly amps: number }[],
  ) => RuleText;
  readonly ungroundedSystem: (by: Ungrounded) => RuleText;
  readonly visibleDefect: (look: Look) => RuleText;
}

/** What a language says of a finding that readings make. */
export interface ReadingFindingWords {
  /** A lamp glowed dimly. */
  readonly dim: string;
  /** What an undetermined receptacle may be, the most probable first. */
  readonly mayBe: (conditions: readonly ConditionId[]) => string;
  /** It reads correct, and what was read around it makes a condition likely. */
  readonly suspected: (condition: ConditionId) => string;
  /** Everything from a receptacle on shows it. */
  readonly beyond: (first: string) => string;
  /** A condition that is probable enough to act on makes it more pressing. */
  readonly raisedBy: (doubt: ConditionId) => string;
  /** Where nothing is known of where to open first, and what to test then. */
  readonly openFirst: string;
  readonly retest: string;
}

/** What must not be taken for a defect. */
export interface NoDefectWords {
  readonly holeUp: (names: readonly string[]) => string;
  readonly twoSlot: (names: readonly string[]) => string;
  readonly neutralRise: (risen: { readonly volts: number; readonly names: readonly string[] }) => string;
  readonly upgrade: (older: {
    readonly place: ProtectedPlace;
    readonly names: readonly string[];
    readonly from: number;
  }) => string;
  readonly threeWire: (names: readonly string[]) => string;
}

/** Where what was read since departs from what was taken over. */
export interface FlagWords {
  readonly gone: string;
  readonly readsOtherwise: (now: { readonly headline: string; readonly urgency: Urgency }) => string;
  readonly placeMoved: (where: string) => string;
  readonly alsoAt: (names: readonly string[]) => string;
  readonly noLongerAt: (names: readonly string[]) => string;
  /** In place of the name of a receptacle that was taken back. */
  readonly takenBack: string;
}

/** All that findings are said with in one language. */
export interface FindingLanguage extends CatalogWords, CorrectionWords, AssessmentWords {
  readonly rules: RuleWords;
  readonly readingFindings: ReadingFindingWords;
  readonly noDefects: NoDefectWords;
  readonly flags: FlagWords;
  /** As the end of "open first: …"; null where nothing is opened. */
  readonly openFirst: (first: OpenFirst) => string | null;
  /** Whether words of a place, from before places had codes, say the same place as words of today. */
  readonly isSamePlace: (before: string, now: string) => boolean;
  readonly metalSign: (sign: MetalSign) => string;
  readonly metalJudged: Readonly<Record<Exclude<MetalJudged['metal'], 'unknown'>, string>>;
  /** Of a box that was opened to look for a cause. */
  readonly behindCover: (found: boolean, cause: string) => string;
  /** Of a plate screw that a probe was held to, after the words of a reading. */
  readonly plateScrew: (sounds: boolean) => string;
  /** Of a try of a ground-fault device, as evidence. */
  readonly groundFaultTried: (code: GroundFaultCode) => string;
}
