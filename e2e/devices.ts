import 'fake-indexeddb/auto';
import '../web/testing/own-storage.ts';
import type { Entry, JobEntry, JobStatement } from '@fair-plug/core/log';
import { firmApi } from '../web/local/api.ts';
import { LogCache } from '../web/local/log-cache.ts';
import { entriesOf, keep, LocalDatabase } from '../web/local/store.ts';
import { Sync } from '../web/local/sync.ts';

/** A device as a browser has it – store, outbox, exchange – without the screens. */
export interface Device {
  readonly keep: (job: string, said: readonly JobStatement[], opens?: boolean) => Promise<readonly Entry[]>;
  readonly exchange: () => Promise<void>;
  readonly unsent: () => Promise<number>;
  readonly entries: (job: string) => Promise<readonly JobEntry[]>;
}

export interface Server {
  readonly origin: string;
  /** Of a session of the demo's owner. */
  readonly cookie: string;
}

/** Signs in as the demo's owner. */
export async function openDemo(origin: string): Promise<Server> {
  const answer = await fetch(`${origin}/api/demo`, { method: 'POST' });
  if (!answer.ok) throw new Error(`the demo did not open: ${answer.status}`);
  const cookie = answer.headers
    .getSetCookie()
    .map((line) => line.split(';')[0])
    .join('; ');
  return { origin, cookie };
}

export async function ask<T>({ origin, cookie }: Server, path: string): Promise<T> {
  const answer = await fetch(`${origin}${path}`, { headers: { cookie } });
  if (!answer.ok) throw new Error(`${path}: ${answer.status}`);
  return (await answer.json()) as T;
}

/** Everything that the server has of a job. */
export async function logOnServer(server: Server, job: string): Promise<readonly JobEntry[]> {
  const all: JobEntry[] = [];
  for (let cursor = 0; ; ) {
    const page = await ask<{ entries: JobEntry[]; cursor: number }>(
      server,
      `/api/jobs/${job}/entries?after=${cursor}`,
    );
    if (page.entries.length === 0) return all;
    all.push(...page.entries);
    cursor = page.cursor;
  }
}

const network = globalThis.fetch;
let made = 0;

/** New devices of the demo's owner; `through` is where their requests go, a proxy for instance. */
export async function newDevices(server: Server, count: number, through = server.origin): Promise<Device[]> {
  const {
    person: { id: person },
    firms,
  } = await ask<{ person: { id: string }; firms: { id: string }[] }>(server, '/api/session');
  const firm = firms[0]?.id ?? '';
  // Browsers resolve paths against their page and send the cookie by themselves.
  globalThis.fetch = (input, init = {}) =>
    typeof input === 'string' && input.startsWith('/')
      ? network(`${through}${input}`, { ...init, headers: { ...init.headers, cookie: server.cookie } })
      : network(input, init);
  return Array.from({ length: count }, () => {
    made += 1;
    const store = new LocalDatabase(`device ${process.pid} ${made}`);
    const sync = new Sync(store, firmApi(firm, person), new LogCache(store));
    return {
      keep: (job, said, opens = false) => keep(store, job, person, said, opens),
      exchange: () => sync.exchange(),
      unsent: () => store.unsent.count(),
      entries: async (job) => (await entriesOf(store, job)) as readonly JobEntry[],
    };
  });
}
