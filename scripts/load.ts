import { cpus, totalmem } from 'node:os';
import { lampsOf } from '@fair-plug/core/instruments';
import type { JobStatement } from '@fair-plug/core/log';
import { sql } from 'kysely';
import { v7 } from 'uuid';
import { connect } from '../web/data/database.ts';
import { author } from './demo/ids.ts';
import { startOwnServer } from './own-server.ts';
import { writeSections } from './pages.ts';

/** Many devices sending at once to one server of its own; writes its section of docs/performance.md. */
const devices = 50;
const entriesEach = 2000;
const batch = 200;
const { origin, databaseAddress, stop } = await startOwnServer(3190, 54390);

const opened = await fetch(`${origin}/api/demo`, { method: 'POST' });
const cookie = opened.headers
  .getSetCookie()
  .map((line) => line.split(';')[0])
  .join('; ');

let errors = 0;
const latencies: number[] = [];

async function send(path: string, body: unknown): Promise<void> {
  const from = performance.now();
  const answer = await fetch(`${origin}${path}`, {
    method: 'POST',
    headers: { cookie, 'Content-Type': 'application/json' },
    body: JSON.stringify(body),
  }).catch(() => null);
  if (answer?.ok !== true) errors += 1;
  await answer?.arrayBuffer();
  latencies.push(performance.now() - from);
}

/** One device's inspection, a batch after another. */
async function inspect(): Promise<void> {
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
  while (log.length < entriesEach)
    log.push(
      entry({
        kind: 'lamps-read',
        receptacle: receptacles[log.length % receptacles.length] ?? '',
        lamps: lampsOf('hn-hg'),
      }),
    );
  for (let from = 0; from < log.length; from += batch) {
    const entries = log.slice(from, from + batch);
    if (from === 0) await send('/api/jobs', { job, entries });
    else await send(`/api/jobs/${job}/entries`, { entries });
  }
}

const began = performance.now();
await Promise.all(Array.from({ length: devices }, inspect));
const seconds = (performance.now() - began) / 1000;

const connection = connect(databaseAddress());
const counted = await sql<{ entries: string; size: string }>`
  select count(*) as entries, pg_database_size(current_database()) as size from entry`.execute(connection);
await connection.destroy();
await stop();

const sorted = latencies.toSorted((a, b) => a - b);
const at = (share: number): string =>
  `${Math.round(sorted[Math.floor(share * (sorted.length - 1))] ?? 0)} ms`;
const [cpu] = cpus();
const text = `${devices} devices send ${entriesEach} entries each, in batches of ${batch}, all at once, to one server on this machine (${cpus().length} × ${cpu?.model ?? 'unknown'}, ${Math.round(totalmem() / 2 ** 30)} GB; the devices run on it too).

| what | seen |
|---|---|
| time for all | ${seconds.toFixed(0)} s, ${Math.round((devices * entriesEach) / seconds)} entries a second |
| a batch | median ${at(0.5)}, 95th percentile ${at(0.95)}, worst ${at(1)} |
| errors | ${errors} |
| entries in the database | ${counted.rows[0]?.entries ?? 0}, the demo's among them |
| size of the database | ${Math.round(Number(counted.rows[0]?.size ?? 0) / 2 ** 20)} MB |`;
console.log(text);
writeSections('performance.md', null, [{ heading: '## The server under load', text }]);
