import {
  type ChainHead,
  clockOf,
  type Entry,
  headsOf,
  isPossibleClock,
  type JobEntry,
  type JobStatement,
  verify,
} from '@fair-plug/core/log';
import Dexie from 'dexie';
import { v7 } from 'uuid';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { FakeServer } from '../testing/fake-server.ts';
import { firmApi } from './api.ts';
import { LogCache } from './log-cache.ts';
import {
  allConfirmed,
  confirm,
  countOf,
  deviceId,
  entriesOf,
  isWhole,
  keep as keepIn,
  kitKey,
  LocalDatabase,
  pack,
} from './store.ts';
import { Sync } from './sync.ts';

// Longer than other files: one device, one server, and everything that may come between them.

const author = v7();
const room = (name: string): JobStatement => ({ kind: 'room-described', room: v7(), name });

let server: FakeServer;
let device: ReturnType<typeof newDevice>;
let job: string;
let count = 0;

/** Where the chain of the one device of a log ends. */
const headOf = (log: readonly Entry[] = []): ChainHead | null =>
  Object.values(headsOf(log as readonly JobEntry[], []))[0] ?? null;

function newDevice() {
  count += 1;
  const store = new LocalDatabase(`device ${count}`);
  const cache = new LogCache(store);
  const sync = new Sync(store, firmApi(v7(), v7()), cache);
  return {
    store,
    cache,
    sync,
    keep: async (log: string, said: readonly JobStatement[], opens = false) => {
      const entries = await keepIn(store, log, author, said, opens);
      await cache.grown(log, entries);
      return entries;
    },
    exchange: () => sync.exchange(),
  };
}

beforeEach(() => {
  server = new FakeServer();
  vi.stubGlobal('fetch', server.fetch);
  job = v7();
  device = newDevice();
});
afterEach(() => {
  device.sync.end();
  vi.unstubAllGlobals();
});

const running = async (check: () => Promise<void> | void): Promise<void> => {
  device.sync.start();
  await vi.waitFor(
    async () => {
      device.sync.wake();
      await check();
    },
    { timeout: 5000, interval: 100 },
  );
};
const untilSent = () => running(async () => expect(await device.store.unsent.count()).toBe(0));

describe('what this device entered', () => {
  const linksOf = (entries: readonly Entry[]) => verify(entries as readonly JobEntry[]);

  test('is a chain in each log, one however many tabs enter at once', async () => {
    const tab = new LocalDatabase(device.store.name);
    await Promise.all(
      Array.from({ length: 6 }, (_, n) =>
        keepIn(n % 2 === 0 ? device.store : tab, n < 4 ? job : kitKey, author, [room(`${n}`), room(`${n}b`)]),
      ),
    );
    for (const [log, chained] of [
      [job, 8],
      [kitKey, 4],
    ] as const)
      expect(linksOf(await entriesOf(device.store, log))).toMatchObject({ verdict: 'intact', chained });
    tab.close();
  });

  test('goes on behind what came from the server, where the browser was put back to an earlier state', async () => {
    await device.keep(job, [room('Den')], true);
    await device.exchange();
    const earlier = await device.store.chains.get(job);
    await device.keep(job, [room('Hall')]);
    await device.exchange();
    if (earlier !== undefined) await device.store.chains.put(earlier);
    await device.keep(job, [room('Attic'), room('Loft')]);
    server.chain = { device: await deviceId(device.store), head: headOf(server.logs.get(job)) };
    server.answer = (_, entries) =>
      verify([...(server.logs.get(job) ?? []), ...entries] as JobEntry[]).verdict === 'altered' ? 423 : 200;
    await device.exchange();
    expect(server.names(job)).toEqual(['Den', 'Hall', 'Attic', 'Loft']);
    expect(linksOf(server.logs.get(job) ?? [])).toMatchObject({ verdict: 'intact', chained: 4 });
    expect(linksOf(await entriesOf(device.store, job)).verdict).toBe('intact');
    expect(await device.store.unsent.count()).toBe(0);
  });

  test('and the server refuses leaves its hash there; entries with new clocks stand at the end', async () => {
    await device.keep(job, [room('Den')], true);
    const [refused] = await device.keep(job, [room('Dungeon')]);
    await device.keep(job, [room('Hall')]);
    server.answer = (_, entries) => (entries.some(({ id }) => id === refused?.id) ? 400 : 200);
    await device.exchange();
    expect(server.names(job)).toEqual(['Den', 'Hall']);
    expect(server.links).toEqual([{ device: refused?.device, ...refused?.link }]);
    const arrived = (server.logs.get(job) ?? []) as JobEntry[];
    expect(verify(arrived, server.links)).toMatchObject({ verdict: 'intact' });
    await device.exchange();
    expect(server.links).toHaveLength(1);
    // What went on from a clock that is nobody's is entered once more; the hash of what it was stays in its place.
    await device.store.settings.put({ name: 'clock', value: '9999-12-31T23:59:59.998Z~0000' });
    await device.keep(job, [room('Attic')]);
    server.answer = (_, entries) =>
      entries.some((entry) => !isPossibleClock(clockOf(entry), Date.now())) ? 422 : 200;
    await device.exchange();
    const all = (server.logs.get(job) ?? []) as JobEntry[];
    expect(all.at(-1)?.link?.place).toBe(5);
    expect(verify(all, server.links)).toMatchObject({ verdict: 'intact', chained: 3 });
  });

  test('in another’s name or of another device it is set aside where its chain is wrong', async () => {
    const [kept] = await device.keep(job, [room('Den')], true);
    server.chain = { device: v7(), head: null };
    server.answer = (path) => (path === '/api/jobs' ? 423 : 200);
    await device.exchange();
    expect(await device.store.unsent.toArray()).toMatchObject([{ entry: kept, refused: 'No.' }]);
  });
});

describe('what is kept in the browser', () => {
  test('entries of one action share their time, and every action is later than the one before', async () => {
    const first = await device.keep(job, [room('Den'), room('Hall')]);
    const second = await device.keep(job, [room('Attic')]);
    expect(first[0]?.at).toBe(first[1]?.at);
    expect((second[0]?.at ?? '') > (first[0]?.at ?? '')).toBe(true);
    expect(new Set([...first, ...second].map((entry) => entry.device)).size).toBe(1);
    const clocks = [...first, ...second].map(({ clock }) => clock ?? '');
    expect(clocks.toSorted()).toEqual(clocks);
  });

  test('the clock goes on from what came from a device that is hours ahead', async () => {
    const ahead = new Date(Date.now() + 7_200_000).toISOString();
    const [other] = await newDevice().keep(job, [room('Dne')]);
    await confirm(device.store, job, [{ ...other, at: ahead, clock: `${ahead}~0000` } as Entry], null);
    const [own] = await device.keep(job, [room('Den')]);
    expect((own?.clock ?? '') > `${ahead}~0000`).toBe(true);
    expect((own?.at ?? '') < ahead).toBe(true);
  });

  test('nobody goes on from a clock that can be nobody’s, and a device that did heals', async () => {
    const poison = '9999-12-31T23:59:59.998Z~0000';
    const [other] = await newDevice().keep(job, [room('Dne')]);
    await confirm(device.store, job, [{ ...other, clock: poison } as Entry], null);
    const [own] = await device.keep(job, [room('Den')]);
    expect(own?.clock?.slice(0, 4)).toBe(String(new Date().getFullYear()));
    // One that went on from it before: what it entered is refused as it is, and set aside by an older application.
    await device.store.settings.put({ name: 'clock', value: poison });
    const stuck = await device.keep(job, [room('Hall'), room('Attic')]);
    expect(stuck.every(({ clock }) => (clock ?? '') > poison)).toBe(true);
    const aside = (await device.store.unsent.orderBy('order').last())?.order ?? 0;
    await device.store.unsent.update(aside, { refused: 'so far ahead' });
    server.answer = (_, entries) =>
      entries.some((entry) => !isPossibleClock(clockOf(entry), Date.now())) ? 422 : 200;
    await device.exchange();
    expect(server.names(job)).toEqual(['Den', 'Hall', 'Attic']);
    const clocks = (server.logs.get(job) ?? []).map(clockOf);
    expect(clocks.toSorted()).toEqual(clocks);
    const here = (await entriesOf(device.store, job)).map(clockOf);
    expect(here.toSorted()).toEqual([...clocks, poison]);
    const [after] = await device.keep(job, [room('Loft')]);
    expect((after?.clock ?? '') > (clocks.at(-1) ?? '')).toBe(true);
    expect(isPossibleClock(after?.clock ?? '', Date.now())).toBe(true);
  });

  test('a device that is years off still records, in order by the server’s time, and is told', async () => {
    await device.exchange();
    expect(device.sync.state().clockOff).toBeNull();
    server.ahead = -4 * 365 * 86_400_000;
    await device.keep(job, [room('Den')], true);
    server.answer = (_, entries) =>
      entries.some((entry) => !isPossibleClock(clockOf(entry), Date.now() + server.ahead)) ? 422 : 200;
    await device.exchange();
    expect(server.names(job)).toEqual(['Den']);
    expect(Math.round((device.sync.state().clockOff ?? 0) / 86_400_000)).toBe(4 * 365);
    await device.keep(job, [room('Hall')]);
    await device.exchange();
    expect(server.names(job)).toEqual(['Den', 'Hall']);
  });

  test('what an older version of the application kept is still there and is sent', async () => {
    const old = new Dexie('kept by an older version');
    old.version(1).stores({ unsent: '++order, log', settings: 'name' });
    const entry = { id: v7(), device: v7(), author, at: '2026-05-04T09:30:00.000Z', ...room('Den') };
    await old.table('unsent').add({ log: job, entry, opens: true, refused: null });
    old.close();
    const store = new LocalDatabase('kept by an older version');
    const cache = new LogCache(store);
    expect(await entriesOf(store, job)).toEqual([entry]);
    await new Sync(store, firmApi(v7(), v7()), cache).exchange();
    expect(server.names(job)).toEqual(['Den']);
    cache.close();
  });

  test('a log that two tabs hold open grows in both', async () => {
    const other = new LogCache(device.store);
    await vi.waitFor(() => expect(other.book(job).state().isRead).toBe(true));
    await device.keep(job, [room('Den')]);
    await vi.waitFor(() =>
      expect(
        other
          .book(job)
          .state()
          .house.rooms.map(({ name }) => name),
      ).toEqual(['Den']),
    );
    other.close();
  });
});

describe('in step with the server', () => {
  test('sends in order, by log; what was sent stays here', async () => {
    await device.keep(job, [room('Den')], true);
    await device.keep(job, [room('Hall')]);
    await device.keep(kitKey, [{ kind: 'tester-described' } as unknown as JobStatement]);
    await untilSent();
    expect(server.names(job)).toEqual(['Den', 'Hall']);
    expect(server.names('kit')).toEqual(['tester-described']);
    expect(await entriesOf(device.store, job)).toHaveLength(2);
    expect(server.asked.filter((asked) => asked.startsWith('POST'))).toEqual([
      'POST /api/jobs',
      'POST /api/kit/entries',
    ]);
  });

  test('fetches what others have said, page by page, and each entry once', async () => {
    const other = newDevice();
    await other.keep(job, ['Den', 'Hall', 'Attic', 'Bath', 'Entry'].map(room), true);
    await other.exchange();
    await device.exchange();
    expect((await entriesOf(device.store, job)).map(({ id }) => id).sort()).toEqual(
      (await entriesOf(other.store, job)).map(({ id }) => id).sort(),
    );
    const [line] = await device.store.logs.where('log').equals(job).toArray();
    expect(line).toMatchObject({ cursor: 5, summary: { address: null } });
    const before = server.asked.length;
    await device.exchange();
    expect(server.asked.slice(before)).toEqual(['GET /api/logs']);
  });

  test('fetches the kit before the job that somebody looks at, and that before any other', async () => {
    const other = newDevice();
    await other.keep(kitKey, [{ kind: 'tester-described' } as unknown as JobStatement]);
    await other.keep(job, [room('Den')], true);
    const later = v7();
    await other.keep(later, [room('Hall')], true);
    await other.exchange();
    device.sync.want(job);
    device.sync.want(kitKey);
    const before = server.asked.length;
    await device.exchange();
    const fetched = server.asked.slice(before).filter((asked) => asked.includes('/entries'));
    const order = ['/api/kit', job, later].map((log) => fetched.findIndex((asked) => asked.includes(log)));
    expect(order).toEqual([0, 1, 2]);
  });

  test('a log of which only the first page arrived is not whole, here or when it is opened again', async () => {
    const other = newDevice();
    await other.keep(job, ['Den', 'Hall', 'Attic', 'Bath', 'Entry'].map(room), true);
    await other.exchange();
    let pages = 0;
    server.answer = (path) => {
      if (!path.startsWith('/api/jobs/')) return 200;
      pages += 1;
      return pages === 2 ? 0 : 200;
    };
    const opened = [device.cache];
    const states = () => opened.map((cache) => cache.book(job).state());
    await expect(device.exchange()).rejects.toMatchObject({ code: 'server-away' });
    opened.push(new LogCache(device.store));
    await vi.waitFor(() => {
      for (const { house, isWhole } of states())
        expect({ rooms: house.rooms.length, isWhole }).toEqual({ rooms: 3, isWhole: false });
    });
    await device.exchange();
    await vi.waitFor(() => {
      for (const { house, isWhole } of states())
        expect({ rooms: house.rooms.length, isWhole }).toEqual({ rooms: 5, isWhole: true });
    });
  });

  test('is current once all that is looked at is here, and not while something more is wanted', async () => {
    const other = newDevice();
    await other.keep(job, ['Den', 'Hall', 'Attic', 'Bath', 'Entry'].map(room), true);
    await other.exchange();
    // What is kept here was read before anything comes: until then nobody is shown a house.
    await vi.waitFor(() => expect(device.cache.book(job).state().isRead).toBe(true));
    const seen: [boolean, number][] = [];
    device.sync.listen(() =>
      seen.push([device.sync.state().isCurrent, device.cache.book(job).state().entries.length]),
    );
    device.sync.start();
    await vi.waitFor(() => expect(device.sync.state().isCurrent).toBe(true));
    device.sync.want(job);
    expect(device.sync.state().isCurrent).toBe(false);
    await vi.waitFor(() => expect(device.sync.state().isCurrent).toBe(true));
    expect(seen.at(-1)).toEqual([true, 5]);
    server.answer = () => 0;
    device.sync.wake();
    await vi.waitFor(() => expect(device.sync.state().isCurrent).toBe(false));
    device.sync.end();
  });

  test('asked to renew, it counts as current only after it has asked the server anew', async () => {
    const other = newDevice();
    await other.keep(job, [room('Den')], true);
    await other.exchange();
    const book = device.cache.book(job);
    device.sync.want(job);
    device.sync.start();
    await vi.waitFor(() => expect(device.sync.state().isCurrent).toBe(true));
    // Nobody answered for a while; meanwhile somebody else went on.
    server.answer = () => 0;
    device.sync.renew();
    expect(device.sync.state().isCurrent).toBe(false);
    await vi.waitFor(() => expect(device.sync.state().failure?.code).toBe('server-away'));
    server.answer = () => 200;
    await other.keep(job, [room('Hall')]);
    await other.exchange();
    device.sync.renew();
    await vi.waitFor(() => expect(device.sync.state().isCurrent).toBe(true));
    expect(book.state().entries).toHaveLength(2);
  });

  test('many entries at once are kept once, whatever of them was here', async () => {
    const entries = await newDevice().keep(
      job,
      Array.from({ length: 120 }, (_, index) => room(`Room ${index}`)),
    );
    await confirm(device.store, job, entries.slice(0, 7), { cursor: 7, head: 120 });
    const fresh = await confirm(device.store, job, entries, { cursor: 120, head: 120 });
    expect(fresh).toHaveLength(113);
    expect(await confirm(device.store, job, entries, { cursor: 120, head: 120 })).toEqual([]);
    expect(await entriesOf(device.store, job)).toHaveLength(120);
    expect(await countOf(device.store, job)).toBe(120);
  });

  test('a summary made meanwhile does not undo what a page of the server said', async () => {
    const entries = await newDevice().keep(job, ['Den', 'Hall', 'Attic'].map(room));
    await confirm(device.store, job, entries.slice(0, 1), { cursor: 1, head: 3 });
    await Promise.all([
      device.cache.summarized(job),
      confirm(device.store, job, entries.slice(1, 2), { cursor: 2, head: 5 }),
      device.cache.summarized(job),
    ]);
    expect(await device.store.logs.get(job)).toMatchObject({ cursor: 2, head: 5 });
    expect(await isWhole(device.store, job)).toBe(false);
  });

  test('loose entries are packed once they are many: the same to the last byte, of each log its own', async () => {
    const others = await newDevice().keep(v7(), [room('Elsewhere')]);
    await confirm(device.store, 'another job', others, null);
    const entries = await newDevice().keep(
      job,
      Array.from({ length: 120 }, (_, index) => room(`Room ${index} “é” \u2028`)),
    );
    for (let from = 0; from < 120; from += 40)
      await confirm(device.store, job, entries.slice(from, from + 40), { cursor: from + 40, head: 120 });
    const sorted = (some: readonly Entry[]) => some.map((one) => JSON.stringify(one)).toSorted();
    const before = sorted(await entriesOf(device.store, job));
    await pack(device.store, job);
    expect(await device.store.confirmed.where('log').equals(job).count()).toBe(0);
    expect(sorted(await entriesOf(device.store, job))).toEqual(before);
    expect(await countOf(device.store, job)).toBe(120);
    expect(await device.store.logs.get(job)).toMatchObject({ cursor: 120, head: 120 });
    // What came once more after it was packed is read once.
    await confirm(device.store, job, entries.slice(0, 3), null);
    expect(sorted(await entriesOf(device.store, job))).toEqual(before);
    expect((await allConfirmed(device.store)).map(({ log }) => log).toSorted()).toEqual(
      [...Array.from({ length: 120 }, () => job), 'another job'].toSorted(),
    );
    await pack(device.store, 'another job');
    expect(await device.store.confirmed.where('log').equals('another job').count()).toBe(1);
  });

  test('of two who both worked without a network, both end with the same house', async () => {
    const other = newDevice();
    await device.keep(job, [room('Den')], true);
    await device.exchange();
    await other.exchange();
    await device.keep(job, [room('Hall'), room('Bath')]);
    await other.keep(job, [room('Attic')]);
    for (const one of [other, device, other]) await one.exchange();
    await vi.waitFor(() => {
      const [a, b] = [device, other].map(({ cache }) => cache.book(job).state().house);
      expect(a?.rooms).toHaveLength(4);
      expect(a).toEqual(b);
    });
  });

  test('while server or database are away nothing is lost, and all is sent when they are back', async () => {
    let tries = 0;
    server.answer = () => {
      tries += 1;
      return tries === 1 ? 0 : tries === 2 ? 503 : 200;
    };
    await device.keep(job, [room('Den')], true);
    device.sync.start();
    await vi.waitFor(() => expect(device.sync.state().failure?.code).toBe('server-away'));
    expect(await device.store.unsent.count()).toBe(1);
    await untilSent();
    await vi.waitFor(() => expect(device.sync.state().failure).toBeNull());
    expect(server.names(job)).toEqual(['Den']);
  });

  test.each([
    [401, 'signed-out'],
    [426, 'outdated'],
  ])('an answer of %i holds entries back without refusing them', async (status, code) => {
    server.answer = () => status;
    await device.keep(job, [room('Den')], true);
    await expect(device.exchange()).rejects.toMatchObject({ code });
    const [row] = await device.store.unsent.toArray();
    expect(row?.refused).toBeNull();
  });

  test('an entry that is refused for good is set aside with the reason and does not hold up the others', async () => {
    server.answer = (_, entries) =>
      entries.some((entry) => 'name' in entry && entry.name === 'bad') ? 400 : 200;
    for (const name of ['one', 'bad', 'three']) await device.keep(job, [room(name)]);
    await running(async () => expect(await device.store.unsent.count()).toBe(1));
    expect(server.names(job)).toEqual(['one', 'three']);
    const [left] = await device.store.unsent.toArray();
    expect(left?.refused).toBe('No.');
    await device.keep(job, [room('four')]);
    await running(() => expect(server.names(job)).toEqual(['one', 'three', 'four']));
    expect(await entriesOf(device.store, job)).toHaveLength(3);
  });

  test('what names entries that the server does not have yet waits, and holds up nothing', async () => {
    let isThere = false;
    server.answer = (_, entries) =>
      !isThere && entries.some(({ kind }) => kind === 'withdrawn') ? 409 : 200;
    await device.keep(job, [room('Den'), { kind: 'withdrawn', entries: [v7()] }, room('Hall')], true);
    await device.exchange();
    expect(server.names(job)).toEqual(['Den', 'Hall']);
    expect(await device.store.unsent.toArray()).toMatchObject([{ refused: null }]);
    isThere = true;
    await device.exchange();
    expect(server.names(job)).toEqual(['Den', 'Hall', 'withdrawn']);
    expect(await device.store.unsent.count()).toBe(0);
  });

  test('a job that the server does not have is opened by whatever is sent to it', async () => {
    server.answer = (path) => (path === `/api/jobs/${job}/entries` && !server.logs.has(job) ? 404 : 200);
    await device.keep(job, [room('Den')]);
    await device.exchange();
    expect(server.names(job)).toEqual(['Den']);
    expect(await device.store.unsent.count()).toBe(0);
  });

  test('a job that the server does not have is said to be missing, until it does', async () => {
    device.sync.want(job);
    await device.exchange();
    expect(device.sync.state().missing.has(job)).toBe(true);
    const other = newDevice();
    await other.keep(job, [room('Den')], true);
    await other.exchange();
    await device.exchange();
    expect(device.sync.state().missing.has(job)).toBe(false);
  });
});
