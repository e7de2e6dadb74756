import type { FindingLanguage } from '../findings/index.ts';
import type { OwnerTexts } from './owner-texts.ts';

/** What the log holds of how a house was inspected. */
export interface MethodFacts {
  /** How many boxes were looked into. */
  readonly coversOff: number;
  /** At how many receptacles both halves were tried. */
  readonly halves: number;
  /** Breakers that were switched, as the panel's directory has them. */
  readonly breakers: readonly string[];
  /** Who said that breakers may be switched; null where nobody is named. */
  readonly leaveFrom: string | null;
  readonly hasLeave: boolean;
}

/** Headings and standing sentences of the report in one language. */
export interface ReportTexts {
  readonly title: string;
  /** Before the words on how a triangle is read. */
  readonly guideHeading: string;
  readonly figures: {
    /** After the number. */
    readonly listed: (count: number) => string;
    readonly correct: string;
    readonly notCorrect: string;
    readonly notTested: string;
  };
  readonly guide: string;
  readonly workListLead: string;
  /** In place of a room, of what is no receptacle. */
  readonly elsewhere: string;
  readonly noWork: string;
  readonly noFindings: string;
  readonly signed: (name: string, date: string) => string;
  /** Something was entered or taken back after a signature, the last of it at this time. */
  readonly changedSince: (time: string) => string;
  /** Whether words of where to open first name no box. */
  readonly isNoBox: (words: string) => boolean;
  /** The breaker of a box and what else hangs on it. */
  readonly circuit: (breaker: string, others: readonly string[]) => string;
}

/** All that a report is written with in one language. */
export interface ReportLanguage extends FindingLanguage {
  readonly report: ReportTexts;
  readonly ownerPage: OwnerTexts;
}
