import type { AssessmentWords } from '../../assessment/index.ts';
import type { CatalogWords } from '../../conditions/index.ts';
import type { CorrectionWords } from '../../corrections/index.ts';
import type { FindingLanguage } from '../../findings/index.ts';
import type { ReportLanguage } from '../../report/index.ts';
import type { Words } from '../words.ts';
import { causeWords, isSamePlace } from './causes.ts';
import { entryTable } from './entries.ts';
import { whyItShows } from './explain.ts';
import { listProblem, powerSource, rowProblem } from './lists.ts';
import { readingWords } from './readings.ts';
import { referenceWords } from './references.ts';
import type { Terms } from './terms.ts';
import { vanishedWords } from './vanished.ts';
import { type VerdictPhrases, verdictWords } from './verdicts.ts';

/** What one English says in its own words; all else follows from it. */
export type Own = CatalogWords &
  Omit<CorrectionWords, 'reference'> &
  Pick<AssessmentWords, 'instruments' | 'groundFault' | 'oddValue'> &
  Pick<
    FindingLanguage,
    | 'rules'
    | 'readingFindings'
    | 'noDefects'
    | 'flags'
    | 'openFirst'
    | 'metalSign'
    | 'metalJudged'
    | 'plateScrew'
    | 'groundFaultTried'
  > &
  Pick<ReportLanguage, 'report' | 'ownerPage'> &
  Pick<Words, 'tables' | 'listFields' | 'screens'> & {
    readonly terms: Omit<Terms, 'conditionName'>;
    readonly verdictPhrases: VerdictPhrases;
    /** "ground-fault", "RCD": before "test". */
    readonly groundFaultName: string;
  };

/** A whole English out of its own words. */
export function englishOf(language: string, own: Own): Words {
  const { terms: named, verdictPhrases, groundFaultName, ...said } = own;
  const terms: Terms = { ...named, conditionName: (id) => own.conditions[id].name };
  const reading = readingWords(terms, own.instruments);
  const verdicts = verdictWords(own, verdictPhrases);
  return {
    ...said,
    ...reading,
    ...causeWords(terms),
    ...verdicts,
    isSamePlace,
    language,
    reference: referenceWords(own.references),
    entries: entryTable({ ...own, ...reading, groundFaultName }),
    vanished: vanishedWords(verdicts.verdict),
    rowProblem: rowProblem(own.receptacleTypes),
    listProblem,
    powerSource,
    jobTitle: 'A Fair Plug job',
    whyItShows: (survey) => whyItShows(terms, survey),
  };
}
