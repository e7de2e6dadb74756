import type { AssessmentWords } from '../../assessment/index.ts';
import type { CatalogWords } from '../../knowledge/index.ts';
import type { JobEntry, JobEntryOf } from '../../log/index.ts';
import { capital, comma, lower } from './terms.ts';

/** What a language says of an entry of one kind. */
export interface EntryWords<E> {
  /** What it says, as a line of a history. */
  readonly statement: (entry: E) => string;
  /** What an undo takes back, before the name of where that was; null: the name says it all. */
  readonly undone: string | null;
}

const notThere = (isThere: boolean, words: string): string =>
  isThere ? words : `Not ${words.toLowerCase()}`;

/** A code in words. */
const spaced = (code: string): string => code.replaceAll('-', ' ');

export type EntryTable = { readonly [K in JobEntry['kind']]: EntryWords<JobEntryOf<K>> };

type Words = Pick<AssessmentWords, 'instruments' | 'values' | 'lamps'> &
  Pick<CatalogWords, 'dangers' | 'labels' | 'looks' | 'notReached'> & {
    /** "ground-fault", "RCD": before "test". */
    readonly groundFaultName: string;
    /** "panel" */
    readonly panelName: string;
    /** "aluminum" */
    readonly aluminumName: string;
  };

/** Words for every kind of entry of a job. It is a table: its length is that of the list of kinds. */
// biome-ignore lint/complexity/noExcessiveLinesPerFunction: a table, as long as the list of kinds.
export const entryTable = (words: Words): EntryTable => ({
  'alteration-noted': {
    statement: ({ year, what, made }) => notThere(made, `${year}: ${what}`),
    undone: 'an alteration',
  },
  'aluminum-sought': {
    statement: ({ place, found }) =>
      `${capital(words.aluminumName)} at ${spaced(place)}: ${found === null ? 'not looked for' : found ? 'seen' : 'not found'}`,
    undone: `where ${words.aluminumName} was looked for`,
  },
  'author-named': { statement: ({ name }) => `An author: ${name}`, undone: 'the name of an author' },
  'breaker-described': {
    statement: ({ number, gone }) =>
      gone === true
        ? 'A breaker taken off the directory'
        : `Breaker ${number ?? ''} described`.replace('  ', ' '),
    undone: 'a line of the directory',
  },
  'combination-tried': {
    statement: ({ positions, lit }) =>
      `Levers ${positions}: ${lit === null ? 'not tried' : lit ? 'light on' : 'light off'}`,
    undone: 'a position of switches',
  },
  'cover-off': { statement: () => 'Seen with the cover off', undone: 'what was seen inside' },
  'dimmer-measured': { statement: () => 'Dimmer measured', undone: 'what was measured of a dimmer' },
  'finding-added': { statement: ({ headline }) => `Finding: ${headline}`, undone: 'a finding' },
  'finding-decided': {
    statement: ({ decision }) => `Finding: ${decision}`,
    undone: 'a decision on a finding',
  },
  'finding-edited': { statement: () => 'Finding reworded', undone: 'the wording of a finding' },
  'finding-merged': {
    statement: ({ into }) => (into === null ? 'Finding by itself again' : 'Finding joined to another'),
    undone: 'the joining of a finding',
  },
  'finding-split': { statement: () => 'Finding split', undone: 'the splitting of a finding' },
  'findings-ordered': { statement: () => 'Findings put in order', undone: 'the order of the findings' },
  'ground-fault-tested': {
    statement: ({ by, result, heldSeconds }) =>
      `${capital(words.groundFaultName)} test, ${by.replace('-', ' ')}: ${result.replaceAll('-', ' ')}${
        heldSeconds === undefined ? '' : `, held ${heldSeconds} s`
      }`,
    undone: `the ${words.groundFaultName} test at`,
  },
  'halves-tried': {
    statement: ({ alike }) => (alike ? 'Both halves tried: alike' : 'Both halves tried: they differ'),
    undone: 'the halves of',
  },
  'hot-spot-measured': {
    statement: ({ where }) => `Looked at for heat: ${where ?? 'a spot'}`,
    undone: 'a spot that was looked at',
  },
  'job-described': { statement: () => 'House described', undone: 'a description of the house' },
  'kept-powered': {
    statement: ({ equipment, kept }) => `${kept ? 'Must' : 'Need not'} keep power: ${equipment}`,
    undone: 'what must not lose power',
  },
  'label-noted': {
    statement: ({ label, there }) => notThere(there, words.labels[label]),
    undone: 'the label of',
  },
  'labels-looked-for': { statement: () => 'Labels looked for', undone: 'the labels of' },
  'lampholder-measured': { statement: () => 'Lampholder measured', undone: 'the volts of a lampholder' },
  'lamps-read': { statement: ({ lamps }) => `Lamps: ${words.lamps(lamps)}`, undone: 'the reading of' },
  'left-as-found': {
    statement: ({ item, done }) => notThere(done, item.replaceAll('-', ' ')),
    undone: 'a line of the close-out',
  },
  'load-planned': {
    statement: ({ load, planned }) => notThere(planned, `${spaced(load)} runs while heat is looked for`),
    undone: 'what runs while heat is looked for',
  },
  'look-noted': {
    statement: ({ look, seen }) => `${seen ? '' : 'Not '}${lower(words.looks[look].name)}`,
    undone: 'a visible defect of',
  },
  'lost-power': {
    statement: ({ by, lost }) =>
      `${lost ? 'Lost' : 'Kept'} power with ${by.kind === 'breaker' ? `breaker ${by.breaker}` : 'the device'}`,
    undone: 'what went dead',
  },
  'not-reached': {
    statement: ({ reason }) =>
      reason === null ? 'To be reached' : `Not reached: ${lower(words.notReached[reason])}`,
    undone: 'not reached:',
  },
  noted: { statement: ({ text }) => `Note: ${text}`, undone: 'a note on' },
  'panel-checked': {
    statement: ({ check, found }) => `At the ${words.panelName}, ${spaced(check)}: ${spaced(found)}`,
    undone: `something looked for at a ${words.panelName}`,
  },
  'panel-described': {
    statement: ({ gone }) =>
      gone === true ? `A ${words.panelName} taken off` : `${capital(words.panelName)} described`,
    undone: `the description of a ${words.panelName}`,
  },
  'panel-opened': {
    statement: () => `${capital(words.panelName)} opened by a qualified person`,
    undone: `that a ${words.panelName} was opened`,
  },
  'panel-skipped': {
    statement: ({ reason }) =>
      reason === null
        ? `${capital(words.panelName)} to be looked at`
        : `No ${words.panelName} was looked at: ${spaced(reason)}`,
    undone: `why no ${words.panelName} was looked at`,
  },
  'people-warned': {
    statement: ({ danger }) => `People were warned: ${words.dangers[danger].name}`,
    undone: 'the warning at',
  },
  'plan-chosen': {
    statement: ({ sample }) => (sample === null ? 'All that can be reached' : `A sample of ${sample}`),
    undone: 'how many are to be tested',
  },
  'point-described': {
    statement: ({ name, gone }) =>
      gone === true ? 'A switch or light taken off' : `Switch or light: ${name ?? 'described'}`,
    undone: 'a switch or light',
  },
  'point-sign-noted': {
    statement: ({ sign, seen }) => notThere(seen, `${capital(sign)} at a switch`),
    undone: 'a sign at a switch',
  },
  'power-restored': {
    statement: ({ restored }) => (restored ? 'Power is back' : 'Will not reset'),
    undone: 'whether the power is back',
  },
  'protection-noted': { statement: () => 'Labels, reset or device', undone: 'the device of' },
  'reading-taken': {
    statement: ({ shown, receptacle }) =>
      shown.instrument === 'lamps'
        ? `Lamps: ${words.lamps(shown)}`
        : `${words.instruments[shown.instrument].name}: ${comma(
            words.values({ at: receptacle, ...shown }).map(([name, value]) => `${name} ${value}`),
          )}`,
    undone: 'the reading of',
  },
  'receptacle-described': { statement: ({ name }) => `Described as ${name}`, undone: 'the description of' },
  'receptacle-fed': {
    statement: ({ breaker }) => (breaker === null ? 'Breaker not known' : `On breaker ${breaker}`),
    undone: 'the breaker of',
  },
  'receptacle-merged': { statement: () => 'Merged into another', undone: 'the merging of' },
  'room-described': { statement: ({ name }) => `Room: ${name}`, undone: null },
  'room-moved': { statement: () => 'Room moved', undone: 'the order of the rooms' },
  'rooms-ordered': { statement: () => 'Rooms put in order', undone: 'the order of the rooms' },
  signed: { statement: ({ name }) => `Signed by ${name}`, undone: 'a signature' },
  'switch-linked': {
    statement: ({ linked }) => (linked ? 'A switch turns it on and off' : 'No switch of it'),
    undone: 'what a switch turns',
  },
  'tester-dropped': { statement: () => 'Tester dropped', undone: 'the fall of a tester' },
  'tester-proved': {
    statement: ({ passed }) => (passed ? 'Tester works as it should' : 'Tester does not work as it should'),
    undone: 'the function check of a tester',
  },
  'thermal-picture-read': {
    statement: ({ temperatures }) => `Thermal picture of ${temperatures.length} temperatures`,
    undone: 'a thermal picture',
  },
  'went-dead': {
    statement: ({ powerBack }) => (powerBack ? 'Power is back' : 'Went dead'),
    undone: 'what went dead',
  },
  withdrawn: { statement: () => 'Taken back', undone: null },
});

/** What an entry says, as a line of a history. */
export const entryLine = <K extends JobEntry['kind']>(table: EntryTable, entry: JobEntryOf<K>): string =>
  (table[entry.kind as K] as EntryWords<JobEntryOf<K>>).statement(entry);
