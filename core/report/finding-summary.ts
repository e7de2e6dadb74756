import type { Assessment } from '../assessment/index.ts';
import { type Finding, type FindingLanguage, findingsOf } from '../findings/index.ts';
import type { Practice } from '../knowledge/index.ts';
import { type Urgency, urgencies } from '../knowledge/index.ts';

/** How many findings a house has, and how pressing they are: said of it wherever it is listed. */
export interface FindingSummary {
  readonly reported: number;
  /** Of them, those that nobody has decided on. */
  readonly toDecide: number;
  /** Of the most pressing one that is reported; null where none is. */
  readonly urgency: Urgency | null;
}

export function summaryOfFindings(findings: readonly Finding[]): FindingSummary {
  const reported = findings.filter(({ number }) => number > 0);
  const pressing = new Set(reported.map(({ urgency }) => urgency));
  return {
    reported: reported.length,
    toDecide: reported.filter(({ status }) => status === 'open').length,
    urgency: urgencies.find((one) => pressing.has(one)) ?? null,
  };
}

export const findingSummaryOf = (
  assessment: Assessment,
  practice: Practice,
  words: FindingLanguage,
): FindingSummary => summaryOfFindings(findingsOf(assessment, practice, words));
