import { describe, expect, test } from 'vitest';
import { lampsOf } from '../instruments/index.ts';
import { idNumber } from './arbitrary-entries.ts';
import {
  coverageOf,
  foldHouse,
  foundBehind,
  type JobEntry,
  type JobStatement,
  leftUndone,
  readersOf,
  receptaclesOf,
} from './index.ts';

const den = idNumber(0x20);
const hall = idNumber(0x21);
const [den1, den2, hall1] = [0x30, 0x31, 0x32].map(idNumber) as [string, string, string];

/** Said one a minute, in this order. */
const houseOf = (...statements: readonly JobStatement[]) =>
  foldHouse(
    statements.map(
      (one, minute): JobEntry => ({
        id: idNumber(0x1000 + minute),
        device: idNumber(0x10),
        author: idNumber(1),
        at: new Date(Date.UTC(2026, 4, 4, 9, minute)).toISOString(),
        ...one,
      }),
    ),
  );

const rooms: readonly JobStatement[] = [
  { kind: 'room-described', room: den, name: 'Den', expected: 4 },
  { kind: 'room-described', room: hall, name: 'Hall' },
  { kind: 'receptacle-described', receptacle: den1, room: den, name: 'Den 1' },
  { kind: 'receptacle-described', receptacle: den2, room: den, name: 'Den 2' },
  { kind: 'receptacle-described', receptacle: hall1, room: hall, name: 'Hall 1', type: 'ground-fault' },
];
const read = (receptacle: string): JobStatement => ({
  kind: 'lamps-read',
  receptacle,
  lamps: lampsOf('hn-hg'),
});
const wording = {
  urgency: 'repair',
  headline: 'Loose',
  what: 'It is loose.',
  why: 'It may fall out.',
  correction: 'Fasten it.',
  by: 'electrician',
} as const;
const held = { ...wording, condition: null, where: null };
describe('what was covered', () => {
  test('a room counts what is looked for, not only what was listed; reasons stand beside what was not reached', () => {
    const coverage = coverageOf(
      houseOf(...rooms, read(den1), { kind: 'not-reached', receptacle: den2, reason: 'furniture' }),
    );
    expect(coverage).toMatchObject({ expected: 5, tested: 1, planned: 5, left: ['Hall 1'] });
    expect(coverage.notReached).toEqual([{ name: 'Den 2', reason: 'furniture' }]);
  });

  test('a sample is planned with every ground-fault device besides', () => {
    expect(coverageOf(houseOf(...rooms, { kind: 'plan-chosen', sample: 2 })).planned).toBe(3);
  });

  test('one that was read after all is no longer “not reached”', () => {
    const house = houseOf(...rooms, { kind: 'not-reached', receptacle: den1, reason: 'locked' }, read(den1));
    expect(coverageOf(house).notReached).toEqual([]);
  });
});

describe('a signature', () => {
  const signed = (role: 'inspector' | 'client'): JobStatement => ({
    kind: 'signed',
    role,
    name: 'Tessa Quillon',
    strokes: [[0, 0, 10, 10]],
  });

  test('stands for what was there: what is entered or taken back later is said beside it', () => {
    expect(houseOf(...rooms, read(den1), signed('inspector')).changedSince).toBeUndefined();
    // Minutes 0 to 4: the rooms.
    const later = houseOf(...rooms, signed('inspector'), read(den1), signed('client'));
    expect(later.changedSince).toEqual({ inspector: '2026-05-04T09:06:00.000Z' });
    const taken = houseOf(...rooms, read(den1), signed('client'), {
      kind: 'withdrawn',
      entries: [idNumber(0x1005)],
    });
    expect(taken.changedSince).toEqual({ client: '2026-05-04T09:07:00.000Z' });
  });
});

describe('the house as it is walked', () => {
  test('rooms stand in the order that was chosen, new ones behind', () => {
    const house = houseOf(...rooms, { kind: 'rooms-ordered', rooms: [hall] });
    expect(house.rooms.map(({ name }) => name)).toEqual(['Hall', 'Den']);
  });

  test('one that was entered twice is one, with all that was read at both', () => {
    const house = houseOf(
      ...rooms,
      read(den1),
      read(den2),
      { kind: 'look-noted', receptacle: den2, look: 'scorch', seen: true },
      { kind: 'receptacle-merged', receptacle: den2, into: den1 },
    );
    const [only, ...others] = house.rooms[0]?.receptacles ?? [];
    expect(others).toEqual([]);
    expect(only).toMatchObject({ name: 'Den 1', looks: ['scorch'] });
    expect(only?.readings).toHaveLength(2);
  });

  test('what names one that was entered twice means the one that it became', () => {
    const house = houseOf(
      ...rooms,
      {
        kind: 'went-dead',
        by: { kind: 'device', receptacle: den2 },
        dead: [den2, den1, hall1],
        powerBack: true,
      },
      { kind: 'receptacle-described', receptacle: hall1, room: hall, name: 'Hall 1', halfOf: den2 },
      { kind: 'finding-added', finding: 'own a', ...wording, receptacles: [den1, den2] },
      { kind: 'finding-split', finding: 'own a', part: 'own b', receptacles: [den2] },
      {
        kind: 'finding-decided',
        finding: 'own a',
        decision: 'refused',
        reason: 'No.',
        held: { ...held, receptacles: [den2] },
      },
      { kind: 'receptacle-merged', receptacle: den2, into: den1 },
    );
    expect(house.wentDead).toMatchObject([{ by: { receptacle: den1 }, dead: [den1, hall1] }]);
    expect(foundBehind(house)).toMatchObject([{ device: den1, dead: [den1, hall1] }]);
    expect(house.findingEntries).toMatchObject([
      { receptacles: [den1] },
      { receptacles: [den1] },
      { held: { receptacles: [den1] } },
    ]);
    expect(receptaclesOf(house)).toMatchObject([{ id: den1, mergedFrom: [den2] }, { halfOf: den1 }]);
  });

  test('two that were each merged into the other both stay: nothing is lost in a circle', () => {
    const house = houseOf(
      ...rooms,
      { kind: 'receptacle-merged', receptacle: den2, into: den1 },
      { kind: 'receptacle-merged', receptacle: den1, into: den2 },
    );
    expect(house.rooms[0]?.receptacles.map(({ name }) => name)).toEqual(['Den 1', 'Den 2']);
  });

  test('fields of an earlier description stand until they are said anew', () => {
    const house = houseOf(
      ...rooms,
      { kind: 'receptacle-described', receptacle: hall1, room: den, name: 'Hall 1', spot: 0.25 },
      { kind: 'job-described', keepPowered: ['freezer'], breakerLeave: true },
      { kind: 'job-described', address: '14 Alder Rise' },
    );
    expect(house).toMatchObject({ address: '14 Alder Rise', keepPowered: ['freezer'], breakerLeave: true });
    const moved = house.rooms[0]?.receptacles.find(({ id }) => id === hall1);
    expect(moved).toMatchObject({ type: 'ground-fault', spot: 0.25 });
  });

  const dead: JobStatement = {
    kind: 'went-dead',
    by: { kind: 'device', receptacle: hall1 },
    dead: [den1, den2],
    powerBack: false,
  };
  const notBack = (...statements: readonly JobStatement[]) =>
    leftUndone(houseOf(...rooms, ...statements)).powerNotBack.map((one) =>
      one.kind === 'device' ? one.name : one.breaker,
    );

  test('what went dead and is not said to be back is left undone', () => {
    expect(notBack(dead)).toEqual(['Hall 1']);
    expect(notBack(dead, { ...dead, powerBack: true })).toEqual([]);
    expect(notBack(dead, { ...dead, powerBack: true }, dead)).toEqual(['Hall 1']);
  });

  test('the power is back too where another device turns out to be the one that was reset', () => {
    const taken: JobStatement = { ...dead, by: { kind: 'device', receptacle: den1 } };
    const reset: JobStatement = { ...dead, dead: [den1, den2], powerBack: true };
    expect(notBack(taken)).toEqual(['Den 1']);
    expect(notBack(taken, reset)).toEqual([]);
    expect(notBack(taken, { ...reset, dead: [den2] })).toEqual(['Den 1']);
  });

  test('a device that was tripped is left undone until something is said of its power', () => {
    const tripped: JobStatement = {
      kind: 'ground-fault-tested',
      receptacle: den2,
      by: 'tester-button',
      result: 'tripped',
    };
    expect(notBack(tripped)).toEqual(['Den 2']);
    expect(notBack(tripped, { ...dead, powerBack: true })).toEqual([]);
    // Said before it was tripped, it says nothing of now.
    expect(notBack({ ...dead, powerBack: true }, tripped)).toEqual(['Den 2']);
    expect(notBack({ ...tripped, result: 'no-trip' })).toEqual([]);
  });

  test('a breaker is known by its name, and no device’s reset brings it back', () => {
    const breaker: JobStatement = { ...dead, by: { kind: 'breaker', breaker: '7' } };
    expect(notBack(breaker, { ...dead, powerBack: true })).toEqual(['7']);
    expect(notBack(breaker, { ...breaker, powerBack: true })).toEqual([]);
    expect(foundBehind(houseOf(...rooms, breaker))).toEqual([]);
  });

  test('who read in a house is told by the readings, the first reader first', () => {
    const ada = idNumber(7);
    const nora = idNumber(8);
    const envelope = (author: string, minute: number) => ({
      id: idNumber(0x2000 + minute),
      device: idNumber(0x10),
      author,
      at: new Date(Date.UTC(2026, 4, 4, 10, minute)).toISOString(),
    });
    const read = (author: string, minute: number, receptacle: string): JobEntry => ({
      ...envelope(author, minute),
      kind: 'lamps-read',
      receptacle,
      lamps: lampsOf('hn-hg'),
    });
    const house = foldHouse([
      ...rooms.map((one, minute): JobEntry => ({ ...envelope(idNumber(1), minute), ...one })),
      read(nora, 40, den1),
      read(ada, 30, den2),
      read(nora, 20, hall1),
    ]);
    expect(readersOf(house)).toEqual([nora, ada]);
    expect(readersOf(houseOf(...rooms))).toEqual([]);
  });

  test('of what goes dead with a device, what was said last counts', () => {
    const house = houseOf(...rooms, dead, { ...dead, dead: [den1], powerBack: true });
    expect(foundBehind(house)).toEqual([{ device: hall1, dead: [den1], isBack: true }]);
  });
});
