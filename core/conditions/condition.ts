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
  readonly cautions: readonly CautionId[];
}
