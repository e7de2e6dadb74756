import { describe, expect, test } from 'vitest';
import { lampsOf } from '../instruments/index.ts';
import { asEntries, idNumber } from './arbitrary-entries.ts';
import {
  doubtedReadings,
  foldHouse,
  foldKit,
  functionChecksOf,
  type JobStatement,
  type KitEntry,
  receptaclesOf,
} from './index.ts';

const den = idNumber(0x20);
const [den1, den2] = [0x30, 0x31].map(idNumber) as [string, string];
const houseOf = (...statements: readonly JobStatement[]) => foldHouse(asEntries(statements));
const rooms: readonly JobStatement[] = [
  { kind: 'room-described', room: den, name: 'Den' },
  { kind: 'receptacle-described', receptacle: den1, room: den, name: 'Den 1' },
  { kind: 'receptacle-described', receptacle: den2, room: den, name: 'Den 2' },
];
const read = (receptacle: string): JobStatement => ({
  kind: 'lamps-read',
  receptacle,
  lamps: lampsOf('hn-hg'),
});
const proved = (passed: boolean): JobStatement => ({ kind: 'tester-proved', instrument: 'lamps', passed });

const dropped: JobStatement = { kind: 'tester-dropped', instrument: 'lamps' };

describe('testers are proved before and after', () => {
  const stateOf = (...statements: readonly JobStatement[]) =>
    functionChecksOf(houseOf(...rooms, ...statements))[0]?.state;

  test.each<[string, readonly JobStatement[], string]>([
    ['read without any proof', [read(den1)], 'not-proved'],
    ['checked before, not yet after', [proved(true), read(den1)], 'proved-before'],
    ['proved after alone', [read(den1), proved(true)], 'proved-after'],
    ['proved on both sides', [proved(true), read(den1), read(den2), proved(true)], 'proved'],
    ['failed after', [proved(true), read(den1), proved(false)], 'failed'],
    ['dropped, and read on with it', [proved(true), read(den1), dropped, read(den2)], 'dropped'],
    [
      'dropped, tried, and read on',
      [proved(true), dropped, proved(true), read(den1), proved(true)],
      'proved',
    ],
    ['dropped, read, and good afterwards', [proved(true), dropped, read(den1), proved(true)], 'proved'],
    ['dropped, read, and failed afterwards', [proved(true), dropped, read(den1), proved(false)], 'failed'],
    ['failed before and passed later', [proved(false), proved(true), read(den1), proved(true)], 'proved'],
  ])('%s', (_, statements, state) => {
    expect(stateOf(...statements)).toBe(state);
  });

  test('a failed proof puts in doubt what was read since the last good one, and nothing before it', () => {
    const house = houseOf(...rooms, proved(true), read(den1), proved(true), read(den2), proved(false));
    const doubted = doubtedReadings(functionChecksOf(house));
    const readingsAt = (name: string) =>
      receptaclesOf(house).find((one) => one.name === name)?.readings ?? [];
    expect(readingsAt('Den 1').map(({ id }) => doubted.has(id))).toEqual([false]);
    expect(readingsAt('Den 2').map(({ id }) => doubted.has(id))).toEqual([true]);
  });

  test('a fall puts in doubt what was read after it, until the tester is tried again', () => {
    const house = houseOf(...rooms, proved(true), read(den1), dropped, read(den2));
    const [check] = functionChecksOf(house);
    expect(check?.dropped).toHaveLength(1);
    const readingsAt = (name: string) =>
      receptaclesOf(house)
        .find((one) => one.name === name)
        ?.readings.map(({ id }) => id) ?? [];
    expect(check?.doubted).toEqual(readingsAt('Den 2'));
  });

  test('the kit remembers the last proof of each tester', () => {
    const entry = (minute: number, passed: boolean): KitEntry => ({
      id: idNumber(0x500 + minute),
      device: idNumber(0x10),
      author: idNumber(1),
      at: new Date(Date.UTC(2026, 4, 4, 9, minute)).toISOString(),
      kind: 'tester-proved',
      instrument: 'probe',
      passed,
    });
    expect(foldKit([entry(9, false), entry(2, true)]).lastProofs.get('probe')?.passed).toBe(false);
  });
});
