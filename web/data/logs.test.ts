import { assess, HouseJudge } from '@fair-plug/core/assessment';
import { type LampPattern, lampsOf } from '@fair-plug/core/instruments';
import { foldHouse, type JobEntry, type KitEntry } from '@fair-plug/core/log';
import { entry } from '@fair-plug/core/log/testing-entries.ts';
import { findingSummaryOf } from '@fair-plug/core/words';
import { sql } from 'kysely';
import { v7 } from 'uuid';
import { afterAll, beforeAll, beforeEach, describe, expect, test, vi } from 'vitest';
import { summarizeJob } from './assessor.ts';
import type { Connection } from './database.ts';
import type { HandedInBy } from './entry-rules.ts';
import type { FirmData } from './firm-data.ts';
import { listJobs } from './jobs.ts';
import { jobPage, kitPage, logHeads } from './log-pages.ts';
import { appendToJob, appendToKit, mostEntries, openJob } from './logs.ts';
import { freshDatabase, newFirm } from './testing-database.ts';

let connection: Connection;
let drop: () => Promise<void>;

beforeAll(async () => {
  ({ connection, drop } = await freshDatabase());
});
afterAll(() => drop());

let firm: FirmData;
let by: HandedInBy;
let job: string;
const room = v7();

const readings = (...patterns: LampPattern[]): JobEntry[] =>
  patterns.flatMap((pattern, index) => {
    const receptacle = v7();
    return [
      entry({ kind: 'receptacle-described', receptacle, room, name: `Den ${index + 1}` }),
      entry({ kind: 'lamps-read', receptacle, lamps: lampsOf(pattern) }),
    ];
  });
const opening = (): JobEntry[] => [
  entry({ kind: 'job-described', address: '14 Alder Rise', yearBuilt: 1966, timeZone: 'America/Denver' }),
  entry({ kind: 'room-described', room, name: 'Den' }),
];

beforeEach(async () => {
  const made = await newFirm(connection);
  firm = made.firm;
  by = { person: made.owner, role: 'owner' };
  job = v7();
  await openJob(firm, by, job, opening());
});

describe('the log of a job in the database', () => {
  test('an entry is stored once, however often it is sent', async () => {
    const batch = readings('hn', 'hn-hg');
    expect(await appendToJob(firm, by, job, batch)).toEqual({
      kind: 'appended',
      stored: 4,
      known: 0,
      cursor: 6,
    });
    expect(await appendToJob(firm, by, job, [...batch, ...batch])).toMatchObject({
      stored: 0,
      known: 8,
    });
    expect((await jobPage(firm, job, 0))?.entries).toHaveLength(6);
  });

  test('opening a job twice changes nothing', async () => {
    const id = v7();
    const first = opening();
    await openJob(firm, by, id, first);
    expect(await openJob(firm, by, id, first)).toMatchObject({ kind: 'appended', stored: 0 });
    expect((await listJobs(firm)).filter((line) => line.id === id)).toHaveLength(1);
  });

  test('entries come back as they were sent, and a page starts after its cursor', async () => {
    const batch = readings('hg-ng');
    await appendToJob(firm, by, job, batch);
    expect(await jobPage(firm, job, 2)).toEqual({ entries: batch, links: [], cursor: 4 });
    expect(await jobPage(firm, job, 4)).toEqual({ entries: [], links: [], cursor: 4 });
  });

  test('an id that stands with other content is a conflict, and the whole batch changes nothing', async () => {
    const [described, read] = readings('hn') as [JobEntry, JobEntry];
    await appendToJob(firm, by, job, [read]);
    const other = { ...read, at: '2026-05-04T10:00:00.000Z' };
    expect(await appendToJob(firm, by, job, [described, other])).toEqual({
      kind: 'conflict',
      entry: read.id,
    });
    expect((await jobPage(firm, job, 2))?.entries).toEqual([read]);
  });

  test('the same entry in two jobs is a conflict', async () => {
    const [read] = readings('hn');
    await appendToJob(firm, by, job, [read!]);
    const second = v7();
    await openJob(firm, by, second, opening());
    expect(await appendToJob(firm, by, second, [read!])).toMatchObject({ kind: 'conflict' });
  });

  test('a job that does not exist takes nothing', async () => {
    expect(await appendToJob(firm, by, v7(), opening())).toEqual({ kind: 'no-such-log' });
    expect(await jobPage(firm, v7(), 0)).toBeNull();
  });

  test('another firm neither sees a job nor adds to it', async () => {
    const { firm: other } = await newFirm(connection);
    expect(await jobPage(other, job, 0)).toBeNull();
    expect(await listJobs(other)).toEqual([]);
    expect(await appendToJob(other, by, job, readings('all'))).toEqual({ kind: 'no-such-log' });
    expect((await jobPage(firm, job, 0))?.entries).toHaveLength(2);
  });

  test('batches that arrive together get numbers without a gap, so no reader can skip one', async () => {
    const batches = Array.from({ length: 8 }, () => readings('hn-hg', 'hn'));
    await Promise.all(batches.map((batch) => appendToJob(firm, by, job, batch)));
    const page = await jobPage(firm, job, 0);
    expect(page?.cursor).toBe(2 + 8 * 4);
    const stored = new Set(page?.entries.map((one) => one.id));
    expect(stored.size).toBe(2 + 8 * 4);
    for (const one of batches.flat()) expect(stored.has(one.id)).toBe(true);
  });

  test('the list of jobs says what the fold of the log says', async () => {
    const walked = readings('hn-hg', 'hn', 'hg-ng', 'hn-hg');
    await appendToJob(firm, by, job, walked.slice(0, -1));
    const page = await jobPage(firm, job, 0);
    const house = foldHouse(page?.entries ?? []);
    const line = {
      id: job,
      address: house.address,
      about: null,
      yearBuilt: 1966,
      receptacles: 4,
      tested: 3,
      lastReadAt: '2026-05-04T09:30:00.000Z',
      timeZone: 'America/Denver',
    };
    // What needs the engine is worked out beside the request, and stands for this log alone.
    await summarizeJob(firm, job);
    expect(await listJobs(firm)).toEqual([{ ...line, findings: null }]);
    const run = new HouseJudge().judging(house, []);
    let step = run.next();
    while (!step.done) step = run.next();
    const findings = findingSummaryOf(assess(house, step.value));
    expect(findings).toMatchObject({ urgency: 'act-now' });
    await vi.waitFor(async () => expect(await listJobs(firm)).toEqual([{ ...line, findings }]), {
      timeout: 60_000,
      interval: 20,
    });
    await appendToJob(firm, by, job, walked.slice(-1));
    expect(await listJobs(firm)).toMatchObject([{ tested: 3, findings: null }]);
    await vi.waitFor(async () => expect(await listJobs(firm)).toMatchObject([{ tested: 4 }]));
  });

  test('who names a cursor is told of the logs alone that grew since, whoever was still writing then', async () => {
    const first = await logHeads(firm);
    expect(first.logs.map(({ id, seq }) => [id, seq])).toContainEqual([job, 2]);
    // One that begins before the cursor is given out and ends after it.
    let end = (): void => {};
    const ended = new Promise<void>((done) => {
      end = done;
    });
    const slow = firm.transaction(async (transaction) => {
      await transaction
        .updateTable('log')
        .set({ last_seq: 7, changed: sql<string>`pg_current_xact_id()` })
        .where('organization', '=', firm.id)
        .where('kind', '=', 'kit')
        .execute();
      await ended;
    });
    await vi.waitFor(async () => {
      const later = await logHeads(firm);
      expect(BigInt(later.cursor)).toBeGreaterThanOrEqual(BigInt(first.cursor));
    });
    const meanwhile = await logHeads(firm, first.cursor);
    end();
    await slow;
    const after = await logHeads(firm, meanwhile.cursor);
    expect(after.logs).toMatchObject([{ kind: 'kit', seq: 7 }]);
    const nothing = await logHeads(firm, after.cursor);
    expect((await logHeads(firm, nothing.cursor)).logs).toEqual([]);
    // A cursor of another database is none of this one's.
    expect((await logHeads(firm, '9'.repeat(18))).logs).toHaveLength(first.logs.length);
  });

  test('a log past the most that it takes is refused with words', async () => {
    await firm.transaction((transaction) =>
      transaction
        .updateTable('log')
        .set({ last_seq: mostEntries - 1, changed: sql<string>`pg_current_xact_id()` })
        .where('id', '=', job)
        .execute(),
    );
    expect(await appendToJob(firm, by, job, readings('hn'))).toMatchObject({
      kind: 'refused',
      message: expect.stringContaining('50000'),
    });
  });

  test('a row that older code made, of a job without an address, is made anew', async () => {
    await firm.transaction((transaction) =>
      transaction.updateTable('job').set({ receptacles: 99, version: 0 }).execute(),
    );
    expect(await listJobs(firm)).toMatchObject([{ receptacles: 99 }]);
    await vi.waitFor(async () => expect(await listJobs(firm)).toMatchObject([{ receptacles: 0 }]), {
      timeout: 60_000,
      interval: 20,
    });
  });
});

describe('the kit and the firm', () => {
  test('each firm has its own kit', async () => {
    const tester: KitEntry = {
      id: v7(),
      device: v7(),
      author: v7(),
      at: '2026-05-04T09:30:00.000Z',
      kind: 'tester-described',
      tester: v7(),
      name: 'The old one',
      layout: [
        { pair: 'hg', colour: 'white' },
        { pair: 'ng', colour: 'blue' },
        { pair: 'hn', colour: 'white' },
      ],
    };
    expect(await appendToKit(firm, by, [tester])).toMatchObject({ stored: 1 });
    expect((await kitPage(firm, 0))?.entries).toEqual([tester]);
    expect((await kitPage((await newFirm(connection)).firm, 0))?.entries).toEqual([]);
  });

  test('a kit is no job', async () => {
    const { firm: other, kit } = await newFirm(connection);
    expect(await openJob(other, by, kit, opening())).toEqual({ kind: 'no-such-log' });
    expect(await jobPage(other, kit, 0)).toBeNull();
  });
});
