import { bareLinkOf, bodyHash, chained, clockOf, headsOf, type JobEntry, verify } from '@fair-plug/core/log';
import { sql } from 'kysely';
import { v7 } from 'uuid';
import { afterAll, beforeAll, beforeEach, expect, test } from 'vitest';
import type { Connection } from './database.ts';
import type { HandedInBy } from './entry-rules.ts';
import type { FirmData } from './firm-data.ts';
import { jobPage } from './log-pages.ts';
import { appendToJob, openJob } from './logs.ts';
import { noteReceived } from './migrations/2026-11-29-links.ts';
import { freshDatabase, newFirm } from './testing-database.ts';

let connection: Connection;
let owner: Connection;
let drop: () => Promise<void>;

beforeAll(async () => {
  ({ connection, owner, drop } = await freshDatabase());
});
afterAll(() => drop());

let firm: FirmData;
let by: HandedInBy;
let job: string;
const device = v7();

const noted = (text: string): JobEntry => ({
  id: v7(),
  device,
  author: v7(),
  at: '2026-05-04T09:30:00.000Z',
  kind: 'noted',
  receptacle: v7(),
  text,
});
const entries = (...texts: readonly string[]) => chained(texts.map(noted), null).entries;
const append = (...batch: readonly JobEntry[]) => appendToJob(firm, by, job, batch);

beforeEach(async () => {
  const made = await newFirm(connection);
  firm = made.firm;
  by = { person: made.owner, role: 'owner' };
  job = v7();
  await openJob(firm, by, job, [{ ...noted('x'), device: v7(), kind: 'job-described' } as never]);
});

test('links are checked as they arrive, in whatever order, and a gap waits', async () => {
  const [a, b, c] = entries('a', 'b', 'c') as [JobEntry, JobEntry, JobEntry];
  expect(await append(c)).toMatchObject({ kind: 'appended' });
  expect(await append(a)).toMatchObject({ kind: 'appended' });
  expect(await append(b)).toMatchObject({ kind: 'appended' });
  expect(await append(a, b, c)).toMatchObject({ kind: 'appended', stored: 0, known: 3 });
  const page = await jobPage(firm, job, 0);
  expect(verify(page?.entries ?? [], page?.links)).toMatchObject({ verdict: 'intact', chained: 3 });
});

test('what does not go with what stands is not stored, and the answer says where the chain ends', async () => {
  const [a, b, c] = entries('a', 'b', 'c') as [JobEntry, JobEntry, JobEntry];
  await append(a, b);
  const head = headsOf([a, b], [])[device];
  const [fork] = chained([noted('fork')], headsOf([a], [])[device] ?? null).entries;
  const changed = { ...c, text: 'changed' } as JobEntry;
  const covered = { ...changed, link: { ...c.link, body: bodyHash(changed) } } as JobEntry;
  for (const wrong of [fork, changed, { ...c, link: { ...c.link, after: null } }] as JobEntry[])
    expect(await append(wrong)).toEqual({ kind: 'chain', device, entry: wrong.id, head });
  // Altered together with its own link: the one that was entered after it tells.
  await append(c);
  expect(await append(covered)).toEqual({ kind: 'conflict', entry: c.id });
  expect((await jobPage(firm, job, 1))?.entries).toEqual([a, b, c]);
});

test('a refused entry leaves its hash; whoever reads the log is told of it', async () => {
  const [a, b, c] = entries('a', 'b', 'c') as [JobEntry, JobEntry, JobEntry];
  const bare = bareLinkOf(b);
  if (bare === null) throw new Error();
  await append(a, c);
  expect(await appendToJob(firm, by, job, [], [bare])).toMatchObject({ kind: 'appended', stored: 0 });
  const page = await jobPage(firm, job, 0);
  expect(page?.links).toEqual([bare]);
  expect(verify(page?.entries ?? [], page?.links).verdict).toBe('intact');
  // Where it comes after all, its link is no longer bare.
  await append(b);
  expect((await jobPage(firm, job, 0))?.links).toEqual([]);
});

test('entries without links are taken as before', async () => {
  expect(await append(noted('old'))).toMatchObject({ kind: 'appended', stored: 1 });
});

test('what was stored with a clock that can be nobody’s is ordered by when it was received', async () => {
  const poisoned = [
    '9999-12-31T23:59:59.999Z~zzzz',
    '9999-99-99T00:00:00.000Z~0000',
    '2025-99-99T00:00:00.000Z~0000',
  ];
  const stored = [...poisoned, '2026-05-04T09:30:00.000Z~0000'].map((clock) => ({ ...noted('x'), clock }));
  // As a server of before there was the rule stored them.
  for (const [at, entry] of stored.entries())
    await sql`insert into entry (organization, log, id, seq, body)
      values (${firm.id}, ${job}, ${entry.id}, ${at + 2}, ${JSON.stringify(entry)}::jsonb)`.execute(owner);
  await noteReceived(owner as never);
  const after = (await jobPage(firm, job, 1))?.entries ?? [];
  const year = String(new Date().getFullYear());
  expect(after.slice(0, 3).map((entry) => clockOf(entry).slice(0, 4))).toEqual([year, year, year]);
  expect(after[3]).toEqual(stored[3]);
  // A device that still has one as it was made hands in the same entry.
  expect(await append(stored[0] as JobEntry)).toMatchObject({ kind: 'appended', known: 1 });
});

test('whoever opens an old file says when; the server takes that for a clock that can be nobody’s, and for no other', async () => {
  const received = '2026-05-05T09:30:00.000Z';
  const old = { ...noted('x'), clock: '9999-12-31T23:59:59.999Z~zzzz', received } as JobEntry;
  const usual = { ...noted('y'), received } as JobEntry;
  expect(await append({ ...old, received: undefined } as JobEntry)).toMatchObject({ kind: 'clock' });
  expect(await append({ ...old, received: '9999-05-05T09:30:00.000Z' } as JobEntry)).toMatchObject({
    kind: 'clock',
  });
  expect(await append(old, usual)).toMatchObject({ kind: 'appended', stored: 2 });
  const [first, second] = (await jobPage(firm, job, 1))?.entries ?? [];
  expect(first).toEqual(old);
  expect(second).not.toHaveProperty('received');
});
