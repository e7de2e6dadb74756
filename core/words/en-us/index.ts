import { englishOf } from '../english/language.ts';
import type { Words } from '../words.ts';
import { questions, references, remedies, ways, workers } from './corrections.ts';
import { eraHint, eraLanes, eras } from './eras.ts';
import { findingPhrases } from './findings.ts';
import { partNames, photoNames } from './house-parts.ts';
import * as materials from './materials.ts';
import { ownerPage } from './owner-page.ts';
import { terms, undoneTerms } from './phrases.ts';
import { report, sections } from './report.ts';
import { rules } from './rules.ts';
import { spokenUs } from './spoken.ts';
import { listFields, tables } from './tables.ts';

/** The English of North America. */
export const enUs: Words = /* @__PURE__ */ englishOf(
  spokenUs,
  { ...terms, ...undoneTerms },
  {
    ...findingPhrases,
    ...materials,
    eraHint,
    eraLanes,
    eras,
    listFields,
    ownerPage,
    parts: partNames,
    photos: photoNames,
    questions,
    references,
    remedies,
    report,
    rules,
    sections,
    tables,
    ways,
    workers,
  },
);
