import type { AluminumRemedyId } from './aluminum-remedies.ts';
import type { CodeInForce, ReferenceId, ReferenceWords } from './references.ts';
import type { QuestionId, Schools, ViewWords } from './schools.ts';
import type { WayId, WayWords, Worker } from './ways.ts';

/** What a language says of corrections, and of what practitioners and publications hold of them. */
export interface CorrectionWords {
  /** Who may do the work. */
  readonly workers: Readonly<Record<Worker, string>>;
  readonly ways: Readonly<Record<WayId, WayWords>>;
  readonly remedies: Readonly<
    Record<
      AluminumRemedyId,
      { readonly name: string; readonly says: Readonly<Record<Schools['aluminum'], string>> }
    >
  >;
  readonly questions: {
    readonly [Q in QuestionId]: {
      readonly asks: string;
      readonly views: Readonly<Record<Schools[Q], ViewWords>>;
    };
  };
  readonly references: Readonly<Record<ReferenceId, ReferenceWords>>;
  /** "NEC 2023 200.11 (from memory)" */
  readonly reference: (id: ReferenceId, code: CodeInForce) => string;
}
