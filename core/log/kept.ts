import type { InstrumentId, Shown } from '../instruments/index.ts';
import type { ConditionId, Urgency } from '../knowledge/condition.ts';
import type { Danger } from '../knowledge/observations.ts';
import type { Worker } from '../knowledge/ways.ts';
import type { Link } from './chain.ts';

/** Who said something, with which device, and when. */
export interface Stamped {
  readonly id: string;
  readonly device: string;
  readonly author: string;
  /** The device's own time. */
  readonly at: string;
  readonly clock?: string | undefined;
  /** When it was had first; stands only where its clock can be nobody's. */
  readonly received?: string | undefined;
  readonly link?: Link | undefined;
}

/** What an instrument showed at a receptacle: plain lamps, lamps in another state of the circuit, and all others. */
export interface ReadingTaken extends Stamped {
  readonly kind: 'reading-taken';
  readonly receptacle: string;
  readonly tester?: string | undefined;
  readonly shown: Shown;
  /** Of a probe: whether the plate screw sounds. */
  readonly plateScrew?: boolean | undefined;
}

export interface GroundFaultTested extends Stamped {
  readonly kind: 'ground-fault-tested';
  readonly receptacle: string;
  readonly tester?: string | undefined;
  readonly by: 'tester-button' | 'own-button';
  readonly result: 'tripped' | 'no-trip' | 'power-stays-on' | 'no-power';
  readonly heldSeconds?: number | undefined;
}

export interface PeopleWarned extends Stamped {
  readonly kind: 'people-warned';
  readonly receptacle: string;
  readonly danger: Danger;
}

export interface Noted extends Stamped {
  readonly kind: 'noted';
  readonly receptacle: string;
  readonly text: string;
}

export interface TesterProved extends Stamped {
  readonly kind: 'tester-proved';
  readonly instrument: InstrumentId;
  readonly tester?: string | undefined;
  readonly passed: boolean;
}

export interface TesterDropped extends Stamped {
  readonly kind: 'tester-dropped';
  readonly instrument: InstrumentId;
  readonly tester?: string | undefined;
}

/** What took the power from receptacles. */
export type LostBy =
  | { readonly kind: 'device'; readonly receptacle: string }
  | { readonly kind: 'breaker'; readonly breaker: string };

/** What was known to be dead with a device or a breaker at one time. */
export interface WentDead extends Stamped {
  readonly kind: 'went-dead';
  readonly by: LostBy;
  readonly dead: readonly string[];
  readonly powerBack: boolean;
  /** It was tried, and the power did not come back. */
  readonly willNotReset?: boolean;
}

export interface Signed extends Stamped {
  readonly kind: 'signed';
  readonly role: 'inspector' | 'client';
  readonly name: string;
  readonly strokes: readonly (readonly number[])[];
}

/** What a finding says, whoever worded it. */
export interface Wording {
  readonly urgency: Urgency;
  readonly headline: string;
  /** What is wrong, in the trade's words. */
  readonly what: string;
  /** Why it matters, in words that an owner understands. */
  readonly why: string;
  readonly correction: string;
  readonly by: Worker;
}

/** A finding as it stood when somebody took it over. */
export interface Held extends Wording {
  readonly condition: ConditionId | null;
  readonly isSuspected?: boolean | undefined;
  /** What it said, apart from its words; left out by older applications. */
  readonly code?: string | undefined;
  /** Where its cause sits, apart from its words. */
  readonly place?: string | undefined;
  readonly receptacles: readonly string[];
  readonly where: string | null;
}

interface OnFinding extends Stamped {
  readonly finding: string;
}
export type FindingDecided = OnFinding & { readonly kind: 'finding-decided' } & (
    | { readonly decision: 'accepted'; readonly held: Held }
    | { readonly decision: 'refused'; readonly reason: string; readonly held: Held }
    | { readonly decision: 'open' }
  );
/** Words in place of the proposal's; null gives the proposal's back. */
export type FindingEdited = OnFinding & { readonly kind: 'finding-edited' } & {
  readonly [K in keyof Wording]?: Wording[K] | null | undefined;
} & { readonly note?: string | null | undefined };
export interface FindingAdded extends OnFinding, Wording {
  readonly kind: 'finding-added';
  readonly receptacles: readonly string[];
}
export interface FindingSplit extends OnFinding {
  readonly kind: 'finding-split';
  readonly part: string;
  readonly receptacles: readonly string[];
}
export interface FindingMerged extends OnFinding {
  readonly kind: 'finding-merged';
  readonly into: string | null;
}
export interface FindingsOrdered extends Stamped {
  readonly kind: 'findings-ordered';
  readonly findings: readonly string[];
}
/** What was decided on findings. */
export type FindingEntry =
  | FindingDecided
  | FindingEdited
  | FindingAdded
  | FindingSplit
  | FindingMerged
  | FindingsOrdered;
