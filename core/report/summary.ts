import type { Assessment } from '../assessment/index.ts';
import { type Finding, type FindingLanguage, findingsOf } from '../findings/index.ts';
import type { Practice } from '../knowledge/index.ts';
import { type Urgency, urgencies } from '../knowledge/index.ts';
import { coverageOf, type House, receptaclesOf } from '../log/index.ts';

/** What a list of jobs says of a house by its log alone. */
export interface HouseSummary {
  readonly address: string | null;
  readonly about: string | null;
  readonly yearBuilt: number | null;
  readonly receptacles: number;
  readonly tested: number;
  /** ISO time of the latest reading. */
  readonly lastReadAt: string | null;
}

export function summaryOf(house: House): HouseSummary {
  const { address, about, yearBuilt, lastReadAt } = house;
  const receptacles = receptaclesOf(house).length;
  return { address, about, yearBuilt, receptacles, tested: coverageOf(house).tested, lastReadAt };
}

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
