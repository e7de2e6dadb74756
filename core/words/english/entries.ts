import type { CatalogWords } from '../../knowledge/index.ts';
import type { JobEntry, JobEntryOf } from '../../log/index.ts';
import { type DoneWords, doneTable, notThere } from './done-lines.ts';
import { capital, comma, lower } from './terms.ts';
import type { UndoneTerms } from './undone.ts';

/** A code in words. */
const spaced = (code: string): string => code.replaceAll('-', ' ');

/** What every kind of entry says, as a line of a history. */
export type EntryTable = { readonly [K in JobEntry['kind']]: (entry: JobEntryOf<K>) => string };

type Words = DoneWords & Pick<CatalogWords, 'dangers' | 'labels'> & UndoneTerms;

/** Words for every kind of entry of a job. It is a table: its length is that of the list of kinds. */
// biome-ignore lint/complexity/noExcessiveLinesPerFunction: a table, as long as the list of kinds.
export const entryTable = (words: Words): EntryTable => ({
  ...doneTable(words, `${words.groundFaultName} test`),
  'alteration-noted': ({ year, what, made }) => notThere(made, `${year}: ${what}`),
  'aluminum-sought': ({ place, found }) =>
    `${capital(words.aluminumName)} at ${spaced(place)}: ${found === null ? 'not looked for' : found ? 'seen' : 'not found'}`,
  'author-named': ({ name }) => `An author: ${name}`,
  'branch-taken': ({ from }) => (from === null ? 'On the run itself' : 'On a branch of the run'),
  'breaker-described': ({ number, gone }) =>
    gone === true
      ? 'A breaker taken off the directory'
      : `Breaker ${number ?? ''} described`.replace('  ', ' '),
  'circuit-described': ({ breaker }) => `The circuit of breaker ${breaker} described`,
  'combination-tried': ({ positions, lit }) =>
    `Levers ${positions}: ${lit === null ? 'not tried' : lit ? 'light on' : 'light off'}`,
  'dimmer-measured': () => 'Dimmer measured',
  'finding-added': ({ headline }) => `Finding: ${headline}`,
  'finding-decided': ({ decision }) => `Finding: ${decision}`,
  'finding-edited': () => 'Finding reworded',
  'finding-merged': ({ into }) => (into === null ? 'Finding by itself again' : 'Finding joined to another'),
  'finding-split': () => 'Finding split',
  'findings-ordered': () => 'Findings put in order',
  'hot-spot-measured': ({ where }) => `Looked at for heat: ${where ?? 'a spot'}`,
  'job-described': () => 'House described',
  'kept-powered': ({ equipment, kept }) => `${kept ? 'Must' : 'Need not'} keep power: ${equipment}`,
  'label-noted': ({ label, there }) => notThere(there, words.labels[label]),
  'labels-looked-for': () => 'Labels looked for',
  'lampholder-measured': () => 'Lampholder measured',
  'left-as-found': ({ item, done }) => notThere(done, item.replaceAll('-', ' ')),
  'load-planned': ({ load, planned }) => notThere(planned, `${spaced(load)} runs while heat is looked for`),
  'looked-behind-cover': ({ found }) =>
    found === null
      ? 'No look behind the cover'
      : found
        ? 'Found behind the cover'
        : 'Not found behind the cover',
  'lost-power': ({ by, lost }) =>
    `${lost ? 'Lost' : 'Kept'} power with ${by.kind === 'breaker' ? `breaker ${by.breaker}` : 'the device'}`,
  'panel-checked': ({ check, found }) => `At the ${words.panelName}, ${spaced(check)}: ${spaced(found)}`,
  'panel-described': ({ gone }) =>
    gone === true ? `A ${words.panelName} taken off` : `${capital(words.panelName)} described`,
  'panel-opened': () => `${capital(words.panelName)} opened by a qualified person`,
  'panel-skipped': ({ reason }) =>
    reason === null
      ? `${capital(words.panelName)} to be looked at`
      : `No ${words.panelName} was looked at: ${spaced(reason)}`,
  'people-warned': ({ danger }) => `People were warned: ${words.dangers[danger].name}`,
  'photo-described': ({ caption }) =>
    caption === undefined || caption === null ? 'Photo described' : `Photo: ${caption}`,
  'photo-marked': ({ shape }) =>
    shape === null ? 'A mark taken off a photo' : `Photo marked: ${shape.form}`,
  'photos-ordered': () => 'Photos put in order',
  'plan-chosen': ({ sample }) => (sample === null ? 'All that can be reached' : `A sample of ${sample}`),
  'point-described': ({ name, gone }) =>
    gone === true ? 'A switch or light taken off' : `Switch or light: ${name ?? 'described'}`,
  'point-sign-noted': ({ sign, seen }) => notThere(seen, `${capital(sign)} at a switch`),
  'power-restored': ({ restored }) => (restored ? 'Power is back' : 'Will not reset'),
  'protection-noted': () => 'Labels, reset or device',
  'receptacle-described': ({ name }) => `Described as ${name}`,
  'receptacle-fed': ({ breaker }) => (breaker === null ? 'Breaker not known' : `On breaker ${breaker}`),
  'receptacle-merged': () => 'Merged into another',
  'room-described': ({ name }) => `Room: ${name}`,
  'room-moved': () => 'Room moved',
  'rooms-ordered': () => 'Rooms put in order',
  'set-apart': ({ apart }) => (apart ? 'Said to have nothing in common' : 'May have one cause'),
  signed: ({ name }) => `Signed by ${name}`,
  'switch-linked': ({ linked }) => (linked ? 'A switch turns it on and off' : 'No switch of it'),
  'tester-dropped': () => 'Tester dropped',
  'tester-proved': ({ passed }) =>
    passed ? 'Tester works as it should' : 'Tester does not work as it should',
  'thermal-picture-read': ({ temperatures }) => `Thermal picture of ${temperatures.length} temperatures`,
  'went-dead': ({ powerBack }) => (powerBack ? 'Power is back' : 'Went dead'),
  withdrawn: () => 'Taken back',
});

/** What an entry says, as a line of a history. */
export const entryLine = <K extends JobEntry['kind']>(table: EntryTable, entry: JobEntryOf<K>): string =>
  (table[entry.kind as K] as (entry: JobEntryOf<K>) => string)(entry);

type DescribedEntry = JobEntryOf<'receptacle-described'>;

/** What a description says that the one before it did not; null where it says the same once more. */
export function describedAnew(
  words: Pick<CatalogWords, 'receptacleTypes'>,
  { name, room, type, adapter, spot, halfOf }: DescribedEntry,
  before: DescribedEntry,
): string | null {
  const changed = [
    name !== before.name && `Renamed ${name}`,
    room !== before.room && 'Moved to another room',
    type !== undefined && type !== before.type && `Kind: ${lower(words.receptacleTypes[type])}`,
    adapter !== undefined &&
      adapter !== (before.adapter ?? false) &&
      (adapter ? 'Adapter in use' : 'No adapter'),
    spot !== undefined && spot !== (before.spot ?? null) && 'Placed on its wall',
    halfOf !== undefined && halfOf !== before.halfOf && 'Said to be the lower half',
  ].filter((one) => one !== false);
  return changed.length === 0 ? null : comma(changed);
}
