import fc from 'fast-check';
import { expect, test } from 'vitest';
import { asEntries, idNumber, jobLog } from './arbitrary-entries.ts';
import { foldHouse, HouseFold, type JobEntry, namesakeOf, receptaclesOf } from './index.ts';

const room = idNumber(0x20);
const described = (receptacle: string, name: string) =>
  ({ kind: 'receptacle-described', receptacle, room, name }) as const;
const [one, other, third] = [idNumber(0x30), idNumber(0x31), idNumber(0x32)] as const;

const namesIn = (entries: Iterable<JobEntry>): readonly string[] =>
  receptaclesOf(foldHouse(entries)).map(({ name }) => name);

test('what two people name alike is told apart, by number, in whatever order it comes', () => {
  const entries = asEntries([
    { kind: 'room-described', room, name: 'Den' },
    described(one, 'Den 1'),
    described(other, 'den 1 '),
    described(third, 'Den 1 (2)'),
  ]);
  expect(namesIn(entries)).toEqual(['Den 1', 'den 1 (3)', 'Den 1 (2)']);
  expect(namesIn(entries.toReversed())).toEqual(namesIn(entries));
});

test('a name of the greatest length has room for its number', () => {
  const long = 'x'.repeat(60);
  const names = namesIn(asEntries([described(one, long), described(other, long)]));
  expect(names).toEqual([long, `${'x'.repeat(56)} (2)`]);
});

test('renamed or merged, it has its own name again; what nothing changed stays the same object', () => {
  const [first, second, merged] = asEntries([
    described(one, 'Den 1'),
    described(other, 'Den 1'),
    { kind: 'receptacle-merged', receptacle: other, into: one },
  ]);
  const fold = new HouseFold().add([first, second].flatMap((entry) => entry ?? []));
  const before = receptaclesOf(fold.house)[1];
  expect(before?.name).toBe('Den 1 (2)');
  expect(before && namesakeOf(fold.house, before)?.id).toBe(one);
  fold.add(
    asEntries([{ kind: 'job-described', address: '9 Alder Rise' }]).map((entry) => ({
      ...entry,
      id: idNumber(0x2000),
    })),
  );
  expect(receptaclesOf(fold.house)[1]).toBe(before);
  fold.add([merged].flatMap((entry) => entry ?? []));
  expect(receptaclesOf(fold.house).map(({ name }) => name)).toEqual(['Den 1']);
});

test('what is fed from one that was entered twice is fed from the one that it became', () => {
  const entries = asEntries([
    ...[one, other, third].map((id, n) => described(id, `Den ${n}`)),
    { kind: 'branch-taken', receptacle: third, from: other },
    { kind: 'receptacle-merged', receptacle: other, into: one },
  ]);
  expect(receptaclesOf(foldHouse(entries)).map(({ fedFrom }) => fedFrom)).toEqual([undefined, one]);
});

test('no two receptacles of a house have the same name', () => {
  fc.assert(
    fc.property(jobLog, (log) => {
      const names = namesIn(log).map((name) => name.trim().toLowerCase());
      expect(new Set(names).size).toBe(names.length);
    }),
  );
});
