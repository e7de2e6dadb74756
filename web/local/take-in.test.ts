import {
  bareLinkOf,
  chained,
  clockOf,
  foldHouse,
  isPossibleClock,
  type JobEntry,
  type JobStatement,
} from '@fair-plug/core/log';
import { v7 } from 'uuid';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import { bareLinksOf } from './chain.ts';
import type { Identity } from './identity.ts';
import type { Local } from './local-store.tsx';
import { LogCache } from './log-cache.ts';
import { confirm, entriesOf, keep, LocalDatabase } from './store.ts';
import { takeIn, takeInJob } from './take-in.ts';

const person = { id: v7(), name: 'Tessa Quillon' };
const firm = { id: v7(), name: 'Hollowmere House Inspections', role: 'inspector' as const };
let count = 0;

/** What screens work with, as far as taking a file in needs it. */
function newLocal(role: Identity['firm']['role'] = 'inspector') {
  count += 1;
  const store = new LocalDatabase(`taken in ${count}`);
  const wake = vi.fn();
  const identity: Identity = { person, firm: { ...firm, role }, firms: [] };
  const local = { identity, store, cache: new LogCache(store), sync: { wake } } as unknown as Local;
  return { local, store, wake };
}

const room = (name: string): JobStatement => ({ kind: 'room-described', room: v7(), name });
const entriesBy = (author: string, names: readonly string[]): JobEntry[] =>
  names.map((name, index) => ({
    id: v7(),
    device: v7(),
    author,
    at: new Date(Date.UTC(2026, 4, 4, 9, index)).toISOString(),
    ...room(name),
  })) as JobEntry[];

const recordOf = (job: string, entries: readonly JobEntry[], change: object = {}): string =>
  JSON.stringify({
    format: 'fair-plug/record@1',
    firm: { id: firm.id, name: firm.name },
    person,
    savedAt: '2026-05-04T12:00:00.000Z',
    jobs: [{ job, entries }],
    kit: [],
    ...change,
  });

let job: string;
beforeEach(() => {
  job = v7();
});

describe('a record of what a browser kept', () => {
  test('is taken in once, to be sent like anything else, and opens a job that the server does not have', async () => {
    const { local, store, wake } = newLocal();
    const entries = entriesBy(person.id, ['Den', 'Hall']);
    expect(await takeIn(local, recordOf(job, entries))).toBe(2);
    expect(await takeIn(local, recordOf(job, entries))).toBe(0);
    const unsent = await store.unsent.toArray();
    expect(unsent.map(({ log, opens, entry }) => [log, opens, entry.id])).toEqual(
      entries.map(({ id }) => [job, true, id]),
    );
    expect(wake).toHaveBeenCalled();
    expect((await store.logs.get(job))?.summary).toMatchObject({ address: null });
  });

  test('adds what is missing and leaves what the server has confirmed', async () => {
    const { local, store } = newLocal();
    const entries = entriesBy(person.id, ['Den', 'Hall', 'Attic']);
    await confirm(store, job, entries.slice(0, 2), { cursor: 2, head: 2 });
    expect(await takeIn(local, recordOf(job, entries))).toBe(1);
    expect((await entriesOf(store, job)).map(({ id }) => id)).toEqual(entries.map(({ id }) => id));
    expect(await store.unsent.count()).toBe(1);
  });

  test.each([
    ['{', 'This file is not JSON.'],
    ['[]', 'This file is not a record of Fair Plug.'],
    [recordOf(v7(), [], { format: 'fair-plug/record@9' }), 'This file is not a record of Fair Plug.'],
    [recordOf('den', []), 'This file is not a record of Fair Plug.'],
    [recordOf(v7(), [], { kit: [{}] }), 'This file is not a record of Fair Plug.'],
    [
      recordOf(v7(), [], { firm: { id: v7(), name: 'Another firm' } }),
      'This record is of another firm, Another firm.',
    ],
  ])('is refused with the reason, and nothing is stored: %s', async (text, message) => {
    const { local, store } = newLocal();
    await expect(takeIn(local, text)).rejects.toThrow(message);
    expect(await store.unsent.count()).toBe(0);
  });

  test('of which one entry is none is refused as a whole', async () => {
    const { local, store } = newLocal();
    const [good] = entriesBy(person.id, ['Den']);
    const bad = { ...good, id: v7(), kind: 'room-painted' } as unknown as JobEntry;
    await expect(takeIn(local, recordOf(job, [good as JobEntry, bad]))).rejects.toThrow('not a record');
    expect(await store.unsent.count()).toBe(0);
  });
});

describe('the job of a file', () => {
  const file = (entries: readonly JobEntry[], authors: Readonly<Record<string, string>> = {}) => ({
    job,
    entries,
    authors,
    links: [],
  });

  test('keeps the names of its inspectors, who are strangers here', async () => {
    const { local, store } = newLocal('owner');
    const stranger = v7();
    const taken = file(entriesBy(stranger, ['Den', 'Hall']), { [stranger]: 'Odile Marrin' });
    expect(await takeInJob(local, taken)).toBe(2);
    const house = foldHouse((await entriesOf(store, job)) as readonly JobEntry[]);
    expect(house.authors).toEqual({ [stranger]: 'Odile Marrin' });
    expect(await takeInJob(local, taken)).toBe(0);
    expect(await entriesOf(store, job)).toHaveLength(3);
  });

  test('joins what is here: the same entries stay one', async () => {
    const { local, store } = newLocal();
    const kept = (await keep(store, job, person.id, [room('Den')], true)) as readonly JobEntry[];
    const more = entriesBy(person.id, ['Hall']);
    expect(await takeInJob(local, file([...kept, ...more]))).toBe(1);
    expect(await entriesOf(store, job)).toHaveLength(2);
  });

  test('with a time that can be nobody’s is refused as a whole, with the reason', async () => {
    const { local, store } = newLocal();
    const [own, far] = entriesBy(person.id, ['Den', 'Hall']) as [JobEntry, JobEntry];
    const { entries } = chained([own, { ...far, clock: '9999-12-31T23:59:59.999Z~zzzz' }], null);
    await expect(takeInJob(local, file(entries))).rejects.toThrow(/^1 entry of this file/);
    expect(await store.unsent.count()).toBe(0);
  });

  test('from before there were chains opens all the same: such a time counts from when it was opened', async () => {
    const { local, store } = newLocal();
    const [own, far] = entriesBy(person.id, ['Den', 'Hall']) as [JobEntry, JobEntry];
    const poisoned = { ...far, clock: '9999-12-31T23:59:59.999Z~zzzz' };
    expect(await takeInJob(local, file([own, poisoned]))).toBe(2);
    const clocks = (await entriesOf(store, job)).map(clockOf);
    expect(clocks.every((clock) => isPossibleClock(clock, Date.now()))).toBe(true);
    expect(await takeInJob(local, file([own, poisoned]))).toBe(0);
    expect(await takeIn(newLocal().local, recordOf(job, [own, poisoned]))).toBe(2);
  });

  test('that was altered is refused as a whole, with the entry; links of what is not in it are kept', async () => {
    const { local, store } = newLocal();
    const { entries } = chained(entriesBy(person.id, ['Den', 'Hall', 'Attic']), null);
    const [den, hall, attic] = entries as readonly [JobEntry, JobEntry, JobEntry];
    const altered = { ...hall, name: 'Dungeon' } as JobEntry;
    await expect(takeInJob(local, file([den, altered, attic]))).rejects.toThrow(
      `altered after it was entered, at entry ${hall.id}`,
    );
    await expect(takeIn(local, recordOf(job, [den, altered, attic]))).rejects.toThrow('altered');
    expect(await store.unsent.count()).toBe(0);
    const bare = bareLinkOf(hall);
    expect(await takeInJob(local, { ...file([den, attic]), links: bare === null ? [] : [bare] })).toBe(2);
    expect(await bareLinksOf(store, job)).toEqual([bare]);
  });

  test('taken in again, what was taken back since counts again; what others took back is theirs', async () => {
    const { local, store } = newLocal();
    const kept = (await keep(
      store,
      job,
      person.id,
      [room('Den'), room('Hall')],
      true,
    )) as readonly JobEntry[];
    const rooms = async () =>
      foldHouse((await entriesOf(store, job)) as readonly JobEntry[]).rooms.map(({ name }) => name);
    await keep(store, job, person.id, [{ kind: 'withdrawn', entries: [kept[0]?.id ?? ''] }]);
    expect(await rooms()).toEqual(['Hall']);
    expect(await takeInJob(local, file(kept))).toBe(1);
    expect(await rooms()).toEqual(['Den', 'Hall']);
    await keep(store, job, v7(), [{ kind: 'withdrawn', entries: [kept[1]?.id ?? ''] }]);
    expect(await takeInJob(local, file(kept))).toBe(0);
    expect(await rooms()).toEqual(['Den']);
  });

  test('with an entry that says something else here is refused as a whole', async () => {
    const { local, store } = newLocal();
    const [kept] = (await keep(store, job, person.id, [room('Den')], true)) as readonly JobEntry[];
    const changed = { ...kept, name: 'Dungeon', link: undefined } as JobEntry;
    const more = entriesBy(person.id, ['Hall']);
    await expect(takeInJob(local, file([changed, ...more]))).rejects.toThrow(
      'stands here with other content',
    );
    expect(await entriesOf(store, job)).toEqual([kept]);
  });

  test('in another order of keys it is the same entry', async () => {
    const { local, store } = newLocal();
    const [kept] = (await keep(store, job, person.id, [room('Den')], true)) as readonly JobEntry[];
    const turned = Object.fromEntries(Object.entries(kept ?? {}).toReversed()) as unknown as JobEntry;
    expect(await takeInJob(local, file([turned]))).toBe(0);
    expect(await entriesOf(store, job)).toHaveLength(1);
  });

  test('of other people is an owner’s to take in', async () => {
    const others = entriesBy(v7(), ['Den']);
    const inspector = newLocal('inspector');
    await expect(takeInJob(inspector.local, file(others))).rejects.toThrow(
      'an owner of the firm takes it in',
    );
    expect(await inspector.store.unsent.count()).toBe(0);
    expect(await takeInJob(newLocal('owner').local, file(others))).toBe(1);
  });
});
