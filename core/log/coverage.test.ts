import fc from 'fast-check';
import { jStat } from 'jstat';
import { describe, expect, test } from 'vitest';
import { asEntries, idNumber } from './arbitrary-entries.ts';
import {
  chanceOfMissing,
  coverageOf,
  foldHouse,
  type JobStatement,
  missingCurve,
  sampleFor,
} from './index.ts';

describe('the chance that a sample holds none of the faulty', () => {
  test('24 of 60 tested and three bad: all missed in 20.9 % of cases (C(57,24)/C(60,24), worked by hand)', () => {
    expect(chanceOfMissing(60, 3, 24)).toBeCloseTo(0.20865, 5);
  });

  test('is the hypergeometric distribution at nought of a numerical package (jstat)', () => {
    fc.assert(
      fc.property(
        fc
          .integer({ min: 2, max: 300 })
          .chain((all) =>
            fc.tuple(fc.constant(all), fc.integer({ min: 1, max: all }), fc.integer({ min: 0, max: all })),
          ),
        ([all, faulty, tested]) => {
          fc.pre(tested > 0 && tested < all && faulty < all);
          expect(chanceOfMissing(all, faulty, tested)).toBeCloseTo(
            jStat.hypgeom.pdf(0, all, faulty, tested),
            9,
          );
        },
      ),
    );
  });

  test('the sample for a wanted confidence is the smallest that reaches it', () => {
    for (const [all, faulty] of [
      [60, 3],
      [40, 1],
      [120, 6],
    ] as const) {
      const tested = sampleFor(all, faulty, 0.95);
      expect(1 - chanceOfMissing(all, faulty, tested)).toBeGreaterThanOrEqual(0.95);
      expect(1 - chanceOfMissing(all, faulty, tested - 1)).toBeLessThan(0.95);
    }
  });

  test('falls with every receptacle more that is tested, and to nought where all are', () => {
    expect(chanceOfMissing(12, 2, 12)).toBe(0);
    expect(chanceOfMissing(12, 0, 3)).toBe(1);
    const curve = missingCurve(60, 24, 10).map(({ chance }) => chance);
    expect(curve).toEqual(curve.toSorted((a, b) => b - a));
  });
});

describe('how far the walk has come', () => {
  const [den, hall] = [idNumber(0x20), idNumber(0x21)];
  const [d1, d2, d3, h1] = [0x30, 0x31, 0x32, 0x33].map(idNumber) as [string, string, string, string];
  const house = (...more: readonly JobStatement[]) =>
    foldHouse(
      asEntries([
        { kind: 'room-described', room: den, name: 'Den', expected: 2 },
        { kind: 'room-described', room: hall, name: 'Hall', expected: 4 },
        { kind: 'room-described', room: idNumber(0x22), name: 'Attic' },
        { kind: 'receptacle-described', receptacle: d1, room: den, name: 'Den 1' },
        { kind: 'receptacle-described', receptacle: d2, room: den, name: 'Den 2' },
        { kind: 'receptacle-described', receptacle: d3, room: den, name: 'Den 3' },
        { kind: 'receptacle-described', receptacle: h1, room: hall, name: 'Hall 1', type: 'ground-fault' },
        ...more,
      ]),
    );
  const read = (receptacle: string): JobStatement => ({
    kind: 'lamps-read',
    receptacle,
    lamps: { hn: 'lit', hg: 'lit', ng: 'off' },
  });

  test('a room expects what is listed there, or what is looked for where that is more; an empty one nothing', () => {
    const { rooms, expected } = coverageOf(house());
    expect(rooms.map((room) => [room.name, room.expected])).toEqual([
      ['Den', 3],
      ['Hall', 4],
      ['Attic', 0],
    ]);
    expect(expected).toBe(7);
  });

  test('what was read counts as tested, also where a reason was given before; what has neither is left', () => {
    const { tested, notReached, left, rooms } = coverageOf(
      house(
        read(d1),
        { kind: 'not-reached', receptacle: d2, reason: 'furniture' },
        { kind: 'not-reached', receptacle: d3, reason: 'locked' },
        read(d3),
      ),
    );
    expect(tested).toBe(2);
    expect(notReached).toEqual([{ name: 'Den 2', reason: 'furniture' }]);
    expect(left).toEqual(['Hall 1']);
    expect(rooms[0]).toMatchObject({ tested: 2, notReached: 1 });
  });

  test('a sample is planned with every ground-fault device besides, and never more than there are', () => {
    expect(coverageOf(house()).planned).toBe(7);
    expect(coverageOf(house({ kind: 'plan-chosen', sample: 3 })).planned).toBe(4);
    expect(coverageOf(house({ kind: 'plan-chosen', sample: 60 })).planned).toBe(7);
  });
});
