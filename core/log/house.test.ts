import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { lampsOf } from '../instruments/index.ts';
import { idNumber, jobLog, jumbled, kitLog } from './arbitrary-entries.ts';
import {
  currentLamps,
  foldHouse,
  foldKit,
  type JobEntry,
  type JobStatement,
  jobEntrySchema,
  latestAction,
  latestUndo,
  nextReceptacleName,
  receptaclesOf,
} from './index.ts';

const den = idNumber(0x20);
const den1 = idNumber(0x30);
const den2 = idNumber(0x31);
const phone = idNumber(0x10);

let count = 0x1000;
const entry = (minute: number, statements: JobStatement, device = phone): JobEntry => {
  count += 1;
  const at = new Date(Date.UTC(2026, 4, 4, 9, minute)).toISOString();
  return { id: idNumber(count), device, author: idNumber(1), at, ...statements };
};
const read = (minute: number, receptacle: string, pattern: 'hn-hg' | 'hn' | 'none'): JobEntry =>
  entry(minute, { kind: 'lamps-read', receptacle, lamps: lampsOf(pattern) });

const described = [
  entry(0, { kind: 'job-described', address: '14 Alder Rise', yearBuilt: 1966 }),
  entry(1, { kind: 'room-described', room: den, name: 'Den' }),
  entry(2, { kind: 'receptacle-described', receptacle: den1, room: den, name: 'Den 1' }),
  entry(2, { kind: 'receptacle-described', receptacle: den2, room: den, name: 'Den 2' }),
];

describe('the house folded from its log', () => {
  test('any order and any duplicates of the same entries give the same house', () => {
    fc.assert(
      fc.property(
        jobLog.chain((log) => fc.tuple(fc.constant(log), jumbled(log))),
        ([log, mixed]) => {
          expect(foldHouse(mixed)).toEqual(foldHouse(log));
        },
      ),
      { numRuns: 500 },
    );
  });

  test('nothing entered is lost: every standing reading is in exactly one receptacle', () => {
    fc.assert(
      fc.property(jobLog, (log) => {
        const gone = new Set(log.flatMap((e) => (e.kind === 'withdrawn' ? e.entries : [])));
        const stands = log
          .filter(({ kind, id }) => (kind === 'lamps-read' || kind === 'reading-taken') && !gone.has(id))
          .map((e) => e.id);
        const shown = receptaclesOf(foldHouse(log)).flatMap((r) => r.readings.map((e) => e.id));
        expect(shown.toSorted()).toEqual(stands.toSorted());
      }),
    );
  });

  test('every generated entry passes the schema, so the properties speak of real logs', () => {
    fc.assert(fc.property(jobLog, (log) => log.every((e) => jobEntrySchema().safeParse(e).success)));
  });

  test('a second reading counts and the first stays as evidence', () => {
    const house = foldHouse([...described, read(5, den1, 'hn-hg'), read(4, den1, 'none')]);
    const [first] = receptaclesOf(house);
    expect(first!.readings.map(({ shown }) => shown)).toEqual([
      { instrument: 'lamps', ...lampsOf('none') },
      { instrument: 'lamps', ...lampsOf('hn-hg') },
    ]);
    expect(currentLamps(first!)).toEqual(lampsOf('hn-hg'));
  });

  test('a withdrawn reading no longer counts, and the one before it does again', () => {
    const slip = read(5, den1, 'none');
    const house = foldHouse([
      ...described,
      read(4, den1, 'hn'),
      slip,
      entry(6, { kind: 'withdrawn', entries: [slip.id] }),
    ]);
    expect(currentLamps(receptaclesOf(house)[0]!)).toEqual(lampsOf('hn'));
  });

  test('a reading that arrives before its receptacle is shown all the same', () => {
    const house = foldHouse([read(4, den1, 'hn')]);
    expect(house.rooms).toMatchObject([{ id: null, receptacles: [{ id: den1 }] }]);
  });

  test('rooms and receptacles keep the order in which they were described, whatever their last name', () => {
    const renamed = entry(9, { kind: 'receptacle-described', receptacle: den1, room: den, name: 'Den door' });
    const house = foldHouse([...described, renamed]);
    expect(receptaclesOf(house).map((receptacle) => receptacle.name)).toEqual(['Den door', 'Den 2']);
    expect(nextReceptacleName(house.rooms[0]!)).toBe('Den 3');
  });

  test('a new receptacle never takes a name that is in use', () => {
    const third = entry(3, {
      kind: 'receptacle-described',
      receptacle: idNumber(0x33),
      room: den,
      name: 'Den 4',
    });
    expect(nextReceptacleName(foldHouse([...described, third]).rooms[0]!)).toBe('Den 5');
  });

  test('undo takes back one action of this device: all its entries of that moment, nobody else’s', () => {
    const added = entry(7, {
      kind: 'receptacle-described',
      receptacle: idNumber(0x34),
      room: den,
      name: 'Den 3',
    });
    const itsReading = read(7, idNumber(0x34), 'hn-hg');
    const others = entry(8, { kind: 'room-described', room: idNumber(0x22), name: 'Attic' }, idNumber(0x11));
    const log = [...described, read(5, den1, 'hn-hg'), added, itsReading, others];
    const undone = latestAction(log, phone);
    expect(undone.toSorted()).toEqual([added.id, itsReading.id].toSorted());
    const after = [...log, entry(9, { kind: 'withdrawn', entries: [...undone] })];
    expect(receptaclesOf(foldHouse(after)).map((r) => r.name)).toEqual(['Den 1', 'Den 2']);
    expect(latestAction(after, phone)).toHaveLength(1);
    expect(latestAction(described.slice(0, 1), phone), 'the opening of the job stays').toEqual([]);
  });

  test('an undo is undone, and that again; the one that was made last has the last word', () => {
    const reading = read(5, den1, 'hn-hg');
    const undo = entry(6, { kind: 'withdrawn', entries: [reading.id] });
    const redo = entry(7, { kind: 'withdrawn', entries: [undo.id] });
    const again = entry(8, { kind: 'withdrawn', entries: [redo.id] });
    const readings = (...log: JobEntry[]) =>
      receptaclesOf(foldHouse([...described, reading, ...log])).flatMap((one) => one.readings).length;
    expect([readings(), readings(undo), readings(undo, redo), readings(undo, redo, again)]).toEqual([
      1, 0, 1, 0,
    ]);
    // In whichever order they arrive.
    expect(readings(redo, undo)).toBe(1);
    expect(readings(again, redo, undo)).toBe(0);
  });

  test('redo takes up the latest undo of this device, one after another, until something else is said', () => {
    const [first, second] = [read(5, den1, 'hn-hg'), read(6, den1, 'hn')];
    const log = [...described, first, second];
    const undoSecond = entry(7, { kind: 'withdrawn', entries: [second.id] });
    const undoFirst = entry(8, { kind: 'withdrawn', entries: [first.id] });
    expect(latestUndo(log, phone)).toEqual([]);
    const bothGone = [...log, undoSecond, undoFirst];
    expect(latestUndo(bothGone, phone)).toEqual([undoFirst.id]);
    expect(latestUndo(bothGone, idNumber(0x11)), 'not what another device took back').toEqual([]);
    const firstBack = [...bothGone, entry(9, { kind: 'withdrawn', entries: [undoFirst.id] })];
    expect(latestUndo(firstBack, phone)).toEqual([undoSecond.id]);
    expect(latestUndo([...bothGone, read(9, den1, 'none')], phone)).toEqual([]);
  });

  test('undo takes back a later description of the house too', () => {
    const statements = entry(7, { kind: 'job-described', breakerLeave: true });
    expect(latestAction([...described, statements], phone)).toEqual([statements.id]);
  });
});

describe('what other instruments showed, and what feeds a receptacle', () => {
  const room = idNumber(0x21);
  const receptacle = idNumber(0x31);
  const entry = (minute: number, statements: JobStatement, n: number): JobEntry => ({
    id: idNumber(0x500 + n),
    device: idNumber(2),
    author: idNumber(3),
    at: `2026-05-04T09:${String(minute).padStart(2, '0')}:00.000Z`,
    ...statements,
  });
  const probe = (ground: boolean) => ({ instrument: 'probe', hot: true, neutral: false, ground }) as const;
  const log: readonly JobEntry[] = [
    entry(1, { kind: 'room-described', room, name: 'Den' }, 1),
    entry(1, { kind: 'receptacle-described', receptacle, room, name: 'Den 1' }, 2),
    entry(2, { kind: 'reading-taken', receptacle, shown: probe(true) }, 3),
    entry(3, { kind: 'reading-taken', receptacle, shown: probe(false) }, 4),
    entry(4, { kind: 'receptacle-fed', receptacle, breaker: '7', place: 2 }, 5),
    entry(5, { kind: 'receptacle-fed', receptacle, breaker: '9', place: null }, 6),
  ];
  const folded = (entries: readonly JobEntry[]) => receptaclesOf(foldHouse(entries))[0];

  test('readings gather, oldest first; breaker and place take the latest statement', () => {
    expect(folded(log)?.readings.map(({ shown }) => shown)).toEqual([probe(true), probe(false)]);
    expect(folded(log)).toMatchObject({ breaker: '9', place: null });
    expect(foldHouse(log).lastReadAt).toBe('2026-05-04T09:03:00.000Z');
  });

  test('what is withdrawn no longer counts, and what stood before does again', () => {
    const after = [...log, entry(6, { kind: 'withdrawn', entries: [idNumber(0x504), idNumber(0x506)] }, 7)];
    expect(folded(after)?.readings).toHaveLength(1);
    expect(folded(after)).toMatchObject({ breaker: '7', place: 2 });
  });
});

describe('the kit folded from its log', () => {
  test('any order and any duplicates give the same testers', () => {
    fc.assert(
      fc.property(
        kitLog.chain((log) => fc.tuple(fc.constant(log), jumbled(log))),
        ([log, mixed]) => {
          expect(foldKit(mixed)).toEqual(foldKit(log));
        },
      ),
    );
  });
});
