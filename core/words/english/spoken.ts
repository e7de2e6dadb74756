import type { Spoken } from '../words.ts';
import { causeWords } from './causes.ts';
import { functionChecks } from './function-checks.ts';
import { readingWords } from './readings.ts';
import { supplyPoint } from './sources.ts';
import type { Terms } from './terms.ts';
import { type UndoneTerms, undoneTable } from './undone.ts';
import { type VerdictPhrases, verdictWords } from './verdicts.ts';

export type NamedTerms = Omit<Terms, 'conditionName'>;

/** What follows by rule from one English's own words, where receptacles are read. */
type SpokenByRule =
  | 'cause'
  | 'explanation'
  | 'functionChecks'
  | 'instrumentFault'
  | 'lamps'
  | 'lampsBriefly'
  | 'language'
  | 'place'
  | 'supplyPoint'
  | 'reading'
  | 'share'
  | 'stop'
  | 'test'
  | 'testAgain'
  | 'undone'
  | 'values'
  | 'verdict'
  | 'whyNext'
  | 'wrongReading';

/** What one English says in its own words where receptacles are read. */
export interface OwnSpoken extends Omit<Spoken, SpokenByRule>, UndoneTerms {
  readonly terms: NamedTerms;
  readonly verdictPhrases: VerdictPhrases;
}

/** What is said where receptacles are read, out of an English's own words. */
export function spokenEnglish(language: string, own: OwnSpoken): Spoken {
  const { terms: named, verdictPhrases, groundFaultName, panelName, aluminumName, ...rest } = own;
  const terms: Terms = { ...named, conditionName: (id) => own.conditions[id].name };
  const reading = readingWords(terms, own.instruments);
  return {
    ...rest,
    ...reading,
    ...causeWords(terms),
    ...verdictWords(own, verdictPhrases),
    language,
    functionChecks,
    undone: undoneTable({ groundFaultName, panelName, aluminumName }),
    supplyPoint,
  };
}
