import { spokenEnglish } from '../english/spoken.ts';
import type { Spoken } from '../words.ts';
import { cautions } from './cautions.ts';
import { conditions } from './conditions.ts';
import { instruments } from './instruments.ts';
import { dim, fits, patterns } from './lamp-patterns.ts';
import * as observations from './observations.ts';
import { oddValue, terms, undoneTerms, verdictPhrases } from './phrases.ts';
import { regions } from './regions.ts';
import { screens } from './screens.ts';

/** The English of the United Kingdom, where receptacles are read. */
export const spokenGb: Spoken = /* @__PURE__ */ spokenEnglish('en-GB', {
  ...observations,
  cautions,
  conditions,
  dim,
  fits,
  ...undoneTerms,
  instruments,
  oddValue,
  patterns,
  regions,
  screens,
  terms,
  verdictPhrases,
});
