import { clockOf, type Entry, nextClock } from '@fair-plug/core/inspection';
import type { HouseSummary } from '@fair-plug/core/report';
import Dexie, { type EntityTable, type Table } from 'dexie';
import { v7 } from 'uuid';

/** The log that an entry belongs to: a job's id, or the kit. */
export type LogKey = string;
export const kitKey: LogKey = 'kit';

/** An entry that the server has not confirmed yet. */
export interface Unsent {
  readonly order: number;
  readonly log: LogKey;
  readonly entry: Entry;
  /** The entry begins a new job. */
  readonly opens: boolean;
  /** Why the server will never take it as it is; it is kept, shown, and not sent again. */
  readonly refused: string | null;
}

/** An entry that the server has. */
export interface Confirmed {
  readonly id: string;
  readonly log: LogKey;
  readonly entry: Entry;
}

/** A log that is kept on this device. */
export interface KeptLog {
  readonly log: LogKey;
  /** Number of the last of the server's entries that is here. */
  readonly cursor: number;
  /** What the list of jobs says; null for the kit, and until the log was folded. */
  readonly summary: HouseSummary | null;
  /** Of how many entries the summary was made. */
  readonly summarized?: number;
}

interface Setting {
  readonly name: 'device' | 'last-instant' | 'clock';
  readonly value: string;
}

/** What is kept in this browser for one person in one firm. */
export class LocalDatabase extends Dexie {
  declare unsent: EntityTable<Unsent, 'order'>;
  declare confirmed: Table<Confirmed, string>;
  declare logs: Table<KeptLog, LogKey>;
  declare settings: EntityTable<Setting, 'name'>;

  constructor(name: string) {
    super(name);
    this.version(1).stores({ unsent: '++order, log', settings: 'name' });
    this.version(2).stores({ confirmed: 'id, log', logs: 'log' });
  }
}

async function settingOf(store: LocalDatabase, name: Setting['name'], make: () => string): Promise<string> {
  const known = await store.settings.get(name);
  if (known !== undefined) return known.value;
  const value = make();
  await store.settings.put({ name, value });
  return value;
}

/** This browser's id, made once for each person in each firm. */
export const deviceId = (store: LocalDatabase): Promise<string> => settingOf(store, 'device', () => v7());

type Statement = { readonly kind: Entry['kind'] };

/**
 * Gives the statements of one action their envelope, all with the same time and that later than any before on
 * this device, and keeps them in the outbox before anything is sent. Answers the entries.
 */
export async function keep<S extends Statement>(
  store: LocalDatabase,
  log: LogKey,
  author: string,
  statements: readonly S[],
  opens = false,
): Promise<readonly Entry[]> {
  return store.transaction('rw', store.unsent, store.settings, async () => {
    const device = await deviceId(store);
    const last = await store.settings.get('last-instant');
    const previous = last === undefined ? 0 : Date.parse(last.value);
    const at = new Date(Math.max(Date.now(), previous + 1)).toISOString();
    await store.settings.put({ name: 'last-instant', value: at });
    let clock = (await store.settings.get('clock'))?.value ?? null;
    const entries = statements.map((statement) => {
      clock = nextClock(at, clock);
      return { id: v7(), device, author, at, clock, ...statement } as unknown as Entry;
    });
    if (clock !== null) await store.settings.put({ name: 'clock', value: clock });
    await store.unsent.bulkAdd(entries.map((entry) => ({ log, entry, opens, refused: null })));
    return entries;
  });
}

const latestClock = (entries: readonly Entry[]): string =>
  entries.reduce((latest, entry) => {
    const clock = clockOf(entry);
    return clock > latest ? clock : latest;
  }, '');

/** Keeps what came from the server, and sets the clock by it. Answers what was not here yet. */
export async function confirm(
  store: LocalDatabase,
  log: LogKey,
  entries: readonly Entry[],
  cursor: number | null,
): Promise<readonly Entry[]> {
  return store.transaction('rw', [store.confirmed, store.unsent, store.logs, store.settings], async () => {
    const ids = entries.map(({ id }) => id);
    const known = await store.confirmed.bulkGet(ids);
    const fresh = entries.filter((_, index) => known[index] === undefined);
    await store.confirmed.bulkPut(fresh.map((entry) => ({ id: entry.id, log, entry })));
    const sent = new Set(ids);
    const waiting = await store.unsent.where('log').equals(log).toArray();
    await store.unsent.bulkDelete(
      waiting.filter(({ entry }) => sent.has(entry.id)).map(({ order }) => order),
    );
    const kept = await store.logs.get(log);
    if (cursor !== null || kept === undefined)
      await store.logs.put({
        log,
        cursor: Math.max(cursor ?? 0, kept?.cursor ?? 0),
        summary: kept?.summary ?? null,
        ...(kept?.summarized === undefined ? {} : { summarized: kept.summarized }),
      });
    const seen = latestClock(entries);
    const own = (await store.settings.get('clock'))?.value ?? '';
    if (seen > own) await store.settings.put({ name: 'clock', value: seen });
    const shown = new Set(waiting.map(({ entry }) => entry.id));
    return fresh.filter(({ id }) => !shown.has(id));
  });
}

/** Every entry of a log that is here, sent or not; what the server refuses stays out of the house. */
export async function entriesOf(store: LocalDatabase, log: LogKey): Promise<readonly Entry[]> {
  return store.transaction('r', store.confirmed, store.unsent, async () => {
    const confirmed = await store.confirmed.where('log').equals(log).toArray();
    const unsent = await store.unsent.where('log').equals(log).toArray();
    return [...confirmed, ...unsent.filter(({ refused }) => refused === null)].map(({ entry }) => entry);
  });
}
