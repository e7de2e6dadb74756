import { type Entry, foldHouse, type JobEntry, type KitEntry } from '@fair-plug/core/inspection';
import { reportOn } from '@fair-plug/core/report';
import { sql, type Transaction } from 'kysely';
import type { Connection } from './database.ts';
import type { Database } from './schema.ts';

export interface LogPage<E extends Entry> {
  readonly entries: readonly E[];
  /** Sequence number of the last entry given; the next page starts after it. */
  readonly cursor: number;
}

export type AppendResult =
  | { readonly kind: 'appended'; readonly stored: number; readonly known: number; readonly cursor: number }
  | { readonly kind: 'no-such-log' }
  /** The entry's id stands already, with other content or in another log. Nothing was stored. */
  | { readonly kind: 'conflict'; readonly entry: string };

/**
 * Begins a job with its first entries, or adds them where it was begun before, so that a repeated request
 * changes nothing.
 */
export async function openJob(
  connection: Connection,
  organization: string,
  job: string,
  entries: readonly JobEntry[],
): Promise<AppendResult> {
  return inTransaction(connection, async (transaction) => {
    await transaction
      .insertInto('log')
      .values({ organization, id: job, kind: 'job' })
      .onConflict((conflict) => conflict.columns(['organization', 'id']).doNothing())
      .execute();
    return append(transaction, organization, job, 'job', entries);
  });
}

/** Adds entries to a job, each once, and brings its read model up to date in the same transaction. */
export async function appendToJob(
  connection: Connection,
  organization: string,
  job: string,
  entries: readonly JobEntry[],
): Promise<AppendResult> {
  return inTransaction(connection, (transaction) => append(transaction, organization, job, 'job', entries));
}

/** The entries of a job that arrived after `after`; null where the organization has no such job. */
export async function jobPage(
  connection: Connection,
  organization: string,
  job: string,
  after: number,
): Promise<LogPage<JobEntry> | null> {
  return page<JobEntry>(connection, organization, job, 'job', after);
}

/** Adds entries to the firm's kit, each once. */
export async function appendToKit(
  connection: Connection,
  organization: string,
  entries: readonly KitEntry[],
): Promise<AppendResult> {
  return inTransaction(connection, async (transaction) => {
    const kit = await kitLog(transaction, organization);
    return kit === null ? { kind: 'no-such-log' } : append(transaction, organization, kit, 'kit', entries);
  });
}

export async function kitPage(
  connection: Connection,
  organization: string,
  after: number,
): Promise<LogPage<KitEntry> | null> {
  const kit = await kitLog(connection, organization);
  return kit === null ? null : page<KitEntry>(connection, organization, kit, 'kit', after);
}

const logsOf = (connection: Connection, organization: string, kind: 'job' | 'kit') =>
  connection.selectFrom('log').where('organization', '=', organization).where('kind', '=', kind);

async function kitLog(connection: Connection, organization: string): Promise<string | null> {
  const row = await logsOf(connection, organization, 'kit').select('id').executeTakeFirst();
  return row?.id ?? null;
}

async function page<E extends Entry>(
  connection: Connection,
  organization: string,
  log: string,
  kind: 'job' | 'kit',
  after: number,
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
  connection: Connection,
  work: (transaction: Transaction<Database>) => Promise<AppendResult>,
): Promise<AppendResult> {
  try {
    return await connection.transaction().execute(async (transaction) => {
      const result = await work(transaction);
      if (result.kind !== 'appended') throw new Undo(result);
      return result;
    });
  } catch (error) {
    if (error instanceof Undo) return error.result;
    throw error;
  }
}

async function append(
  transaction: Transaction<Database>,
  organization: string,
  log: string,
  kind: 'job' | 'kit',
  entries: readonly Entry[],
): Promise<AppendResult> {
  const held = await logsOf(transaction, organization, kind)
    .select('last_seq')
    .where('id', '=', log)
    .forUpdate()
    .executeTakeFirst();
  if (held === undefined) return { kind: 'no-such-log' };

  let seq = held.last_seq;
  for (const entry of entries) {
    const inserted = await transaction
      .insertInto('entry')
      .values({ organization, log, id: entry.id, seq: seq + 1, body: JSON.stringify(entry) })
      .onConflict((conflict) => conflict.columns(['organization', 'id']).doNothing())
      .returning('seq')
      .executeTakeFirst();
    if (inserted !== undefined) seq = inserted.seq;
    else if (!(await standsAlready(transaction, organization, log, entry)))
      return { kind: 'conflict', entry: entry.id };
  }

  const stored = seq - held.last_seq;
  if (stored > 0) {
    await transaction
      .updateTable('log')
      .set({ last_seq: seq })
      .where('organization', '=', organization)
      .where('id', '=', log)
      .execute();
    if (kind === 'job') await refreshJob(transaction, organization, log);
  }
  return { kind: 'appended', stored, known: entries.length - stored, cursor: seq };
}

async function standsAlready(
  transaction: Transaction<Database>,
  organization: string,
  log: string,
  entry: Entry,
): Promise<boolean> {
  const same = await transaction
    .selectFrom('entry')
    .select('id')
    .where('organization', '=', organization)
    .where('log', '=', log)
    .where('id', '=', entry.id)
    .where(sql<boolean>`body = ${JSON.stringify(entry)}::jsonb`)
    .executeTakeFirst();
  return same !== undefined;
}

async function refreshJob(
  transaction: Transaction<Database>,
  organization: string,
  job: string,
): Promise<void> {
  const log = await page<JobEntry>(transaction, organization, job, 'job', 0);
  const { house, summary, findings } = reportOn(foldHouse(log?.entries ?? []));
  const seen = {
    address: house.address,
    about: house.about,
    year_built: house.yearBuilt,
    receptacles: summary.receptacles,
    tested: summary.tested,
    with_finding: summary.withFinding,
    act_now: findings
      .filter((finding) => finding.urgency === 'act-now')
      .reduce((sum, finding) => sum + finding.receptacles.length, 0),
    last_read_at: house.lastReadAt === null ? null : new Date(house.lastReadAt),
  };
  await transaction
    .insertInto('job')
    .values({ organization, id: job, ...seen })
    .onConflict((conflict) => conflict.columns(['organization', 'id']).doUpdateSet(seen))
    .execute();
}
