import { type ReceptacleType, receptacleTypes } from '../knowledge/index.ts';
import { type House, type JobStatement, textSchema } from '../log/index.ts';
import { enGb, enUs, type ListField, type RowProblem } from '../words/index.ts';

export { type ListField, listFields } from '../words/index.ts';

/** Which column, from 0, holds a field; null: none. */
export type Mapping = Readonly<Record<ListField, number | null>>;

/** More than any house has. */
export const mostRows = 2000;

const headings: Readonly<Record<ListField, RegExp>> = {
  room: /^(room|location|area|space)$/i,
  receptacle: /^(receptacle|outlet|socket|socket-outlet|name|label)$/i,
  type: /^(type|kind)$/i,
  breaker: /^(breaker|circuit|feed)$/i,
  place: /^(place|position|order|no\.?|number)$/i,
  note: /^(notes?|remarks?|comments?)$/i,
};

/** Which columns hold what, as far as their headings say it. */
export function guessedMapping(heading: readonly string[]): Mapping {
  const of = (field: ListField): number | null => {
    const at = heading.findIndex((cell) => headings[field].test(cell.trim()));
    return at === -1 ? null : at;
  };
  return {
    room: of('room'),
    receptacle: of('receptacle'),
    type: of('type'),
    breaker: of('breaker'),
    place: of('place'),
    note: of('note'),
  };
}

export interface ListedReceptacle {
  readonly room: string;
  readonly name: string;
  readonly type: ReceptacleType | null;
  readonly breaker: string | null;
  readonly place: number | null;
  readonly note: string | null;
}

export interface RowError {
  /** From 1, as a spreadsheet counts; the heading is row 1. */
  readonly row: number;
  readonly field: ListField;
  readonly value: string;
  readonly problem: RowProblem;
}

export interface ReadList {
  readonly receptacles: readonly ListedReceptacle[];
  readonly errors: readonly RowError[];
}

const typeByName = new Map<string, ReceptacleType>(
  receptacleTypes.flatMap((type): (readonly [string, ReceptacleType])[] => [
    [type, type],
    ...[enUs, enGb].map((words) => [words.receptacleTypes[type].toLowerCase(), type] as const),
  ]),
);

/** An apostrophe that kept a spreadsheet from taking a text for a formula is not part of it. */
const plain = (cell: string | undefined): string => (cell ?? '').trim().replace(/^'(?=\s*[=+\-@])/, '');

const longest: Readonly<Record<'room' | 'receptacle' | 'breaker' | 'note', number>> = {
  room: 60,
  receptacle: 60,
  breaker: 40,
  note: 1000,
};

/** A list of receptacles, the heading left out; every row is either taken whole or named with what is wrong. */
export function readReceptacleList(rows: readonly (readonly string[])[], mapping: Mapping): ReadList {
  const receptacles: ListedReceptacle[] = [];
  const errors: RowError[] = [];
  const names = new Set<string>();
  for (const [index, cells] of rows.entries()) {
    const row = index + 2;
    const cell = (field: ListField): string => (mapping[field] === null ? '' : plain(cells[mapping[field]]));
    const wrong = (field: ListField, problem: RowProblem): void => {
      errors.push({ row, field, value: cell(field).slice(0, 80), problem });
    };
    const before = errors.length;
    for (const field of ['room', 'receptacle', 'breaker', 'note'] as const) {
      const text = cell(field);
      if (text === '' && (field === 'room' || field === 'receptacle')) wrong(field, { kind: 'empty' });
      else if (text !== '' && !textSchema(longest[field]).safeParse(text).success)
        wrong(field, { kind: 'too-long', most: longest[field] });
    }
    const type = cell('type');
    const knownType = type === '' ? null : (typeByName.get(type.toLowerCase()) ?? null);
    if (type !== '' && knownType === null) wrong('type', { kind: 'type' });
    const place = cell('place');
    const number = place === '' ? null : Number(place);
    if (number !== null && !(Number.isInteger(number) && number >= 1 && number <= 200))
      wrong('place', { kind: 'place' });
    const name = cell('receptacle');
    const full = `${cell('room')}\n${name}`;
    if (name !== '' && names.has(full)) wrong('receptacle', { kind: 'listed-already' });
    names.add(full);
    if (errors.length > before) continue;
    receptacles.push({
      room: cell('room'),
      name,
      type: knownType,
      breaker: cell('breaker') || null,
      place: number,
      note: cell('note') || null,
    });
  }
  return { receptacles, errors };
}

/**
 * What to say in the log for a list: rooms and receptacles that the house has by name already are taken for the same,
 * so that a list read twice adds nothing.
 */
export function statementsFor(
  listed: readonly ListedReceptacle[],
  house: House,
  newId: () => string,
): readonly JobStatement[] {
  const statements: JobStatement[] = [];
  const rooms = new Map(house.rooms.flatMap(({ id, name }) => (id === null ? [] : [[name, id] as const])));
  const known = new Map(
    house.rooms.flatMap((room) => room.receptacles.map((one) => [`${room.name}\n${one.name}`, one] as const)),
  );
  for (const { room: roomName, name, type, breaker, place, note } of listed) {
    let room = rooms.get(roomName);
    if (room === undefined) {
      room = newId();
      rooms.set(roomName, room);
      statements.push({ kind: 'room-described', room, name: roomName });
    }
    const there = known.get(`${roomName}\n${name}`);
    const receptacle = there?.id ?? newId();
    if (there === undefined || (type !== null && there.type !== type))
      statements.push({
        kind: 'receptacle-described',
        receptacle,
        room,
        name,
        ...(type === null ? {} : { type }),
      });
    if (breaker !== null && (there?.breaker !== breaker || there.place !== place))
      statements.push({ kind: 'receptacle-fed', receptacle, breaker, place });
    if (note !== null && there?.notes.every(({ text }) => text !== note) !== false)
      statements.push({ kind: 'noted', receptacle, text: note });
  }
  return statements;
}
