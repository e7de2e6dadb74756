import type { AssessmentWords } from '../../assessment/index.ts';
import type { CatalogWords } from '../../knowledge/index.ts';
import type { JobEntry, JobEntryOf } from '../../log/index.ts';
import { capital, comma, lower } from './terms.ts';

/** Kinds of entries that were done at a receptacle: tried, looked at, photographed, written down. */
export const doneKinds = [
  'cover-off',
  'ground-fault-tested',
  'halves-tried',
  'lamps-read',
  'look-noted',
  'not-reached',
  'noted',
  'photo-taken',
  'reading-taken',
] as const satisfies readonly JobEntry['kind'][];
export type DoneKind = (typeof doneKinds)[number];

/** What each of them says, as a line of a list. */
export type DoneTable = { readonly [K in DoneKind]: (entry: JobEntryOf<K>) => string };

export type DoneWords = Pick<AssessmentWords, 'instruments' | 'values' | 'lamps'> &
  Pick<CatalogWords, 'looks' | 'notReached'>;

export const notThere = (isThere: boolean, words: string): string =>
  isThere ? words : `Not ${words.toLowerCase()}`;

/** `groundFaultTest`: "Ground-fault test". */
export const doneTable = (words: DoneWords, groundFaultTest: string): DoneTable => ({
  'cover-off': () => 'Seen with the cover off',
  'ground-fault-tested': ({ by, result, heldSeconds }) =>
    `${capital(groundFaultTest)}, ${by.replace('-', ' ')}: ${result.replaceAll('-', ' ')}${
      heldSeconds === undefined ? '' : `, held ${heldSeconds} s`
    }`,
  'halves-tried': ({ alike }) => (alike ? 'Both halves tried: alike' : 'Both halves tried: they differ'),
  'lamps-read': ({ lamps }) => `Lamps: ${words.lamps(lamps)}`,
  'look-noted': ({ look, seen }) => notThere(seen, words.looks[look].name),
  'not-reached': ({ reason }) =>
    reason === null ? 'To be reached' : `Not reached: ${lower(words.notReached[reason])}`,
  noted: ({ text }) => `Note: ${text}`,
  'photo-taken': () => 'Photo',
  'reading-taken': ({ shown, receptacle }) =>
    shown.instrument === 'lamps'
      ? `Lamps: ${words.lamps(shown)}`
      : `${words.instruments[shown.instrument].name}: ${comma(
          words.values({ at: receptacle, ...shown }).map(([name, value]) => `${name} ${value}`),
        )}`,
});

/** What an entry of these says. */
export const doneLine = <K extends DoneKind>(table: DoneTable, entry: JobEntryOf<K>): string =>
  (table[(entry as JobEntry).kind as K] as (entry: JobEntryOf<K>) => string)(entry);
