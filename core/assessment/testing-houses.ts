import { type LampPattern, lampsOf, type Shown } from '../instruments/index.ts';
import { idNumber } from '../log/arbitrary-entries.ts';
import { foldHouse, type House, type JobEntry, type JobStatement } from '../log/index.ts';
import { HouseJudge } from './house-judgement.ts';

/** Small houses for tests of what is made of them: one room, receptacles in a row. */

export interface Place {
  readonly shows: LampPattern | null;
  readonly breaker?: string;
  readonly taken?: readonly Shown[];
}

export const receptacleId = (index: number): string => idNumber(0x100 + index);

export function houseOf(
  places: readonly Place[],
  described: object = {},
  more: readonly JobStatement[] = [],
): House {
  const room = idNumber(0x20);
  const statements: JobStatement[] = [
    { kind: 'job-described', ...described },
    { kind: 'room-described', room, name: 'Den' },
    ...more,
  ];
  places.forEach(({ shows, breaker, taken = [] }, index) => {
    const receptacle = receptacleId(index);
    statements.push({ kind: 'receptacle-described', receptacle, room, name: `Den ${index + 1}` });
    if (shows !== null) statements.push({ kind: 'lamps-read', receptacle, lamps: lampsOf(shows) });
    for (const shown of taken) statements.push({ kind: 'reading-taken', receptacle, shown });
    if (breaker !== undefined)
      statements.push({ kind: 'receptacle-fed', receptacle, breaker, place: index + 1 });
  });
  const envelope = { device: idNumber(2), author: idNumber(3), at: '2026-05-04T09:30:00.000Z' };
  return foldHouse(
    statements.map((one, index): JobEntry => ({ id: idNumber(0x1000 + index), ...envelope, ...one })),
  );
}

export function judged(house: House, judge = new HouseJudge()) {
  const run = judge.judging(house, ['lamps', 'probe', 'meter', 'loaded']);
  let steps = 0;
  let told = 0;
  for (;;) {
    const step = run.next();
    steps += 1;
    if (step.done) return { judgement: step.value, steps, told };
    if (step.value !== null) told += 1;
  }
}

export const reversed = (breaker?: string): Place => ({
  shows: 'hn-ng',
  ...(breaker === undefined ? {} : { breaker }),
});
export const fine = (breaker?: string): Place => ({
  shows: 'hn-hg',
  ...(breaker === undefined ? {} : { breaker }),
});

/** On one breaker, what no few causes explain. */
export const contradictory = Array.from({ length: 30 }, (_, index): Place => {
  const shows = (['hn-hg', 'hn', 'hg-ng', 'none'] as const)[(index * 7) % 4] ?? 'hn';
  const off = index % 3;
  return {
    shows,
    breaker: '1',
    taken: [{ instrument: 'meter', hn: 120 - 40 * off, hg: 35 * off, ng: 118 - 59 * off }],
  };
});
