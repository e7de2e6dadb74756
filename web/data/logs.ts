import {
  type BareLink,
  clockOf,
  type Entry,
  isPossibleClock,
  isSameEntry,
  type JobEntry,
  type KitEntry,
} from '@fair-plug/core/log';
import { sql, type Transaction } from 'kysely';
import { linkIn, type Unlinked } from './chains.ts';
import { type HandedInBy, noteHandedIn, type Refusal, refusalOf } from './entry-rules.ts';
import type { FirmData } from './firm-data.ts';
import { beginLine } from './job-lines.ts';
import { kitLog, logsOf } from './log-pages.ts';
import type { Database } from './schema.ts';

export type AppendResult =
  | { readonly kind: 'appended'; readonly stored: number; readonly known: number; readonly cursor: number }
  | { readonly kind: 'no-such-log' }
  /** The entry's id stands already, with other content or in another log. Nothing was stored. */
  | { readonly kind: 'conflict'; readonly entry: string }
  /** The entry's clock is no time, or more than a day ahead of the server's. */
  | { readonly kind: 'clock'; readonly entry: string }
  | Unlinked
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
  links: readonly BareLink[] = [],
): Promise<AppendResult> {
  return inTransaction(firm, async (transaction) => {
    await transaction
      .insertInto('log')
      .values({ organization: firm.id, id: job, kind: 'job' })
      .onConflict((conflict) => conflict.columns(['organization', 'id']).doNothing())
      .execute();
    return append(transaction, firm, by, { id: job, kind: 'job' }, entries, links);
  });
}

/** Adds entries to a job, each once, and brings its read model up to date in the same transaction. */
export async function appendToJob(
  firm: FirmData,
  by: HandedInBy,
  job: string,
  entries: readonly JobEntry[],
  links: readonly BareLink[] = [],
): Promise<AppendResult> {
  return inTransaction(firm, (transaction) =>
    append(transaction, firm, by, { id: job, kind: 'job' }, entries, links),
  );
}

/** Adds entries to the firm's kit, each once. */
export async function appendToKit(
  firm: FirmData,
  by: HandedInBy,
  entries: readonly KitEntry[],
  links: readonly BareLink[] = [],
): Promise<AppendResult> {
  return inTransaction(firm, async (transaction) => {
    const id = await kitLog(transaction, firm.id);
    return id === null
      ? { kind: 'no-such-log' }
      : append(transaction, firm, by, { id, kind: 'kit' }, entries, links);
  });
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

/** Why entries cannot be stored as they are, for whatever they say. */
async function notStored(
  transaction: Transaction<Database>,
  firm: FirmData,
  log: string,
  by: HandedInBy,
  { entries, fresh }: { readonly entries: readonly Entry[]; readonly fresh: readonly Entry[] },
): Promise<AppendResult | null> {
  const refusal = await refusalOf(transaction, firm, log, by, entries);
  if (refusal !== null) return refusal;
  const impossible = fresh.find((entry) => !isPossibleClock(clockOf(entry), Date.now()));
  return impossible === undefined ? null : { kind: 'clock', entry: impossible.id };
}

/** When an entry was received stands only where its clock can be nobody's. */
function withoutNeedless<E extends Entry>(entry: E): E {
  const { received, ...own } = entry;
  const isPossible = isPossibleClock(clockOf(own), Date.now());
  return received === undefined || !isPossible ? entry : (own as E);
}

async function append(
  transaction: Transaction<Database>,
  firm: FirmData,
  by: HandedInBy,
  { id: log, kind }: { readonly id: string; readonly kind: 'job' | 'kit' },
  entries: readonly Entry[],
  links: readonly BareLink[],
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
    const double = fresh.get(entry.id);
    const stands = known.get(entry.id) ?? (double === undefined ? null : { log, body: double });
    if (stands === null) fresh.set(entry.id, withoutNeedless(entry));
    else if (stands.log !== log || !isSameEntry(stands.body, entry))
      return { kind: 'conflict', entry: entry.id };
  }
  const refusal = await notStored(transaction, firm, log, by, { entries, fresh: [...fresh.values()] });
  if (refusal !== null) return refusal;
  if (held.last_seq + fresh.size > mostEntries)
    return {
      kind: 'refused',
      message: `A log takes ${mostEntries} entries at the most, and this one has ${held.last_seq}.`,
    };
  const unlinked = await linkIn(transaction, firm, log, [...fresh.values()], links);
  if (unlinked !== null) return unlinked;
  if (fresh.size === 0) return { kind: 'appended', stored: 0, known: entries.length, cursor: held.last_seq };

  const cursor = held.last_seq + fresh.size;
  const lost = await insert(transaction, organization, log, held.last_seq, [...fresh.values()]);
  if (lost !== null) return { kind: 'conflict', entry: lost };
  await transaction
    .updateTable('log')
    .set({ last_seq: cursor, changed: sql<string>`pg_current_xact_id()` })
    .where('organization', '=', organization)
    .where('id', '=', log)
    .execute();
  await noteHandedIn(transaction, firm, by, [...fresh.values()]);
  if (kind === 'job' && held.last_seq === 0)
    await beginLine(transaction, firm, log, [...fresh.values()] as readonly JobEntry[]);
  return { kind: 'appended', stored: fresh.size, known: entries.length - fresh.size, cursor };
}

/** Stores entries behind `last`. Answers one that came in with another log at the same moment; null where all are stored. */
async function insert(
  transaction: Transaction<Database>,
  organization: string,
  log: string,
  last: number,
  entries: readonly Entry[],
): Promise<string | null> {
  const rows = entries.map((entry, index) => ({
    organization,
    log,
    id: entry.id,
    seq: last + 1 + index,
    body: JSON.stringify(entry),
  }));
  const inserted = await transaction
    .insertInto('entry')
    .values(rows)
    .onConflict((conflict) => conflict.columns(['organization', 'id']).doNothing())
    .returning('id')
    .execute();
  const stored = new Set(inserted.map(({ id }) => id));
  return rows.find(({ id }) => !stored.has(id))?.id ?? null;
}

/** Of some entries, those that stand already, in whichever log of the firm. */
async function bodiesOf(
  transaction: Transaction<Database>,
  organization: string,
  entries: readonly Entry[],
): Promise<ReadonlyMap<string, { readonly log: string; readonly body: Entry }>> {
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
