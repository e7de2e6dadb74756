import { causes } from './causes.ts';
import { cautions } from './cautions.ts';
import { circuits } from './circuits.ts';
import { coverage } from './coverage.ts';
import { findings } from './findings.ts';
import { functionChecks } from './function-checks.ts';
import { heat } from './heat.ts';
import { introduction } from './introduction.ts';
import type { Block, Clock } from './kind.ts';
import { method } from './method.ts';
import { noDefect } from './no-defect.ts';
import { notSeen } from './not-seen.ts';
import { owner } from './owner.ts';
import { particulars } from './particulars.ts';
import { photos } from './photos.ts';
import { receptacles } from './receptacles.ts';
import { signatures } from './signatures.ts';
import { summary } from './summary.ts';
import { switches } from './switches.ts';
import { wiring } from './wiring.ts';
import { workList } from './work-list.ts';

export type { Block, Clock, Reported, Run } from './kind.ts';

/** Every section in the order of the report, each left out where it is null: a file and a line each. */
export const sections = {
  particulars,
  introduction,
  summary,
  owner,
  workList,
  findings,
  causes,
  circuits,
  noDefect,
  notSeen,
  receptacles,
  wiring,
  switches,
  heat,
  photos,
  coverage,
  functionChecks,
  method,
  cautions,
  signatures,
} as const;

export type SectionId = keyof typeof sections;
export const sectionIds = Object.keys(sections) as readonly SectionId[];
export type SectionData<I extends SectionId> = NonNullable<ReturnType<(typeof sections)[I]>>;

/** Those that are drawn: with triangles, marks, plans or signatures. All others are text. */
export const drawnSections = [
  'summary',
  'owner',
  'workList',
  'findings',
  'circuits',
  'receptacles',
  'heat',
  'photos',
  'signatures',
] as const satisfies readonly SectionId[];
export type DrawnSection = (typeof drawnSections)[number];
export type TextSection = Exclude<SectionId, DrawnSection>;

/** What stands over a section, and what the text of one says. */
export interface SectionWords {
  readonly headings: Readonly<Record<Exclude<SectionId, Unheaded>, string>>;
  readonly texts: {
    readonly [I in TextSection]: (data: SectionData<I>, clock: Clock) => readonly Block[];
  };
}

/** Those that need no heading, or have one of their own. */
type Unheaded = 'particulars' | 'introduction' | 'summary' | 'owner';
