import { lampsOf } from '@fair-plug/core/instruments';
import { type ChainHead, chained, type JobStatement } from '@fair-plug/core/log';
import { sql } from 'kysely';
import { v7 } from 'uuid';
import { connect } from '../web/data/database.ts';
import { mostEntries } from '../web/data/logs.ts';
import { machineWords } from './bench/machine.ts';
import { author } from './demo/ids.ts';
import { startOwnServer } from './own-server.ts';
import { writeSections } from './pages.ts';

/** Many devices sending at once to one server of its own; writes its section of docs/performance.md. */
const devices = 50;
const entriesEach = 2000;
const batch = 200;
const { origin, databaseAddress, stop } = await startOwnServer(3190, 15490);

const opened = await fetch(`${origin}/api/demo`, { method: 'POST' });
const cookie = opened.headers
  .getSetCookie()
  .map((line) => line.split(';')[0])
  .join('; ');

let errors = 0;
const latencies: number[] = [];

async function send(path: string, body: unknown): Promise<number> {
  const from = performance.now();
  const answer = await fetch(`${origin}${path}`, {
    method: 'POST',
    headers: { cookie, 'Content-Type': 'application/json' },
    body: JSON.stringify(body),
  }).catch(() => null);
  if (answer?.ok !== true) errors += 1;
  await answer?.arrayBuffer();
  const took = performance.now() - from;
  latencies.push(took);
  return took;
}

interface Inspection {
  readonly job: string;
  readonly device: string;
  /** Where the device's chain ends. */
  readonly head: ChainHead | null;
}

/** One device's inspection of so many entries, chained, a batch after another. */
async function inspect(length = entriesEach): Promise<Inspection> {
  const job = v7();
  const device = v7();
  const room = v7();
  let time = Date.now();
  const entry = (statement: JobStatement) => {
    time += 1;
    return { id: v7(), device, author, at: new Date(time).toISOString(), ...statement };
  };
  const receptacles = Array.from({ length: 150 }, () => v7());
  const log = [
    entry({ kind: 'job-described', address: `${job.slice(-4)} Alder Rise` }),
    entry({ kind: 'room-described', room, name: 'Den' }),
    ...receptacles.map((receptacle, index) =>
      entry({ kind: 'receptacle-described', receptacle, room, name: `Den ${index + 1}` }),
    ),
  ];
  while (log.length < length)
    log.push(
      entry({
        kind: 'lamps-read',
        receptacle: receptacles[log.length % receptacles.length] ?? '',
        lamps: lampsOf('hn-hg'),
      }),
    );
  const { entries: linked, head } = chained(log, null);
  for (let from = 0; from < linked.length; from += batch) {
    const entries = linked.slice(from, from + batch);
    if (from === 0) await send('/api/jobs', { job, entries });
    else await send(`/api/jobs/${job}/entries`, { entries });
  }
  return { job, device, head };
}

const median = (values: readonly number[]): number =>
  values.toSorted((a, b) => a - b)[values.length >> 1] ?? Number.NaN;

/** Milliseconds of one more entry, at the end of a chain of so many, the median of many. */
async function oneMore(length: number): Promise<number> {
  const { job, device, head } = await inspect(length);
  let end = head;
  const took: number[] = [];
  for (let count = 0; count < 60; count += 1) {
    const at = new Date().toISOString();
    const entry = { id: v7(), device, author, at, kind: 'job-described', about: `${count}` };
    const linked = chained([entry], end);
    end = linked.head;
    took.push(await send(`/api/jobs/${job}/entries`, { entries: linked.entries }));
  }
  return median(took);
}

/** Milliseconds of asking for news when there are none, with so many jobs. */
async function poll(): Promise<number> {
  const ask = async (since = '') => {
    const answer = await fetch(`${origin}/api/logs${since}`, { headers: { cookie } });
    return (await answer.json()) as { readonly cursor: string };
  };
  const { cursor } = await ask();
  const took: number[] = [];
  for (let count = 0; count < 60; count += 1) {
    const from = performance.now();
    await ask(`?since=${cursor}`);
    took.push(performance.now() - from);
  }
  return median(took);
}

const fewJobs = await poll();
const inFew = await oneMore(200);
latencies.length = 0;
const began = performance.now();
await Promise.all(Array.from({ length: devices }, () => inspect()));
const seconds = (performance.now() - began) / 1000;

const connection = connect(databaseAddress());
const counted = await sql<{ entries: string; size: string }>`
  select count(*) as entries, pg_database_size(current_database()) as size from entry`.execute(connection);
const sorted = latencies.toSorted((a, b) => a - b);
const inMany = await oneMore(mostEntries - 500);
await sql`
  insert into log (organization, id, kind)
  select organization, gen_random_uuid(), 'job' from log, generate_series(1, 10000) where kind = 'kit'`.execute(
  connection,
);
const manyJobs = await poll();
await connection.destroy();
await stop();

const at = (share: number): string =>
  `${Math.round(sorted[Math.floor(share * (sorted.length - 1))] ?? 0)} ms`;
const text = `${devices} devices send ${entriesEach} entries each, chained, in batches of ${batch}, all at once, to one server on this machine (${machineWords()}; the devices run on it too).

| what | seen |
|---|---|
| time for all | ${seconds.toFixed(0)} s, ${Math.round((devices * entriesEach) / seconds)} entries a second |
| a batch | median ${at(0.5)}, 95th percentile ${at(0.95)}, worst ${at(1)} |
| errors | ${errors} |
| entries in the database | ${counted.rows[0]?.entries ?? 0}, the demo's among them |
| size of the database | ${Math.round(Number(counted.rows[0]?.size ?? 0) / 2 ** 20)} MB |
| one entry more in a job of 200, median of 60 | ${inFew.toFixed(0)} ms |
| one entry more in a job of ${mostEntries - 500} | ${inMany.toFixed(0)} ms |
| asking for news when there are none, with a handful of jobs | ${fewJobs.toFixed(0)} ms |
| the same with 10,000 jobs | ${manyJobs.toFixed(0)} ms |`;
console.log(text);
writeSections('performance.md', null, [{ heading: '## The server under load', text }]);
