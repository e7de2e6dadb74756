import { describe, expect, test } from 'vitest';
import { asEntries, idNumber } from '../log/arbitrary-entries.ts';
import { foldHouse, type JobStatement } from '../log/index.ts';
import { placeOf, unprotectedPlaces } from './protection-rules.ts';

const room = idNumber(0x20);
const receptacle = idNumber(0x30);
const other = idNumber(0x31);

const placesOf = (
  name: string,
  yearBuilt: number | null,
  more: readonly JobStatement[] = [],
  job: object = {},
) =>
  unprotectedPlaces(
    foldHouse(
      asEntries([
        { kind: 'job-described', ...(yearBuilt === null ? {} : { yearBuilt }), ...job },
        { kind: 'room-described', room, name },
        { kind: 'receptacle-described', receptacle, room, name: `${name} 1` },
        ...more,
      ]),
    ),
  ).map(({ place, predates, from, receptacles }) => ({ place, predates, from, count: receptacles.length }));

describe('where a rule asks for ground-fault protection', () => {
  // Years of the NEC in new work, from memory.
  test.each([
    ['Bath', 'bathroom', 1975],
    ['Powder room', 'bathroom', 1975],
    ['Garage', 'garage', 1978],
    ['Kitchen', 'kitchen', 1987],
    ['Patio', 'outdoors', 1973],
    ['Basement', 'basement', 1990],
    ['Laundry', 'laundry', 2005],
  ] as const)(
    '%s: a house of the year of the rule lacks it, one of the year before predates it',
    (name, place, from) => {
      expect(placesOf(name, from)).toEqual([{ place, predates: false, from, count: 1 }]);
      expect(placesOf(name, from - 1)).toEqual([{ place, predates: true, from, count: 1 }]);
    },
  );

  test('rooms that no rule names, and houses of an unknown year, ask for nothing', () => {
    for (const name of ['Den', 'Bedroom', 'Hall', 'Study']) expect(placeOf(name), name).toBeNull();
    expect(placesOf('Den', 2020)).toEqual([]);
    expect(placesOf('Bath', null)).toEqual([]);
  });

  test('a room made over since counts as new, another room’s work does not', () => {
    const altered = (what: string) => placesOf('Kitchen', 1966, [], { alterations: [{ year: 2004, what }] });
    expect(altered('Kitchen redone')[0]?.predates).toBe(false);
    expect(altered('Bath redone')[0]?.predates).toBe(true);
  });

  test.each<[string, JobStatement]>([
    [
      'a device of its own',
      { kind: 'receptacle-described', receptacle, room, name: 'Bath 1', type: 'ground-fault' },
    ],
    ['a label', { kind: 'protection-noted', receptacle, labels: ['protected'] }],
    [
      'a device that it went dead with',
      {
        kind: 'went-dead',
        by: { kind: 'device', receptacle: other },
        dead: [receptacle],
        powerBack: true,
      },
    ],
    [
      'a test that tripped',
      { kind: 'ground-fault-tested', receptacle, by: 'tester-button', result: 'tripped' },
    ],
  ])('%s is protection', (_, statements) => {
    expect(placesOf('Bath', 1990, [statements])).toEqual([]);
  });

  test.each<[string, JobStatement]>([
    ['labels looked for and not there', { kind: 'protection-noted', receptacle, labels: [] }],
    [
      'a label about the ground alone',
      { kind: 'protection-noted', receptacle, labels: ['no-equipment-ground'] },
    ],
    [
      'a test that did not trip',
      { kind: 'ground-fault-tested', receptacle, by: 'tester-button', result: 'no-trip' },
    ],
    [
      'a breaker that it went dead with',
      { kind: 'went-dead', by: { kind: 'breaker', breaker: '4' }, dead: [receptacle], powerBack: true },
    ],
  ])('%s is none', (_, statements) => {
    expect(placesOf('Bath', 1990, [statements])).toHaveLength(1);
  });

  test('rooms of one place are gathered, with the youngest year of them', () => {
    const second = idNumber(0x21);
    const more: JobStatement[] = [
      { kind: 'room-described', room: second, name: 'Upper bath' },
      { kind: 'receptacle-described', receptacle: other, room: second, name: 'Upper bath 1' },
    ];
    expect(placesOf('Bath', 1966, more, { alterations: [{ year: 1999, what: 'Upper bath added' }] })).toEqual(
      [{ place: 'bathroom', predates: false, from: 1975, count: 2 }],
    );
  });
});
