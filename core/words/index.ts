import type { Assessment } from '../assessment/index.ts';
import { type Finding, findingsOf as findingsIn } from '../findings/index.ts';
import type { Region } from '../knowledge/index.ts';
import { type Practice, usualPractice } from '../knowledge/index.ts';
import {
  type FindingSummary,
  findingSummaryOf as findingSummaryIn,
  type OwnerTexts,
  type Report,
  reportOn as reportIn,
} from '../report/index.ts';
import { enGb } from './en-gb/index.ts';
import { enUs } from './en-us/index.ts';
import { ownerPage as spanish } from './es/owner-page.ts';
import type { Words } from './words.ts';

export * from './counted.ts';
export { describedAnew, type EntryTable, entryLine } from './english/entries.ts';
export { viewsIn } from './english/report-sections.ts';
export { listed } from './listed.ts';
export { message } from './message.ts';
export { problemInWords, wrongInWords } from './problems.ts';
export type { ScreenWords } from './screen-words.ts';
export {
  type GridProblem,
  type ListField,
  type ListProblem,
  listFields,
  type RowProblem,
  type Spoken,
  type Words,
} from './words.ts';
export { enGb, enUs };

const byRegion: Readonly<Record<Region, Words>> = { 'north-america': enUs, uk: enGb };

/** The words that houses of a region are spoken of with. */
export const wordsIn = (region: Region): Words => byRegion[region];

/** The findings of an assessed house, in the words of its region. */
export const findingsOf = (assessment: Assessment, practice: Practice = usualPractice): readonly Finding[] =>
  findingsIn(assessment, practice, wordsIn(assessment.house.region));

export const findingSummaryOf = (
  assessment: Assessment,
  practice: Practice = usualPractice,
): FindingSummary => findingSummaryIn(assessment, practice, wordsIn(assessment.house.region));

/** The report on a house, in the words of its region. */
export const reportOn = (assessment: Assessment, practice: Practice = usualPractice): Report =>
  reportIn(assessment, practice, wordsIn(assessment.house.region));

/** Languages that the owner's page is there in. */
export const ownerLanguages = ['en', 'es'] as const;
export type OwnerLanguage = (typeof ownerLanguages)[number];

/** The texts of the owner's page in a language, for a house of a region. */
export const ownerTexts = (language: OwnerLanguage, region: Region): OwnerTexts =>
  language === 'es' ? spanish : wordsIn(region).ownerPage;
