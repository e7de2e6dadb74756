import { type LampPattern, lampsOf } from '@fair-plug/core/instruments';
import { entry } from '@fair-plug/core/log/testing-entries.ts';
import { v7 } from 'uuid';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { assessJob, circuitsOf } from './assessor.ts';
import type { Connection } from './database.ts';
import type { HandedInBy } from './entry-rules.ts';
import { listJobs } from './jobs.ts';
import { appendToJob, openJob } from './logs.ts';
import { freshDatabase, newFirm } from './testing-database.ts';

let connection: Connection;
let drop: () => Promise<void>;

beforeAll(async () => {
  ({ connection, drop } = await freshDatabase());
});
afterAll(() => drop());

const room = v7();
/** Receptacles on one breaker, each read with lamps; with their ids. */
const circuit = (breaker: string, ...patterns: LampPattern[]) => {
  const receptacles = patterns.map(() => v7());
  const entries = receptacles.flatMap((receptacle, index) => [
    entry({ kind: 'receptacle-described', receptacle, room, name: `Den ${breaker}-${index + 1}` }),
    entry({ kind: 'receptacle-fed', receptacle, breaker, place: index + 1 }),
    entry({ kind: 'lamps-read', receptacle, lamps: lampsOf(patterns[index] ?? 'none') }),
  ]);
  return { receptacles, entries };
};

test('one reading more has its own circuit judged anew, and no other; what it comes to is as from the beginning', async () => {
  const { firm, owner } = await newFirm(connection);
  const by: HandedInBy = { person: owner, role: 'owner' };
  const job = v7();
  const short = circuit('1', 'hn-hg', 'hn');
  const long = circuit('2', 'hn-hg', 'hn', 'hn-hg', 'hn', 'hn-hg');
  const opening = [
    entry({ kind: 'job-described', address: '14 Alder Rise', yearBuilt: 1966 }),
    entry({ kind: 'room-described', room, name: 'Den' }),
    ...short.entries,
    ...long.entries,
  ];
  await openJob(firm, by, job, opening);
  await assessJob(firm, job);
  const before = circuitsOf(firm, job);
  expect(before.map(({ breaker }) => breaker)).toEqual(['1', '2']);
  const [receptacle = ''] = short.receptacles;
  const more = [entry({ kind: 'lamps-read', receptacle, lamps: lampsOf('hn-ng') })];
  await appendToJob(firm, by, job, more);
  await assessJob(firm, job);
  const after = circuitsOf(firm, job);
  expect(after.map(({ breaker }) => breaker)).toEqual(['1', '2']);
  expect(after[0]).not.toBe(before[0]);
  expect(after[1]).toBe(before[1]);

  const anew = v7();
  const others = [...opening, ...more].map((one) => ({ ...one, id: v7() }));
  await openJob(firm, by, anew, others);
  await assessJob(firm, anew);
  const [line, other] = (await listJobs(firm)).map(({ findings }) => findings);
  expect(line).not.toBeNull();
  expect(line).toEqual(other);
});
