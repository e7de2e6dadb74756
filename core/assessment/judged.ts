import type { Circuit, Load } from '../circuit/index.ts';
import type {
  ContactState,
  InstrumentFault,
  LikelyGroup,
  Localization,
  LostServiceNeutral,
  NextTest,
  ReadingComparison,
  RunLength,
  Scales,
} from '../engine/index.ts';
import type { Fault } from '../faults/index.ts';
import type { ConditionId } from '../knowledge/index.ts';
import type { Suspect } from './suspects.ts';

/** Something that may be behind what was read. */
export interface JudgedExplanation {
  readonly faults: readonly Fault[];
  /** Nothing is wrong, but a device or a breaker has tripped or a switch is off. */
  readonly isTripped: boolean;
  /** Nothing is wrong, behind a fault that is more probable: then something was misread. */
  readonly isMisread: boolean;
  /** Instruments that do not work under it. */
  readonly instruments: readonly InstrumentFault[];
  readonly probability: number;
  /** What holds at the receptacle under it. */
  readonly condition: ConditionId;
}

/** What the engine makes of one receptacle. Plain data: it crosses from the worker. */
export interface JudgedReceptacle {
  readonly id: string;
  readonly condition: ConditionId | 'undetermined';
  readonly probability: number;
  readonly notRuledOut: readonly ConditionId[];
  /** Further ones, were a reading wrong. */
  readonly ifMisread: readonly ConditionId[];
  readonly doubts: readonly number[];
  readonly contacts: Readonly<Record<'hot' | 'neutral' | 'ground', ContactState>>;
  readonly next: NextTest | null;
  /** The most probable first. */
  readonly explanations: readonly JudgedExplanation[];
  readonly table: readonly ReadingComparison[];
  /** Which of the circuit's causes takes it along, by position; null where none does. */
  readonly cause: { readonly breaker: string; readonly position: number } | null;
  readonly isFinal: boolean;
  /** There was no time to try all that its circuit's readings ask for. */
  readonly isCutShort: boolean;
}

/** One thing that is wrong on a circuit, and everything that it explains. */
export interface JudgedCause {
  /** What kind of cause it is and which of its kind on the circuit: the same while ohms and place become clearer. */
  readonly id: string;
  readonly faults: readonly Fault[];
  /** Where it sits; null where it is not known. */
  readonly place: Localization | null;
  readonly receptacles: readonly string[];
  /** How probable it is, whatever stands beside it. */
  readonly probability: number;
}

/** What may hold of a circuit as a whole. */
export interface CircuitExplanation {
  /** With ohms as fitted. */
  readonly faults: readonly Fault[];
  readonly loads: readonly Load[];
  /** Receptacles that are not correct under it. */
  readonly receptacles: readonly string[];
  readonly instruments: readonly InstrumentFault[];
  /** Nothing is wrong, behind a fault that is more probable: then something was misread. */
  readonly isMisread: boolean;
  /** Its neutral is shared with another breaker, of which nobody has said so. */
  readonly isShared: boolean;
  /** Explanations of one group show all readings alike. */
  readonly group: number;
  readonly probability: number;
  /** What all volts are times what the circuit's file says of its supply. */
  readonly scales: Scales;
}

export interface JudgedCircuit {
  readonly breaker: string;
  /** Two where they share a neutral. */
  readonly breakers: readonly string[];
  /** From the panel outward. */
  readonly receptacles: readonly string[];
  /** As it was taken to be wired, for what is worked out on it. */
  readonly circuit: Circuit;
  /** The most probable first. */
  readonly explanations: readonly CircuitExplanation[];
  /** Every fault that one of them or another puts somewhere. */
  readonly suspects: readonly Suspect[];
  readonly causes: readonly JudgedCause[];
  /** The best test for the circuit as a whole; null where none decides anything, or none may be made. */
  readonly next: NextTest | null;
  /** What no test that was made would have shown, once none is left that decides anything; null while one is, or may not be made. */
  readonly unseen: readonly ConditionId[] | null;
  /** By load tests, the nearest to the panel first. */
  readonly lengths: readonly RunLength[];
  readonly isFinal: boolean;
  readonly stoppedEarly: boolean;
}

export interface HouseJudgement {
  readonly receptacles: ReadonlyMap<string, JudgedReceptacle>;
  readonly circuits: readonly JudgedCircuit[];
  /** Receptacles that nobody put on a circuit, and that look as if they shared one. */
  readonly likelyGroups: readonly LikelyGroup[];
  readonly serviceNeutral: LostServiceNeutral | null;
  /** What may hide behind receptacles that read correct, with the instruments used at them. */
  readonly notSeen: readonly ConditionId[];
  readonly isFinal: boolean;
}
