import { references } from '../en-us/corrections.ts';
import { eraHint, eraLanes, eras } from '../en-us/eras.ts';
import { englishOf } from '../english/language.ts';
import type { Words } from '../words.ts';
import { questions, remedies, ways, workers } from './corrections.ts';
import { findingPhrases } from './findings.ts';
import { partNames, photoNames } from './house-parts.ts';
import * as materials from './materials.ts';
import { ownerPage } from './owner-page.ts';
import { terms, undoneTerms } from './phrases.ts';
import { report, sections } from './report.ts';
import { rules } from './rules.ts';
import { spokenGb } from './spoken.ts';
import { listFields, tables } from './tables.ts';

/** The English of the United Kingdom. Years and publications of the United States are shown of no house there. */
export const enGb: Words = /* @__PURE__ */ englishOf(
  spokenGb,
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
