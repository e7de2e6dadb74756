import type { Spoken, Words } from '../words.ts';
import { isSamePlace } from './causes.ts';
import { entryTable } from './entries.ts';
import { whyItShows } from './explain.ts';
import { gridProblem, listProblem, rowProblem } from './lists.ts';
import { referenceWords } from './references.ts';
import type { NamedTerms } from './spoken.ts';
import type { UndoneTerms } from './undone.ts';
import { vanishedWords } from './vanished.ts';

/** What one English says in its own words in papers, settings and files. */
export type OwnPapers = Omit<
  Words,
  | keyof Spoken
  | 'entries'
  | 'gridProblem'
  | 'isSamePlace'
  | 'jobTitle'
  | 'listProblem'
  | 'reference'
  | 'rowProblem'
  | 'vanished'
  | 'whyItShows'
>;

/** A whole English out of what is spoken and its own words. */
export const englishOf = (spoken: Spoken, named: NamedTerms & UndoneTerms, own: OwnPapers): Words => ({
  ...spoken,
  ...own,
  entries: entryTable({ ...spoken, ...named }),
  isSamePlace,
  reference: referenceWords(own.references),
  vanished: vanishedWords(spoken.verdict),
  rowProblem: rowProblem(spoken.receptacleTypes),
  listProblem,
  gridProblem,
  jobTitle: 'A Fair Plug job',
  whyItShows: (survey) => whyItShows(named, survey),
});
