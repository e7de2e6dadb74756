import { HouseFold, type JobEntry, receptaclesOf } from '@fair-plug/core/log';
import { afterAll, expect, test, vi } from 'vitest';
import { type KeptStore, partOf } from '../../scripts/corpus/corpus.ts';
import { FakeServer } from '../testing/fake-server.ts';
import { firmApi } from './api.ts';
import { LogCache } from './log-cache.ts';
import { allConfirmed, entriesOf, kitKey, LocalDatabase } from './store.ts';
import { Sync } from './sync.ts';

/** Puts back what a browser kept, as an earlier build wrote it, without any code of this one. */
async function putBack({ name, version, stores }: KeptStore['databases'][number]): Promise<void> {
  const opening = indexedDB.open(name, version);
  opening.onupgradeneeded = () => {
    for (const { name: storeName, keyPath, autoIncrement, indexes, rows } of stores) {
      const store = opening.result.createObjectStore(storeName, { keyPath, autoIncrement });
      for (const { name: index, keyPath: of, ...options } of indexes) store.createIndex(index, of, options);
      for (const row of rows) store.add(row);
    }
  };
  await new Promise((done, failed) => {
    opening.onsuccess = done;
    opening.onerror = () => failed(opening.error);
  });
  opening.result.close();
}

afterAll(() => vi.unstubAllGlobals());

test('what an earlier build left in a browser is there, and what was here alone is sent', async () => {
  const [kept] = partOf('store').databases;
  if (kept === undefined) throw new Error('no store in the corpus');
  await putBack(kept);
  const rowsOf = (name: string) => kept.stores.find((one) => one.name === name)?.rows ?? [];
  const unsent = rowsOf('unsent') as readonly { readonly log: string; readonly entry: JobEntry }[];
  const job = unsent[0]?.log ?? '';

  const store = new LocalDatabase(kept.name);
  const entries = (await entriesOf(store, job)) as readonly JobEntry[];
  expect(entries.map(({ id }) => id)).toEqual(expect.arrayContaining(unsent.map(({ entry }) => entry.id)));
  const { house } = new HouseFold().add(entries);
  expect(house.address).toBe('27 Lantern Hollow, Quillmere');
  expect(receptaclesOf(house)).toHaveLength(60);
  // Five keys were pressed with no network: one of them took back what the one before it had recorded.
  expect(unsent.map(({ entry }) => entry.kind).sort()).toEqual([...Array(4).fill('lamps-read'), 'withdrawn']);
  expect(await entriesOf(store, kitKey)).toHaveLength(4);

  const server = new FakeServer();
  vi.stubGlobal('fetch', server.fetch);
  server.logs.set(job, entries.filter(({ id }) => unsent.every(({ entry }) => entry.id !== id)) as never);
  const sync = new Sync(store, firmApi('firm', 'person'), new LogCache(store));
  await sync.exchange();
  expect(await store.unsent.count()).toBe(0);
  const arrived = server.logs.get(job)?.map(({ id }) => id) ?? [];
  expect(arrived).toEqual(expect.arrayContaining(unsent.map(({ entry }) => entry.id)));
  expect((await allConfirmed(store)).filter(({ log }) => log === job)).toHaveLength(entries.length);
  sync.end();
});

test('a log in which a time can be nobody’s is forgotten and asked for anew; what was here alone stays', async () => {
  const [kept] = partOf('store').databases;
  if (kept === undefined) throw new Error('no store in the corpus');
  const poison = '9999-12-31T23:59:59.998Z~0000';
  let poisoned = '';
  const stores = kept.stores.map((one) =>
    one.name !== 'confirmed'
      ? one
      : {
          ...one,
          rows: (one.rows as readonly { readonly log: string; readonly entry: object }[]).map((row, at) => {
            if (at > 0) return row;
            poisoned = row.log;
            return { ...row, entry: { ...row.entry, clock: poison } };
          }),
        },
  );
  await putBack({ ...kept, name: 'poisoned', stores });
  const store = new LocalDatabase('poisoned');
  const rows = kept.stores.find(({ name }) => name === 'unsent')?.rows ?? [];
  expect(await store.unsent.count()).toBe(rows.length);
  const logs = (await store.logs.toArray()).map(({ log }) => log);
  expect(logs).not.toContain(poisoned);
  expect(logs.length).toBeGreaterThan(0);
  expect((await allConfirmed(store)).filter(({ log }) => log === poisoned)).toEqual([]);
});
