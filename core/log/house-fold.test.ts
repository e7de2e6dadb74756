import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { idNumber, jobLog, jumbled, kitLog } from './arbitrary-entries.ts';
import {
  clockOf,
  clockPattern,
  foldHouse,
  HouseFold,
  isPossibleClock,
  type JobEntry,
  type JobStatement,
  jobEntrySchema,
  kitEntrySchema,
  nextClock,
  receptaclesOf,
} from './index.ts';

test('the logs that are drawn hold entries of every kind, each as its schema wants it', () => {
  const drawn = fc.sample(jobLog, { numRuns: 400, seed: 5 }).flat();
  for (const entry of drawn) expect(jobEntrySchema().safeParse(entry).error?.issues).toBeUndefined();
  const kinds = jobEntrySchema().options.flatMap((option) =>
    'options' in option ? option.options.map(({ shape }) => shape.kind.value) : [option.shape.kind.value],
  );
  expect(new Set(drawn.map(({ kind }) => kind))).toEqual(new Set(kinds));
  const ofKit = fc.sample(kitLog, { numRuns: 200, seed: 5 }).flat();
  expect(new Set(ofKit.map(({ kind }) => kind))).toEqual(
    new Set(kitEntrySchema().options.map(({ shape }) => shape.kind.value)),
  );
});

describe('the fold, entry by entry', () => {
  test('is after every entry what folding all of them from the start gives', () => {
    fc.assert(
      fc.property(
        jobLog.chain((log) => jumbled(log)),
        (arriving) => {
          const growing = new HouseFold();
          arriving.forEach((entry, index) => {
            expect(growing.add([entry]).house).toEqual(foldHouse(arriving.slice(0, index + 1)));
          });
        },
      ),
      { numRuns: 200 },
    );
  });

  test('leaves the objects of what an entry does not touch as they are', () => {
    fc.assert(
      fc.property(jobLog, (mixed) => {
        // What was entered twice is put together anew each time.
        const log = mixed.filter(({ kind }) => kind !== 'receptacle-merged');
        const fold = new HouseFold().add(log);
        const before = receptaclesOf(fold.house);
        const [touched] = before;
        fc.pre(touched !== undefined);
        const reading: JobEntry = {
          id: idNumber(0x999),
          device: idNumber(0x10),
          author: idNumber(1),
          at: '2026-05-04T10:00:00.000Z',
          kind: 'lamps-read',
          receptacle: touched.id,
          lamps: { hn: 'lit', hg: 'lit', ng: 'off' },
        };
        const after = receptaclesOf(fold.add([reading]).house);
        for (const other of after) if (other.id !== touched.id) expect(before).toContain(other);
      }),
    );
  });
});

describe('the clock', () => {
  const instant = fc.date({ min: new Date('2020-01-01'), max: new Date('2035-01-01'), noInvalidDate: true });

  test('goes on from whatever was seen, whatever the device’s own time does', () => {
    fc.assert(
      fc.property(fc.array(instant, { minLength: 1, maxLength: 50 }), (times) => {
        let seen: string | null = null;
        for (const time of times) {
          const next: string = nextClock(time.toISOString(), seen);
          expect(next).toMatch(clockPattern);
          if (seen !== null) expect(next > seen).toBe(true);
          seen = next;
        }
      }),
    );
  });

  test('goes on when its count is full', () => {
    expect(nextClock('2026-05-04T09:00:00.000Z', '2026-05-04T10:00:00.000Z~zzzz')).toBe(
      '2026-05-04T10:00:00.001Z~0000',
    );
  });
});

describe('a clock that can be nobody’s', () => {
  const now = Date.parse('2026-05-04T09:00:00.000Z');
  test.each([
    ['2026-05-04T09:00:00.000Z~0000', true],
    ['2026-05-05T09:00:00.000Z~zzzz', true],
    ['2026-05-05T09:00:00.001Z~0000', false],
    ['9999-12-31T23:59:59.999Z~zzzz', false],
    ['9999-99-99T99:99:99.999Z~zzzz', false],
    ['2026-02-30T00:00:00.000Z~0000', false],
    ['1999-01-01T00:00:00.000Z~0000', true],
  ])('%s: %s', (clock, isPossible) => {
    expect(isPossibleClock(clock, now)).toBe(isPossible);
  });

  test('does not stop anybody from recording', () => {
    expect(nextClock('2026-05-04T09:00:00.000Z', '9999-99-99T99:99:99.999Z~zzzz')).toBe(
      '2026-05-04T09:00:00.000Z~0000',
    );
  });
});

describe('two devices, one of them two hours ahead', () => {
  const fast = idNumber(0x10);
  const right = idNumber(0x11);
  const room = idNumber(0x20);
  let count = 0x2000;
  const statements = (
    device: string,
    at: string,
    clock: string | undefined,
    statement: JobStatement,
  ): JobEntry => {
    count += 1;
    return {
      id: idNumber(count),
      device,
      author: idNumber(1),
      at,
      ...(clock ? { clock } : {}),
      ...statement,
    };
  };

  test('what the other says after having seen its entries stands', () => {
    const named = '2026-05-04T11:00:00.000Z';
    const before = statements(fast, named, nextClock(named, null), {
      kind: 'room-described',
      room,
      name: 'Dne',
    });
    const now = '2026-05-04T09:05:00.000Z';
    const after = statements(right, now, nextClock(now, clockOf(before)), {
      kind: 'room-described',
      room,
      name: 'Den',
    });
    for (const log of [
      [before, after],
      [after, before],
    ])
      expect(foldHouse(log).rooms[0]?.name).toBe('Den');
  });

  test('without a clock the one ahead would have buried it', () => {
    const before = statements(fast, '2026-05-04T11:00:00.000Z', undefined, {
      kind: 'room-described',
      room,
      name: 'Dne',
    });
    const after = statements(right, '2026-05-04T09:05:00.000Z', undefined, {
      kind: 'room-described',
      room,
      name: 'Den',
    });
    expect(foldHouse([before, after]).rooms[0]?.name).toBe('Dne');
  });
});
