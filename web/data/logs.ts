import { isDeepStrictEqual } from 'node:util';
import { clockOf, type Entry, isPossibleClock, type JobEntry, type KitEntry } from '@fair-plug/core/log';
import { sql, type Transaction } from 'kysely';
import type { LogHead, LogPage } from '../contract/answers.ts';
import { type HandedInBy, noteHandedIn, type Refusal, refusalOf } from './entry-rules.ts';
import type { FirmData } from './firm-data.ts';
import { beginLine } from './job-lines.ts';
import type { Database } from './schema.ts';

export type AppendResult =
  | { readonly kind: 'appended'; readonly stored: number; readonly known: number; readonly cursor: number }
  | { readonly kind: 'no-such-log' }
  /** The entry's id stands already, with other content or in another log. Nothing was stored. */
  | { readonly kind: 'conflict'; readonly entry: string }
  /** The entry's clock is no time, or more than a day ahead of the server's. */
  | { readonly kind: 'clock'; readonly entry: string }
  | Refusal;

/**
 * Begins a job with its first entries, or adds them where it was begun before, so that a repeated request
 * changes nothing.
 */
export async function openJob(
  firm: FirmData,
  by: HandedInBy,
  job: string,
  entries: readonly JobEntry[],
): Promise<AppendResult> {
  return inTransaction(firm, async (transaction) => {
    await transaction
      .insertInto('log')
      .values({ organization: firm.id, id: job, kind: 'job' })
      .onConflict((conflict) => conflict.columns(['organization', 'id']).doNothing())
      .execute();
    return append(transaction, firm, by, { id: job, kind: 'job' }, entries);
  });
}

/** Adds entries to a job, each once, and brings its read model up to date in the same transaction. */
export async function appendToJob(
  firm: FirmData,
  by: HandedInBy,
  job: string,
  entries: readonly JobEntry[],
): Promise<AppendResult> {
  return inTransaction(firm, (transaction) =>
    append(transaction, firm, by, { id: job, kind: 'job' }, entries),
  );
}

/** The entries of a job that arrived after `after`, at most so many; null where the firm has no such job. */
export async function jobPage(
  firm: FirmData,
  job: string,
  after: number,
  most?: number,
): Promise<LogPage<JobEntry> | null> {
  return firm.transaction((transaction) => page<JobEntry>(transaction, firm.id, job, 'job', after, most));
}

/** Adds entries to the firm's kit, each once. */
export async function appendToKit(
  firm: FirmData,
  by: HandedInBy,
  entries: readonly KitEntry[],
): Promise<AppendResult> {
  return inTransaction(firm, async (transaction) => {
    const id = await kitLog(transaction, firm.id);
    return id === null
      ? { kind: 'no-such-log' }
      : append(transaction, firm, by, { id, kind: 'kit' }, entries);
  });
}

export async function kitPage(firm: FirmData, after: number): Promise<LogPage<KitEntry> | null> {
  return firm.transaction(async (transaction) => {
    const kit = await kitLog(transaction, firm.id);
    return kit === null ? null : page<KitEntry>(transaction, firm.id, kit, 'kit', after);
  });
}

const logsOf = (connection: Transaction<Database>, organization: string, kind: 'job' | 'kit') =>
  connection.selectFrom('log').where('organization', '=', organization).where('kind', '=', kind);

/** How far logs go, and from where on to ask for those that grow from now on. */
export interface Heads {
  readonly logs: readonly LogHead[];
  readonly cursor: string;
}

/**
 * The logs of the firm that grew since an earlier answer's cursor, or all of them, the one that was begun last first. A
 * cursor is the oldest transaction that was still running then: whatever it or a later one wrote is told the next time.
 */
export async function logHeads(firm: FirmData, since: string | null = null): Promise<Heads> {
  return firm.transaction(async (transaction) => {
    const { rows } = await sql<{ cursor: string }>`
      select pg_snapshot_xmin(pg_current_snapshot())::text as cursor`.execute(transaction);
    const cursor = rows[0]?.cursor ?? '0';
    // One of a database that was replaced since says nothing about this one.
    const isKnown = since !== null && BigInt(since) <= BigInt(cursor);
    const logs = await transaction
      .selectFrom('log')
      .select(['id', 'kind', 'last_seq as seq'])
      .where('organization', '=', firm.id)
      .$if(isKnown, (query) => query.where('changed', '>=', sql<string>`${since}::xid8`))
      .orderBy('id', 'desc')
      .execute();
    return { logs, cursor };
  });
}

async function kitLog(connection: Transaction<Database>, organization: string): Promise<string | null> {
  const row = await logsOf(connection, organization, 'kit').select('id').executeTakeFirst();
  return row?.id ?? null;
}

async function page<E extends Entry>(
  connection: Transaction<Database>,
  organization: string,
  log: string,
  kind: 'job' | 'kit',
  after: number,
  most?: number,
): Promise<LogPage<E> | null> {
  const known = await logsOf(connection, organization, kind)
    .select('id')
    .where('id', '=', log)
    .executeTakeFirst();
  if (known === undefined) return null;
  const rows = await connection
    .selectFrom('entry')
    .select(['seq', 'body'])
    .where('organization', '=', organization)
    .where('log', '=', log)
    .where('seq', '>', after)
    .orderBy('seq')
    .$if(most !== undefined, (query) => query.limit(most ?? 0))
    .execute();
  // Only what passed the schema of its log is ever stored.
  return { entries: rows.map((row) => row.body as Entry as E), cursor: rows.at(-1)?.seq ?? after };
}

/** Undone as a whole when a conflict is found half way. */
class Undo extends Error {
  constructor(readonly result: AppendResult) {
    super('transaction undone');
  }
}

async function inTransaction(
  firm: FirmData,
  work: (transaction: Transaction<Database>) => Promise<AppendResult>,
): Promise<AppendResult> {
  try {
    return await firm.transaction(async (transaction) => {
      const result = await work(transaction);
      if (result.kind !== 'appended') throw new Undo(result);
      return result;
    });
  } catch (error) {
    if (error instanceof Undo) return error.result;
    throw error;
  }
}

/** A log holds no more entries; a house of 300 receptacles, read ten times each, comes to a tenth of it. */
export const mostEntries = 50_000;

async function append(
  transaction: Transaction<Database>,
  firm: FirmData,
  by: HandedInBy,
  { id: log, kind }: { readonly id: string; readonly kind: 'job' | 'kit' },
  entries: readonly Entry[],
): Promise<AppendResult> {
  const organization = firm.id;
  const held = await logsOf(transaction, organization, kind)
    .select('last_seq')
    .where('id', '=', log)
    .forUpdate()
    .executeTakeFirst();
  if (held === undefined) return { kind: 'no-such-log' };

  const known = await bodiesOf(transaction, organization, entries);
  const fresh = new Map<string, Entry>();
  for (const entry of entries) {
    const stands =
      known.get(entry.id) ??
      (fresh.has(entry.id) ? { log, body: plain(fresh.get(entry.id) ?? entry) } : null);
    if (stands === null) fresh.set(entry.id, entry);
    else if (stands.log !== log || !isDeepStrictEqual(stands.body, plain(entry)))
      return { kind: 'conflict', entry: entry.id };
  }
  const refusal = await refusalOf(transaction, firm, log, by, entries);
  if (refusal !== null) return refusal;
  const impossible = [...fresh.values()].find((entry) => !isPossibleClock(clockOf(entry), Date.now()));
  if (impossible !== undefined) return { kind: 'clock', entry: impossible.id };
  if (held.last_seq + fresh.size > mostEntries)
    return {
      kind: 'refused',
      message: `A log takes ${mostEntries} entries at the most, and this one has ${held.last_seq}.`,
    };
  if (fresh.size === 0) return { kind: 'appended', stored: 0, known: entries.length, cursor: held.last_seq };

  const rows = [...fresh.values()].map((entry, index) => ({
    organization,
    log,
    id: entry.id,
    seq: held.last_seq + 1 + index,
    body: JSON.stringify(entry),
  }));
  const inserted = await transaction
    .insertInto('entry')
    .values(rows)
    .onConflict((conflict) => conflict.columns(['organization', 'id']).doNothing())
    .returning('id')
    .execute();
  // Only an entry that came in with another log at the same moment can be missing.
  const stored = new Set(inserted.map(({ id }) => id));
  const lost = rows.find(({ id }) => !stored.has(id));
  if (lost !== undefined) return { kind: 'conflict', entry: lost.id };

  const cursor = held.last_seq + rows.length;
  await transaction
    .updateTable('log')
    .set({ last_seq: cursor, changed: sql<string>`pg_current_xact_id()` })
    .where('organization', '=', organization)
    .where('id', '=', log)
    .execute();
  await noteHandedIn(transaction, firm, by, [...fresh.values()]);
  if (kind === 'job' && held.last_seq === 0)
    await beginLine(transaction, firm, log, [...fresh.values()] as readonly JobEntry[]);
  return { kind: 'appended', stored: rows.length, known: entries.length - rows.length, cursor };
}

/** As it is once it went through JSON. */
const plain = (entry: Entry): unknown => JSON.parse(JSON.stringify(entry));

/** Of some entries, those that stand already, in whichever log of the firm. */
async function bodiesOf(
  transaction: Transaction<Database>,
  organization: string,
  entries: readonly Entry[],
): Promise<ReadonlyMap<string, { readonly log: string; readonly body: unknown }>> {
  if (entries.length === 0) return new Map();
  const rows = await transaction
    .selectFrom('entry')
    .select(['id', 'log', 'body'])
    .where('organization', '=', organization)
    .where(
      'id',
      'in',
      entries.map(({ id }) => id),
    )
    .execute();
  return new Map(rows.map(({ id, log, body }) => [id, { log, body }]));
}

/** All entries of a firm's job, or of its kit, in one transaction with whatever else is read; null where it has none. */
export async function wholeLog<K extends 'job' | 'kit'>(
  transaction: Transaction<Database>,
  organization: string,
  kind: K,
  log?: string,
): Promise<LogPage<K extends 'job' ? JobEntry : KitEntry> | null> {
  const id = log ?? (await kitLog(transaction, organization));
  return id === null ? null : page(transaction, organization, id, kind, 0);
}
