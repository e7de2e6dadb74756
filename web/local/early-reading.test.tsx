import type { JobStatement } from '@fair-plug/core/log';
import { v7 } from 'uuid';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { type EarlyNames, readEarly, takeEarlyReading } from './early-reading';
import { type Identity, identityKey, rememberIdentity, storeName } from './identity';
import { LogCache } from './log-cache';
import { kitKey, storeVersion } from './log-names';
import { confirm, entriesOf, keep, LocalDatabase, pack } from './store';

const names: EarlyNames = { identity: identityKey, kit: kitKey, version: storeVersion };
/** As pages run it: a text that knows nothing of this file. */
const early = (own = names): void => new Function(`(${readEarly})(${JSON.stringify(own)})`)();

const room = (name: string): JobStatement => ({ kind: 'room-described', room: v7(), name });

let identity: Identity;
let job: string;
let store: LocalDatabase;
beforeEach(() => {
  const firm = { id: v7(), name: 'Hollowmere House Inspections', role: 'inspector' as const };
  identity = { person: { id: v7(), name: 'Tessa Quillon' }, firm, firms: [firm] };
  rememberIdentity(identity);
  job = v7();
  history.replaceState(null, '', `/walk?job=${job}`);
  store = new LocalDatabase(storeName(identity));
});
afterEach(() => {
  takeEarlyReading('')?.channel.close();
  store.close();
  history.replaceState(null, '', '/');
});

const author = v7();
const kept = (...rooms: readonly string[]) => keep(store, job, author, rooms.map(room), true);

/** A store with packed entries, loose ones, ones to send and one that the server refuses. */
async function filledStore(): Promise<void> {
  const many = Array.from({ length: 60 }, (_, at) => `Room ${at}`);
  await confirm(store, job, await kept(...many), { cursor: 60, head: 90 });
  await confirm(store, job, await kept('Hall'), { cursor: 61, head: 90 });
  await kept('Den', 'Attic');
  const { order } = (await store.unsent.toCollection().last()) ?? { order: 0 };
  await store.unsent.update(order, { refused: 'not known' });
}

const isRead = (cache: LogCache) => vi.waitFor(() => expect(cache.book(job).state().isRead).toBe(true));
const roomsIn = (cache: LogCache) =>
  cache
    .book(job)
    .state()
    .house.rooms.map(({ name }) => name);

test('what was read before any script arrived is the log, and the store need not be opened for it', async () => {
  await filledStore();
  await pack(store, job);
  const entries = await entriesOf(store, job);
  expect(entries).toHaveLength(62);
  store.close();
  early();
  const again = new LocalDatabase(storeName(identity));
  const cache = new LogCache(again);
  const wasOpen: boolean[] = [];
  cache.book(job).listen(() => wasOpen.push(again.isOpen()));
  await isRead(cache);
  const { entries: shown, isWhole } = cache.book(job).state();
  expect(shown).toEqual(entries);
  expect(isWhole).toBe(false);
  expect(cache.book(kitKey).state()).toMatchObject({ isRead: true, isEmpty: true, isWhole: true });
  expect(wasOpen[0]).toBe(false);
  cache.close();
});

test('its names are those that the store goes by', async () => {
  await store.open();
  expect(store.backendDB().version).toBe(storeVersion);
  early();
  expect(window.earlyReading?.store).toBe(storeName(identity));
  expect([...(window.earlyReading?.logs.keys() ?? [])]).toEqual([job, kitKey]);
});

test('what another tab keeps between the early reading and the application is shown as well', async () => {
  await kept('Hall');
  early();
  await Promise.all(window.earlyReading?.logs.values() ?? []);
  await kept('Den');
  const other = new BroadcastChannel(storeName(identity));
  other.postMessage(job);
  await vi.waitFor(() => expect(window.earlyReading?.grown.has(job)).toBe(true));
  const cache = new LogCache(store);
  await isRead(cache);
  expect(roomsIn(cache)).toEqual(['Hall', 'Den']);
  await kept('Attic');
  other.postMessage(job);
  await vi.waitFor(() => expect(roomsIn(cache)).toEqual(['Hall', 'Den', 'Attic']));
  other.close();
  cache.close();
});

test('an action that comes first builds on what was read early', async () => {
  await kept('Hall');
  early();
  const cache = new LogCache(store);
  const standing = await cache.book(job).inTurn(async (now) => now().house.rooms.length);
  expect(standing).toBe(1);
  cache.close();
});

test('a store of an earlier build is left to the application, which knows how to renew it', async () => {
  await kept('Hall');
  early({ ...names, version: storeVersion + 10 });
  const cache = new LogCache(store);
  await isRead(cache);
  expect(roomsIn(cache)).toEqual(['Hall']);
  cache.close();
});

test('a store that is not there is not made, and what was read of one is nothing to another', async () => {
  early();
  const reading = window.earlyReading;
  expect(await reading?.logs.get(job)).toBeNull();
  const all = (await indexedDB.databases()).map(({ name }) => name);
  expect(all).not.toContain(storeName(identity));
  await kept('Hall');
  early();
  const closed = vi.spyOn(window.earlyReading?.channel as BroadcastChannel, 'close');
  const others = new LocalDatabase(storeName({ ...identity, person: { id: v7(), name: 'Odell Marsh' } }));
  const cache = new LogCache(others);
  expect(closed).toHaveBeenCalledTimes(1);
  await isRead(cache);
  expect(cache.book(job).state().isEmpty).toBe(true);
  cache.close();
});

test('nothing is read where nobody is remembered, or no job is asked for', () => {
  localStorage.clear();
  early();
  expect(window.earlyReading).toBeUndefined();
  rememberIdentity(identity);
  history.replaceState(null, '', '/');
  early();
  expect(window.earlyReading).toBeUndefined();
});
