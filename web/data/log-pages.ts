import type { Entry, JobEntry, KitEntry } from '@fair-plug/core/log';
import { sql, type Transaction } from 'kysely';
import type { LogHead, LogPage } from '../contract/answers.ts';
import { bareLinks } from './chains.ts';
import type { FirmData } from './firm-data.ts';
import type { Database } from './schema.ts';

export const logsOf = (connection: Transaction<Database>, organization: string, kind: 'job' | 'kit') =>
  connection.selectFrom('log').where('organization', '=', organization).where('kind', '=', kind);

export async function kitLog(
  connection: Transaction<Database>,
  organization: string,
): Promise<string | null> {
  const row = await logsOf(connection, organization, 'kit').select('id').executeTakeFirst();
  return row?.id ?? null;
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

export async function kitPage(firm: FirmData, after: number): Promise<LogPage<KitEntry> | null> {
  return firm.transaction(async (transaction) => {
    const kit = await kitLog(transaction, firm.id);
    return kit === null ? null : page<KitEntry>(transaction, firm.id, kit, 'kit', after);
  });
}

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
  return {
    entries: rows.map((row) => row.body as Entry as E),
    links: await bareLinks(connection, organization, log),
    cursor: rows.at(-1)?.seq ?? after,
  };
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
