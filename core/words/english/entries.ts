import type { AssessmentWords } from '../../assessment/index.ts';
import type { CatalogWords } from '../../knowledge/index.ts';
import type { JobEntry, JobEntryOf } from '../../log/index.ts';
import { capital, comma, lower } from './terms.ts';

/** What a language says of an entry of one kind. */
export interface EntryWords<E> {
  /** What it says, as a line of a history. */
  readonly said: (entry: E) => string;
  /** What an undo takes back, before the name of where that was; null: the name says it all. */
  readonly undone: string | null;
}

const notThere = (isThere: boolean, words: string): string =>
  isThere ? words : `Not ${words.toLowerCase()}`;

export type EntryTable = { readonly [K in JobEntry['kind']]: EntryWords<JobEntryOf<K>> };

type Words = Pick<AssessmentWords, 'instruments' | 'values' | 'lamps'> &
  Pick<CatalogWords, 'dangers' | 'labels' | 'looks' | 'notReached'> & {
    /** "ground-fault", "RCD": before "test". */
    readonly groundFaultName: string;
  };

/** Words for every kind of entry of a job. It is a table: its length is that of the list of kinds. */
// biome-ignore lint/complexity/noExcessiveLinesPerFunction: a table, as long as the list of kinds.
export const entryTable = (words: Words): EntryTable => ({
  'alteration-noted': {
    said: ({ year, what, made }) => notThere(made, `${year}: ${what}`),
    undone: 'an alteration',
  },
  'author-named': { said: ({ name }) => `An author: ${name}`, undone: 'the name of an author' },
  'cover-off': { said: () => 'Seen with the cover off', undone: 'what was seen inside' },
  'finding-added': { said: ({ headline }) => `Finding: ${headline}`, undone: 'a finding' },
  'finding-decided': { said: ({ decision }) => `Finding: ${decision}`, undone: 'a decision on a finding' },
  'finding-edited': { said: () => 'Finding reworded', undone: 'the wording of a finding' },
  'finding-merged': {
    said: ({ into }) => (into === null ? 'Finding by itself again' : 'Finding joined to another'),
    undone: 'the joining of a finding',
  },
  'finding-split': { said: () => 'Finding split', undone: 'the splitting of a finding' },
  'findings-ordered': { said: () => 'Findings put in order', undone: 'the order of the findings' },
  'ground-fault-tested': {
    said: ({ by, result, heldSeconds }) =>
      `${capital(words.groundFaultName)} test, ${by.replace('-', ' ')}: ${result.replaceAll('-', ' ')}${
        heldSeconds === undefined ? '' : `, held ${heldSeconds} s`
      }`,
    undone: `the ${words.groundFaultName} test at`,
  },
  'halves-tried': {
    said: ({ alike }) => (alike ? 'Both halves tried: alike' : 'Both halves tried: they differ'),
    undone: 'the halves of',
  },
  'job-described': { said: () => 'House described', undone: 'a description of the house' },
  'kept-powered': {
    said: ({ equipment, kept }) => `${kept ? 'Must' : 'Need not'} keep power: ${equipment}`,
    undone: 'what must not lose power',
  },
  'label-noted': { said: ({ label, there }) => notThere(there, words.labels[label]), undone: 'the label of' },
  'labels-looked-for': { said: () => 'Labels looked for', undone: 'the labels of' },
  'lamps-read': { said: ({ lamps }) => `Lamps: ${words.lamps(lamps)}`, undone: 'the reading of' },
  'left-as-found': {
    said: ({ item, done }) => notThere(done, item.replaceAll('-', ' ')),
    undone: 'a line of the close-out',
  },
  'look-noted': {
    said: ({ look, seen }) => `${seen ? '' : 'Not '}${lower(words.looks[look].name)}`,
    undone: 'a visible defect of',
  },
  'lost-power': {
    said: ({ by, lost }) =>
      `${lost ? 'Lost' : 'Kept'} power with ${by.kind === 'breaker' ? `breaker ${by.breaker}` : 'the device'}`,
    undone: 'what went dead',
  },
  'not-reached': {
    said: ({ reason }) =>
      reason === null ? 'To be reached' : `Not reached: ${lower(words.notReached[reason])}`,
    undone: 'not reached:',
  },
  noted: { said: ({ text }) => `Note: ${text}`, undone: 'a note on' },
  'people-warned': {
    said: ({ danger }) => `People were warned: ${words.dangers[danger].name}`,
    undone: 'the warning at',
  },
  'plan-chosen': {
    said: ({ sample }) => (sample === null ? 'All that can be reached' : `A sample of ${sample}`),
    undone: 'how many are to be tested',
  },
  'power-restored': {
    said: ({ restored }) => (restored ? 'Power is back' : 'Will not reset'),
    undone: 'whether the power is back',
  },
  'protection-noted': { said: () => 'Labels, reset or device', undone: 'the device of' },
  'reading-taken': {
    said: ({ shown, receptacle }) =>
      shown.instrument === 'lamps'
        ? `Lamps: ${words.lamps(shown)}`
        : `${words.instruments[shown.instrument].name}: ${comma(
            words.values({ at: receptacle, ...shown }).map(([name, value]) => `${name} ${value}`),
          )}`,
    undone: 'the reading of',
  },
  'receptacle-described': { said: ({ name }) => `Described as ${name}`, undone: 'the description of' },
  'receptacle-fed': {
    said: ({ breaker }) => (breaker === null ? 'Breaker not known' : `On breaker ${breaker}`),
    undone: 'the breaker of',
  },
  'receptacle-merged': { said: () => 'Merged into another', undone: 'the merging of' },
  'room-described': { said: ({ name }) => `Room: ${name}`, undone: null },
  'room-moved': { said: () => 'Room moved', undone: 'the order of the rooms' },
  'rooms-ordered': { said: () => 'Rooms put in order', undone: 'the order of the rooms' },
  signed: { said: ({ name }) => `Signed by ${name}`, undone: 'a signature' },
  'tester-proved': {
    said: ({ passed }) => (passed ? 'Tester works as it should' : 'Tester does not work as it should'),
    undone: 'the function check of a tester',
  },
  'went-dead': {
    said: ({ powerBack }) => (powerBack ? 'Power is back' : 'Went dead'),
    undone: 'what went dead',
  },
  withdrawn: { said: () => 'Taken back', undone: null },
});

/** What an entry says, as a line of a history. */
export const entryLine = <K extends JobEntry['kind']>(table: EntryTable, entry: JobEntryOf<K>): string =>
  (table[entry.kind as K] as EntryWords<JobEntryOf<K>>).said(entry);
