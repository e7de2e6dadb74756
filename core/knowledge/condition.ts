import type { InstrumentId } from '../instruments/index.ts';
import type { CautionId } from './cautions.ts';
import type { ReferenceId } from './references.ts';
import type { QuestionId } from './schools.ts';
import type { WayId } from './ways.ts';

/** Conditions of a receptacle, the most dangerous first. */
export const conditionIds = [
  'energized-ground',
  'reversed-bootleg-ground',
  'hot-ground-reversed',
  'lost-shared-neutral',
  'open-neutral',
  'reversed-polarity',
  'bootleg-ground',
  'neutral-ground-bond',
  'open-ground',
  'neutral-ground-swapped',
  'high-resistance',
  'protection-tripped',
  'protection-failed',
  'open-hot',
  'correct',
] as const;
export type ConditionId = (typeof conditionIds)[number];

/** How soon something must happen, the most pressing first. */
export const urgencies = ['act-now', 'repair', 'note'] as const;
export type Urgency = (typeof urgencies)[number];
/** The more pressing, the less; last what presses nobody. */
export const urgencyRank = (urgency: Urgency | null): number =>
  urgency === null ? urgencies.length : urgencies.indexOf(urgency);
/** What a language says of a condition. */
export interface ConditionWords {
  readonly name: string;
  /** What is wrong, in the trade's words. */
  readonly what: string;
  /** Why it matters, in one line that an owner understands. */
  readonly why: string;
  /** What puts it right, and who does it, in one sentence. */
  readonly correction: string;
  /** Who or what is hurt, and how. */
  readonly hazard: string;
  /** Why it is as pressing as it is; empty where nothing is. */
  readonly urgencyReason: string;
  /** Where the electrician opens first, as the end of "open first: …"; null where nothing is opened. */
  readonly openFirst: string | null;
  /** For the electrician, in order. */
  readonly steps: readonly string[];
  /** What is tested once it is repaired. */
  readonly retest: string;
}

export interface Condition {
  readonly id: ConditionId;
  /** null where nothing needs to be done. */
  readonly urgency: Urgency | null;
  /** Someone may be hurt, or something may burn, by using the receptacle as it is. */
  readonly dangerous: boolean;
  /** Ways out, the usual first; those that are never accepted last, so that they can be named as such. */
  readonly ways: readonly WayId[];
  readonly references: readonly ReferenceId[];
  /** Questions on which practitioners differ that bear on it. */
  readonly questions: readonly QuestionId[];
  readonly cautions: readonly CautionId[];
  /** Instruments that may not be used while it may hold. */
  readonly forbids: readonly InstrumentId[];
}
