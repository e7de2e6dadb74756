import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { lampPatterns, lampsOf } from '@fair-plug/core/instruments';
import { foldHouse, type JobStatement } from '@fair-plug/core/log';
import { expect } from '@playwright/test';
import { v7 } from 'uuid';
import { Random } from '../scripts/accuracy/random.ts';
import { root } from '../scripts/setup/settings.mjs';
import { type Device, logOnServer, newDevices, openDemo } from './devices.ts';
import { faultyProxy } from './faulty-proxy.ts';
import { test } from './own-firm.ts';

/** `npm run test:faults` asks for more and writes down what it saw. */
const wanted = Number(process.env.FAIRPLUG_FAULTS ?? 60);
const seed = Number(process.env.FAIRPLUG_SEED ?? Date.now() % 1_000_000);

const rooms = Array.from({ length: 4 }, () => v7());
const receptacles = Array.from({ length: 12 }, () => v7());

/** One action of an inspector. */
function action(random: Random, own: readonly string[]): readonly JobStatement[] {
  const room = random.pick(rooms);
  const receptacle = random.pick(receptacles);
  const named = `Name ${random.whole(1000)}`;
  const actions: (() => JobStatement[])[] = [
    () => [{ kind: 'room-described', room, name: named }],
    () => [
      { kind: 'receptacle-described', receptacle, room, name: named },
      { kind: 'lamps-read', receptacle, lamps: lampsOf(random.pick(lampPatterns)) },
    ],
    () => [{ kind: 'job-described', about: named }],
    () => (own.length === 0 ? [] : [{ kind: 'withdrawn', entries: [random.pick(own)] }]),
  ];
  return random.pick(actions)();
}

/** Exchanges until nothing is left to send and the server has been heard to the end. */
async function settle(device: Device): Promise<void> {
  for (let tries = 0; tries < 20; tries += 1) {
    await device.exchange();
    if ((await device.unsent()) === 0) return;
  }
  throw new Error('something is never sent');
}

test('three devices on one job behind a faulty network: nothing lost, nothing doubled, all equal', async ({
  baseURL,
}) => {
  process.stdout.write(`    ${wanted} faults, seed ${seed}\n`);
  test.setTimeout(60_000 + wanted * 400);
  const server = await openDemo(baseURL ?? '');
  const proxy = await faultyProxy(server.origin, seed);
  const devices = await newDevices(server, 3, proxy.origin);
  const random = new Random(seed + 1);
  const job = v7();
  const kept: string[] = [];
  let exchanges = 0;
  let failures = 0;

  const work = async (device: Device, index: number): Promise<void> => {
    const own: string[] = [];
    const said: readonly JobStatement[] =
      index === 0 ? [{ kind: 'job-described', address: `${job.slice(-4)} Alder Rise` }] : action(random, own);
    // All know the job; whoever sends first opens it.
    const first = await device.keep(job, said, true);
    kept.push(...first.map(({ id }) => id));
    while ([...proxy.injected.values()].reduce((sum, count) => sum + count, 0) < wanted) {
      const statements = action(random, own);
      if (statements.length > 0) {
        const entries = await device.keep(job, statements);
        own.push(...entries.map(({ id }) => id));
        kept.push(...entries.map(({ id }) => id));
      }
      exchanges += 1;
      await device.exchange().catch(() => {
        failures += 1;
      });
    }
  };
  await Promise.all(devices.map(work));
  proxy.calm();
  for (const device of devices) await settle(device);
  // What the last ones sent, the first have to hear of.
  for (const device of devices) await device.exchange();

  const log = await logOnServer(server, job);
  expect(log.map(({ id }) => id).sort()).toEqual(kept.toSorted());
  const house = foldHouse(log);
  for (const device of devices) expect(foldHouse(await device.entries(job))).toEqual(house);
  await proxy.close();

  if (wanted >= 1000) {
    const lines = [...proxy.injected].map(([fault, count]) => `| ${fault} | ${count} |`).join('\n');
    writeFileSync(
      join(root, 'docs/reliability.md'),
      `# Reliability

Written by \`npm run test:faults\`: three devices on one job, as browsers have it (store, outbox, exchange), behind a proxy that mistreats about every other request; production build, real PostgreSQL. Seed ${seed}; \`FAIRPLUG_SEED=${seed} npm run test:faults\` draws the same faults. A short set with a seed of its own runs in \`npm test\`.

| fault | injected |
|---|---|
${lines}

| what | seen |
|---|---|
| entries made | ${kept.length} |
| entries on the server at the end | ${log.length} |
| lost | 0 |
| doubled | 0 |
| devices whose house differs from the server's | 0 of ${devices.length} |
| exchanges, of which failed and were tried again | ${exchanges}, ${failures} |

The end-to-end tests hold besides: a whole visit with no network over a closed tab, a tab closed in the middle of an entry, two browsers offline on one job and merged, an answer lost after the server took the entries, a server killed while it answers, and PostgreSQL killed (SIGKILL) in the middle of a batch and started again.
`,
    );
  }
});
