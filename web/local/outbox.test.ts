import 'fake-indexeddb/auto';
import type { Entry, JobStatement } from '@fair-plug/core/inspection';
import { QueryClient } from '@tanstack/react-query';
import { v7 } from 'uuid';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { joined, logQueryKey, runOutbox } from './outbox.ts';
import { keep, kitKey, store } from './store.ts';

const room = (name: string): JobStatement => ({ kind: 'room-described', room: v7(), name });
const author = v7();
const job = v7();

interface Sent {
  readonly path: string;
  readonly entries: readonly Entry[];
}

/** A server that notes what arrives; `answer` decides what it says. */
function server(answer: (sent: Sent) => number) {
  const arrived: Sent[] = [];
  vi.stubGlobal('fetch', async (path: string, init: RequestInit) => {
    const sent = { path, entries: JSON.parse(String(init.body)).entries };
    const status = answer(sent);
    if (status === 0) throw new TypeError('network');
    if (status < 300) arrived.push(sent);
    const code = status === 503 ? 'database-away' : 'invalid';
    const body = status < 300 ? {} : { error: { code, message: 'No.' } };
    return new Response(JSON.stringify(body), { status });
  });
  return arrived;
}

const names = (entries: readonly Entry[]) =>
  entries.map((entry) => ('name' in entry ? entry.name : entry.kind));

let end = () => {};
const queries = new QueryClient();
const start = () => {
  const running = runOutbox(queries);
  end = running.end;
  return running;
};

beforeEach(async () => {
  await store.unsent.clear();
  queries.clear();
});
afterEach(() => {
  end();
  vi.unstubAllGlobals();
});

const untilEmpty = () =>
  vi.waitFor(async () => expect(await store.unsent.count()).toBe(0), { timeout: 5000 });

describe('what is kept in the browser', () => {
  test('entries of one action share their time, and every action is later than the one before', async () => {
    const first = await keep(job, author, [room('Den'), room('Hall')]);
    const second = await keep(job, author, [room('Attic')]);
    expect(first[0]?.at).toBe(first[1]?.at);
    expect((second[0]?.at ?? '') > (first[0]?.at ?? '')).toBe(true);
    expect(new Set([...first, ...second].map((entry) => entry.device)).size).toBe(1);
    expect(await store.unsent.count()).toBe(3);
  });
});

describe('the outbox', () => {
  test('sends in order, by log, and joins what was sent to the confirmed log', async () => {
    const arrived = server(() => 200);
    queries.setQueryData(logQueryKey(job), []);
    await keep(job, author, [room('Den')]);
    await keep(job, author, [room('Hall')]);
    await keep(kitKey, author, [{ kind: 'tester-described' } as unknown as JobStatement]);
    start();
    await untilEmpty();
    expect(arrived.map(({ path }) => path)).toEqual([`/api/jobs/${job}/entries`, '/api/kit/entries']);
    expect(names(arrived[0]?.entries ?? [])).toEqual(['Den', 'Hall']);
    expect(names(queries.getQueryData<Entry[]>(logQueryKey(job)) ?? [])).toEqual(['Den', 'Hall']);
  });

  test('a job that was begun here is opened on the server first', async () => {
    const arrived = server(() => 200);
    await keep(job, author, [room('Den')], true);
    start();
    await untilEmpty();
    expect(arrived.map(({ path }) => path)).toEqual(['/api/jobs']);
  });

  test('while server or database are away nothing is lost, and all is sent when they are back', async () => {
    let tries = 0;
    const arrived = server(() => {
      tries += 1;
      return tries === 1 ? 0 : tries === 2 ? 503 : 200;
    });
    await keep(job, author, [room('Den')]);
    const { wake } = start();
    await vi.waitFor(() => expect(tries).toBe(1));
    expect(await store.unsent.count()).toBe(1);
    await vi.waitFor(
      () => {
        wake();
        expect(tries).toBeGreaterThan(2);
      },
      { timeout: 5000, interval: 200 },
    );
    await untilEmpty();
    expect(arrived).toHaveLength(1);
  });

  test('an entry that is refused for good is set aside with the reason and does not hold up the others', async () => {
    const isBad = (entry: Entry) => 'name' in entry && entry.name === 'bad';
    const arrived = server(({ entries }) => (entries.some(isBad) ? 400 : 200));
    for (const name of ['one', 'bad', 'three']) await keep(job, author, [room(name)]);
    const { wake } = start();
    await vi.waitFor(async () => expect(await store.unsent.count()).toBe(1), { timeout: 5000 });
    expect(arrived.flatMap(({ entries }) => names(entries))).toEqual(['one', 'three']);
    const [left] = await store.unsent.toArray();
    expect(left?.refused).toBe('No.');
    await keep(job, author, [room('four')]);
    wake();
    await vi.waitFor(() =>
      expect(arrived.flatMap(({ entries }) => names(entries))).toEqual(['one', 'three', 'four']),
    );
  });

  test('joining a log with entries it has changes nothing', async () => {
    const entries = await keep(job, author, [room('Den'), room('Hall')]);
    expect(joined(entries, entries)).toEqual(entries);
    expect(joined(entries.slice(0, 1), entries)).toEqual(entries);
  });
});
