import { englishOf } from '../english/language.ts';
import type { Words } from '../words.ts';
import { cautions } from './cautions.ts';
import { conditions } from './conditions.ts';
import { questions, references, remedies, ways, workers } from './corrections.ts';
import { eraHint, eraLanes, eras } from './eras.ts';
import { findingPhrases } from './findings.ts';
import { instruments } from './instruments.ts';
import { dim, fits, patterns } from './lamp-patterns.ts';
import * as observations from './observations.ts';
import { ownerPage } from './owner-page.ts';
import { oddValue, terms, verdictPhrases } from './phrases.ts';
import { regions } from './regions.ts';
import { report } from './report.ts';
import { rules } from './rules.ts';
import { screens } from './screens.ts';
import { listFields, tables } from './tables.ts';

/** The English of North America. */
export const enUs: Words = englishOf('en-US', {
  ...observations,
  ...findingPhrases,
  cautions,
  conditions,
  dim,
  eraHint,
  eraLanes,
  eras,
  fits,
  groundFaultName: 'ground-fault',
  instruments,
  listFields,
  oddValue,
  ownerPage,
  patterns,
  questions,
  references,
  regions,
  remedies,
  report,
  rules,
  screens,
  tables,
  terms,
  verdictPhrases,
  ways,
  workers,
});
