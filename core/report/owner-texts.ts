import type { ConditionId, Look, Urgency, Worker } from '../knowledge/index.ts';

/** What a finding is about, for a language that words it itself. */
export type Topic =
  | { readonly kind: 'condition'; readonly id: ConditionId }
  | { readonly kind: 'look'; readonly id: Look }
  /** By the key of its proposal. */
  | { readonly kind: 'house'; readonly id: string };

export interface TopicWords {
  readonly headline: string;
  readonly why: string;
}

/** All the words of the owner's page in one language. */
export interface OwnerTexts {
  /** BCP 47. */
  readonly language: string;
  /** In its own language. */
  readonly name: string;
  readonly title: string;
  readonly groups: Readonly<
    Record<Urgency, { readonly heading: string; readonly lead: string; readonly none: string }>
  >;
  /** Nothing to act on today, where something to repair is dangerous all the same. */
  readonly dangerousAllTheSame: string;
  readonly worker: Readonly<Record<Worker, string>>;
  readonly fine: {
    readonly heading: string;
    readonly count: (readCorrect: number, tested: number) => string;
    readonly limit: string;
  };
  readonly unseen: {
    readonly heading: string;
    readonly untested: (untested: number, expected: number) => string;
    readonly allTested: (expected: number) => string;
    readonly hidden: (conditions: readonly string[]) => string;
    readonly walls: (looked: { readonly switches: boolean }) => string;
  };
  readonly closing: string;
  /** Of what is only likely enough to be settled. */
  readonly suspected: (headline: string) => string;
  /** null where the finding's own words are good enough in this language, or none are there. */
  readonly topic: (topic: Topic) => TopicWords | null;
}
