import type { QuestionId, ReferenceId, WayId } from '../corrections/index.ts';
import type { CautionId } from './cautions.ts';

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
export const urgencyWords: Readonly<Record<Urgency, string>> = {
  'act-now': 'Act now',
  repair: 'Repair',
  note: 'Note',
};

export interface Condition {
  readonly id: ConditionId;
  readonly name: string;
  /** What is wrong, in the trade's words. */
  readonly what: string;
  /** Why it matters, in one line that an owner understands. */
  readonly why: string;
  /** null where nothing needs to be done. */
  readonly urgency: Urgency | null;
  /** Someone may be hurt, or something may burn, by using the receptacle as it is. */
  readonly dangerous: boolean;
  /** What puts it right, and who does it, in one sentence. */
  readonly correction: string;
  /** Who or what is hurt, and how. */
  readonly hazard: string;
  /** Why it is as pressing as it is; empty where nothing is. */
  readonly urgencyReason: string;
  /** Ways out, the usual first; those that are never accepted last, so that they can be named as such. */
  readonly ways: readonly WayId[];
  /** Where the electrician opens first, as the end of "open first: …"; null where nothing is opened. */
  readonly openFirst: string | null;
  /** For the electrician, in order. */
  readonly steps: readonly string[];
  /** What is tested once it is repaired. */
  readonly retest: string;
  readonly references: readonly ReferenceId[];
  /** Questions on which practitioners differ that bear on it. */
  readonly questions: readonly QuestionId[];
  readonly cautions: readonly CautionId[];
}

/** The first step of nearly all work in a box. */
export const proveDead =
  'Breaker off; prove every conductor in the box dead with a tester that was just proved, since two circuits may share it.';
