import { chained, clockOf, type Entry, isPossibleClock, nextClock } from '@fair-plug/core/log';
import Dexie from 'dexie';
import { v7 } from 'uuid';
import { headOf, keepHead, linkAnew } from './chain';
import type { LogRows } from './early-reading';
import type { Confirmed, KeptLog, LocalDatabase, LogKey, Pack, Setting } from './tables';

export * from './tables';

/** Answers the same to all who ask, those who ask at the same moment among them. */
const settingOf = (store: LocalDatabase, name: Setting['name'], make: () => string): Promise<string> =>
  store.transaction('rw', store.settings, async () => {
    const known = await store.settings.get(name);
    if (known !== undefined) return known.value;
    const value = make();
    await store.settings.put({ name, value });
    return value;
  });

/** This browser's id, made once for each person in each firm. */
export const deviceId = (store: LocalDatabase): Promise<string> => settingOf(store, 'device', () => v7());

const dayMilliseconds = 86_400_000;

/** The server's time in milliseconds, as far as it was ever heard; else this device's. */
async function serverTime(store: LocalDatabase): Promise<number> {
  return Date.now() + Number((await store.settings.get('server-ahead'))?.value ?? 0);
}

/**
 * Sets this device by the server's time. Where it went on from a clock that can be nobody's, or was far off by itself, it
 * heals: what is unsent gets new clocks in its order, what was refused for them among it. Answers the logs that changed.
 */
export async function setTime(store: LocalDatabase, now: number): Promise<readonly LogKey[]> {
  const tables = [store.unsent, store.settings, store.confirmed, store.packs, store.chains, store.links];
  return store.transaction('rw', tables, async () => {
    await store.settings.put({ name: 'server-ahead', value: String(now - Date.now()) });
    const own = (await store.settings.get('clock'))?.value ?? '';
    const rows = await store.unsent.orderBy('order').toArray();
    const isPossible = ({ entry }: { readonly entry: Entry }): boolean =>
      isPossibleClock(clockOf(entry), now);
    const wrong = rows.filter((row) => !isPossible(row));
    if (wrong.length === 0 && (own === '' || isPossibleClock(own, now))) return [];
    const known = [...(await allConfirmed(store)), ...rows].filter(isPossible);
    let clock = latestClock(known.map(({ entry }) => entry)) || null;
    const instant = new Date(now).toISOString();
    for (const { order, log, entry } of wrong) {
      clock = nextClock(instant, clock);
      const healed = await linkAnew(store, log, entry, { ...entry, clock });
      await store.unsent.update(order, { entry: healed, refused: null });
    }
    if (!isPossibleClock(own, now)) {
      if (clock === null) await store.settings.delete('clock');
      else await store.settings.put({ name: 'clock', value: clock });
    }
    return [...new Set(wrong.map(({ log }) => log))];
  });
}

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
  return store.transaction('rw', store.unsent, store.settings, store.chains, async () => {
    // All is asked at once and kept at once: the walk waits for each answer.
    const names = ['device', 'last-instant', 'server-ahead', 'clock'] as const;
    const [[known, last, ahead, latest], end] = await Promise.all([
      store.settings.bulkGet([...names]),
      headOf(store, log),
    ]);
    const device = known?.value ?? (await deviceId(store));
    const previous = last === undefined ? 0 : Date.parse(last.value);
    // A device that was set right by a day or more begins anew.
    const goesOn = previous < Date.now() + dayMilliseconds;
    const at = new Date(Math.max(Date.now(), goesOn ? previous + 1 : 0)).toISOString();
    const now = new Date(Date.now() + Number(ahead?.value ?? 0)).toISOString();
    let clock = latest?.value ?? null;
    const made = statements.map((statement) => {
      clock = nextClock(now, clock);
      return { id: v7(), device, author, at, clock, ...statement } as unknown as Entry;
    });
    const { entries, head } = chained(made, end);
    await Promise.all([
      keepHead(store, log, head),
      store.unsent.bulkAdd(entries.map((entry) => ({ log, entry, opens, refused: null }))),
      store.settings.bulkPut([
        { name: 'last-instant', value: at },
        ...(clock === null ? [] : [{ name: 'clock' as const, value: clock }]),
      ]),
    ]);
    return entries;
  });
}

const latestClock = (entries: readonly Entry[]): string =>
  entries.reduce((latest, entry) => {
    const clock = clockOf(entry);
    return clock > latest ? clock : latest;
  }, '');

/** More entries than this go into one row. */
const many = 50;

const packsOf = ({ packs }: LocalDatabase, log: LogKey) =>
  packs.where('[log+number]').between([log, Dexie.minKey], [log, Dexie.maxKey]);

const unpacked = ({ entries }: Pack): readonly Entry[] => JSON.parse(entries);

async function addPack(store: LocalDatabase, log: LogKey, entries: readonly Entry[]): Promise<void> {
  const last = await packsOf(store, log).last();
  const number = (last?.number ?? 0) + 1;
  await store.packs.add({ log, number, entries: JSON.stringify(entries) });
  const kept = await store.logs.get(log);
  const packed = (kept?.packed ?? 0) + entries.length;
  await store.logs.put({ cursor: 0, summary: null, ...kept, log, packed });
}

/** Entries of a log that the server has. */
async function confirmedOf(store: LocalDatabase, log: LogKey): Promise<readonly Entry[]> {
  const packs = await packsOf(store, log).toArray();
  const loose = await store.confirmed.where('log').equals(log).toArray();
  return [...packs.flatMap(unpacked), ...loose.map(({ entry }) => entry)];
}

/** Those of the entries that are here as confirmed. */
async function knownOf(
  store: LocalDatabase,
  log: LogKey,
  ids: readonly string[],
): Promise<ReadonlySet<string>> {
  if (ids.length > many) return new Set((await confirmedOf(store, log)).map(({ id }) => id));
  // One that was packed already is kept twice then, and read once.
  const rows = await store.confirmed.bulkGet([...ids]);
  return new Set(rows.flatMap((row) => (row === undefined ? [] : [row.id])));
}

/** How far a page of the server's entries goes. */
export interface Reach {
  /** Number of its last entry. */
  readonly cursor: number;
  /** Number of the last entry that the server has. */
  readonly head: number;
}

/** Keeps what came from the server, and sets the clock by it. Answers what was not here yet. */
export async function confirm(
  store: LocalDatabase,
  log: LogKey,
  entries: readonly Entry[],
  reach: Reach | null,
): Promise<readonly Entry[]> {
  const tables = [store.confirmed, store.packs, store.unsent, store.logs, store.settings];
  return store.transaction('rw', tables, async () => {
    const ids = entries.map(({ id }) => id);
    const known = await knownOf(store, log, ids);
    const fresh = entries.filter(({ id }) => !known.has(id));
    if (fresh.length > many) await addPack(store, log, fresh);
    else await store.confirmed.bulkPut(fresh.map((entry) => ({ id: entry.id, log, entry })));
    const sent = new Set(ids);
    const waiting = await store.unsent.where('log').equals(log).toArray();
    await store.unsent.bulkDelete(
      waiting.filter(({ entry }) => sent.has(entry.id)).map(({ order }) => order),
    );
    const kept = await store.logs.get(log);
    if (reach !== null || kept === undefined)
      await store.logs.put({
        summary: null,
        ...kept,
        log,
        cursor: Math.max(reach?.cursor ?? 0, kept?.cursor ?? 0),
        head: Math.max(reach?.head ?? 0, kept?.head ?? 0),
      });
    const now = await serverTime(store);
    // What is ahead of all clocks is kept, and never gone on from.
    const seen = latestClock(entries.filter((entry) => isPossibleClock(clockOf(entry), now)));
    const own = (await store.settings.get('clock'))?.value ?? '';
    if (seen > own) await store.settings.put({ name: 'clock', value: seen });
    const shown = new Set(waiting.map(({ entry }) => entry.id));
    return fresh.filter(({ id }) => !shown.has(id));
  });
}

/** False where the server was known to have more of a log than is here. */
export async function isWhole(store: LocalDatabase, log: LogKey): Promise<boolean> {
  return isWholeIn(await store.logs.get(log));
}

/** The same of what is kept of the log beside its entries. */
export const isWholeIn = ({ cursor = 0, head = 0 }: Partial<KeptLog> = {}): boolean => cursor >= head;

/** Every entry of a log that is here, sent or not; what the server refuses stays out of the house. */
export async function entriesOf(store: LocalDatabase, log: LogKey): Promise<readonly Entry[]> {
  return store.transaction('r', store.confirmed, store.packs, store.unsent, async () =>
    entriesIn({
      packs: await packsOf(store, log).toArray(),
      confirmed: await store.confirmed.where('log').equals(log).toArray(),
      unsent: await store.unsent.where('log').equals(log).toArray(),
    }),
  );
}

/** The entries that rows of a log hold, those that the server refuses left out. */
export function entriesIn({ packs, confirmed, unsent }: Omit<LogRows, 'kept'>): readonly Entry[] {
  const waiting = unsent.filter(({ refused }) => refused === null);
  const all = [...packs.flatMap(unpacked), ...[...confirmed, ...waiting].map(({ entry }) => entry)];
  return [...new Map(all.map((entry) => [entry.id, entry])).values()];
}

/** How many entries of a log are here. */
export async function countOf(store: LocalDatabase, log: LogKey): Promise<number> {
  return store.transaction('r', store.confirmed, store.logs, store.unsent, async () => {
    const packed = (await store.logs.get(log))?.packed ?? 0;
    const loose = await store.confirmed.where('log').equals(log).count();
    const unsent = await store.unsent.where('log').equals(log).count();
    return packed + loose + unsent;
  });
}

/** Takes away what came from the server; what did not reach it yet stays. */
export async function forgetRead(store: LocalDatabase): Promise<void> {
  const { confirmed, packs, logs, links, answers, photos, photoBytes } = store;
  const read = [confirmed, packs, logs, answers];
  await Promise.all([...read.map((table) => table.clear()), links.where('sent').equals(1).delete()]);
  await store.transaction('rw', photos, photoBytes, async () => {
    const waiting = await photos.where('sent').equals(0).toArray();
    const stays = new Set(waiting.map(({ log, hash }) => `${log} ${hash}`));
    await photos.where('sent').equals(1).delete();
    await photoBytes.filter(({ log, hash }) => !stays.has(`${log} ${hash}`)).delete();
  });
}

/** Everything that the server has and that is here. */
export async function allConfirmed(store: LocalDatabase): Promise<readonly Omit<Confirmed, 'id'>[]> {
  return store.transaction('r', store.confirmed, store.packs, async () => {
    const packs = await store.packs.toArray();
    const packed = packs.flatMap((pack) => unpacked(pack).map((entry) => ({ log: pack.log, entry })));
    const rows = [...packed, ...(await store.confirmed.toArray())];
    return [...new Map(rows.map((row) => [row.entry.id, row])).values()];
  });
}

/** Puts the loose entries of a log into one row, once they are many. */
export async function pack(store: LocalDatabase, log: LogKey): Promise<void> {
  await store.transaction('rw', store.confirmed, store.packs, store.logs, async () => {
    const loose = await store.confirmed.where('log').equals(log).toArray();
    if (loose.length <= many) return;
    await addPack(
      store,
      log,
      loose.map(({ entry }) => entry),
    );
    await store.confirmed.bulkDelete(loose.map(({ id }) => id));
  });
}
