import type { Survey } from '../circuit/index.ts';
import type { Vanished } from '../findings/index.ts';
import type { PartWords } from '../knowledge/index.ts';
import type { FunctionCheckState, SupplyPoint } from '../log/index.ts';
import type { ReportLanguage, SectionWords } from '../report/index.ts';
import type { EntryTable } from './english/entries.ts';
import type { PhotoWords } from './english/photo-words.ts';
import type { UndoneTable } from './english/undone.ts';
import type { ScreenWords } from './screen-words.ts';

/** What a column of a list of receptacles may hold. */
export const listFields = ['room', 'receptacle', 'type', 'breaker', 'place', 'note'] as const;
export type ListField = (typeof listFields)[number];

/** What is wrong with a cell of a list. */
export type RowProblem =
  | { readonly kind: 'empty' | 'type' | 'place' | 'listed-already' }
  | { readonly kind: 'too-long'; readonly most: number };

/** Why a file is no thermal picture. */
export type GridProblem =
  | { readonly kind: 'large'; readonly megabytes: number; readonly most: number }
  | { readonly kind: 'no-text' }
  /** Its first cell names no scale. */
  | { readonly kind: 'no-unit' }
  | { readonly kind: 'empty' }
  /** Rows of the file from 1, the header among them; columns from 1. */
  | { readonly kind: 'no-number'; readonly row: number; readonly column: number; readonly cell: string }
  | { readonly kind: 'hole'; readonly row: number; readonly column: number }
  | { readonly kind: 'ragged'; readonly row: number; readonly cells: number; readonly expected: number }
  | { readonly kind: 'implausible'; readonly row: number; readonly column: number; readonly cell: string };

/** Why a file is no list of receptacles. */
export type ListProblem =
  | { readonly kind: 'no-workbook' | 'no-text' | 'empty' | 'wide' }
  | { readonly kind: 'large'; readonly megabytes: number; readonly most: number }
  | { readonly kind: 'unpacks'; readonly most: number }
  | { readonly kind: 'long'; readonly rows: number; readonly most: number };

/** Titles of a table for a spreadsheet, and of its columns in their order. */
export interface TableWords {
  readonly name: string;
  readonly columns: readonly string[];
}

/** All that is said in one language. */
export interface Words extends ReportLanguage {
  /** BCP 47. */
  readonly language: string;
  readonly screens: ScreenWords;
  readonly functionChecks: Readonly<Record<FunctionCheckState, string>>;
  /** What the sections of a report say. */
  readonly sections: SectionWords;
  /** What every kind of entry says. */
  readonly entries: EntryTable;
  /** What an undo takes back. */
  readonly undone: UndoneTable;
  /** Why a finding that nobody decided on is proposed no more. */
  readonly vanished: (gone: Vanished) => string;
  /** Why an instrument shows what it shows at an outlet, in a sentence. */
  readonly whyItShows: (survey: Survey) => string;
  /** What a column of a list of receptacles may hold. */
  readonly listFields: Readonly<Record<ListField, string>>;
  readonly rowProblem: (problem: RowProblem) => string;
  readonly listProblem: (problem: ListProblem) => string;
  readonly gridProblem: (problem: GridProblem) => string;
  /** What the schema of a job file is called. */
  readonly jobTitle: string;
  /** "Den 1", "breaker 4": what power went off with. */
  readonly supplyPoint: (source: SupplyPoint) => string;
  /** Names of what of a house is no receptacle. */
  readonly parts: PartWords;
  readonly photos: PhotoWords;
  readonly tables: {
    readonly receptacles: TableWords;
    readonly findings: TableWords;
    readonly workList: TableWords;
  };
}

/** What findings, reports, settings and files say: the walk needs none of it. */
type OfPapers =
  | 'entries'
  | 'eraHint'
  | 'eraLanes'
  | 'eras'
  | 'flags'
  | 'gridProblem'
  | 'groundFaultTried'
  | 'insulations'
  | 'isSamePlace'
  | 'jackets'
  | 'jobTitle'
  | 'listFields'
  | 'listProblem'
  | 'markings'
  | 'metalJudged'
  | 'metalSign'
  | 'metals'
  | 'noDefects'
  | 'openFirst'
  | 'ownerPage'
  | 'parts'
  | 'photos'
  | 'behindCover'
  | 'plateScrew'
  | 'questions'
  | 'readingFindings'
  | 'reference'
  | 'references'
  | 'remedies'
  | 'report'
  | 'rowProblem'
  | 'rules'
  | 'sections'
  | 'tables'
  | 'vanished'
  | 'ways'
  | 'whyItShows'
  | 'workers';

/** What is said where receptacles are read. */
export type Spoken = Omit<Words, OfPapers>;
