import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { foldHouse, type JobStatement } from '@fair-plug/core/log';
import { expect, test } from '@playwright/test';
import { v7 } from 'uuid';
import { removeData } from '../scripts/setup/cluster.mjs';
import { noisyPhotos } from './camera.ts';
import { type Device, logOnServer, newDevices, openDemo, type Server } from './devices.ts';
import { type Instance, instancesOn } from './instance.ts';

const { settings, origin, startInstance, stopInstances } = instancesOn('crash');

test.describe.configure({ mode: 'serial' });

/** Runs on from test to test: each start takes seconds. */
let running: Instance | null = null;
const start = async (): Promise<Instance> => {
  running ??= await startInstance();
  return running;
};
const killed = async (instance: Instance): Promise<void> => {
  instance.killServer();
  await instance.interrupt();
  running = null;
};

test.beforeAll(() => removeData(settings.data));
test.afterAll(async () => {
  await stopInstances();
  await removeData(settings.data);
});

/** A device with a job of so many entries, none of them sent. */
async function loaded(
  server: Server,
  entries: number,
): Promise<{ device: Device; job: string; ids: string[] }> {
  const [device] = await newDevices(server, 1);
  if (device === undefined) throw new Error('no device');
  const job = v7();
  const ids: string[] = [];
  const keep = async (said: readonly JobStatement[], opens: boolean) => {
    ids.push(...(await device.keep(job, said, opens)).map(({ id }) => id));
  };
  await keep([{ kind: 'job-described', address: '14 Alder Rise' }], true);
  for (let made = 1; made < entries; made += 1)
    await keep([{ kind: 'room-described', room: v7(), name: `Room ${made}` }], false);
  return { device, job, ids };
}

/** Exchanges from time to time until all is sent. */
const untilSent = (device: Device) =>
  expect
    .poll(
      async () => {
        await device.exchange().catch(() => {});
        return device.unsent();
      },
      { timeout: 30_000 },
    )
    .toBe(0);

const afterwards = async (server: Server, { device, job, ids }: Awaited<ReturnType<typeof loaded>>) => {
  const log = await logOnServer(server, job);
  expect(log.map(({ id }) => id).sort()).toEqual(ids.toSorted());
  expect(foldHouse(await device.entries(job))).toEqual(foldHouse(log));
};

test('the server is killed between receiving and answering: every entry arrives, each once', async () => {
  const first = await start();
  const work = await loaded(await openDemo(origin), 600);
  const sending = work.device.exchange().then(
    () => 'answered',
    () => 'cut off',
  );
  await new Promise((done) => setTimeout(done, 60));
  first.killServer();
  expect(await sending).toBe('cut off');
  expect(await work.device.unsent()).toBeGreaterThan(0);
  await killed(first);
  await start();
  await untilSent(work.device);
  await afterwards(await openDemo(origin), work);
});

test('PostgreSQL is killed in the middle of a batch and comes back by itself: the same', async () => {
  await start();
  const work = await loaded(await openDemo(origin), 600);
  const sending = work.device.exchange().then(
    () => 'answered',
    () => 'cut off',
  );
  await new Promise((done) => setTimeout(done, 60));
  const [pid = ''] = readFileSync(join(settings.data, 'cluster/postmaster.pid'), 'utf8').split('\n');
  process.kill(Number(pid), 'SIGKILL');
  expect(await sending).toBe('cut off');
  expect(await work.device.unsent()).toBeGreaterThan(0);
  // Nobody starts it but the application itself.
  await untilSent(work.device);
  const health = await (await fetch(`${origin}/api/health`)).json();
  expect(health).toMatchObject({ status: 'ok', restarts: 1 });
  expect(running?.output()).toContain('The database runs again.');
  await afterwards(await openDemo(origin), work);
});

test('twenty photos, a closed tab, a cut connection and a killed server: each arrives once, its bytes the same', async ({
  browser,
}) => {
  const first = await start();
  const context = await browser.newContext({ serviceWorkers: 'allow' });
  await context.request.post(`${origin}/api/demo`);
  const { person } = await (await context.request.get(`${origin}/api/session`)).json();
  const job = v7();
  const at = new Date().toISOString();
  const said = {
    id: v7(),
    device: v7(),
    author: person.id,
    at,
    kind: 'job-described',
    address: '20 Alder Rise',
  };
  await context.request.post(`${origin}/api/jobs`, { data: { job, entries: [said] } });
  // Two of several pieces, and many of one.
  const files = [...(await noisyPhotos(2)), ...(await noisyPhotos(20, 400, 320)).slice(2)];
  const open = async () => {
    const page = await context.newPage();
    await page.goto(`${origin}/prepare?job=${job}`);
    await page.getByRole('heading', { name: 'Photos of the house' }).waitFor();
    return page;
  };
  const before = await open();
  // Only then does the page open without a network.
  await before.evaluate(() => navigator.serviceWorker.ready);
  await before.reload();
  await before.getByLabel('Add photos').waitFor({ state: 'attached' });
  await context.setOffline(true);
  await before.getByLabel('Add photos').setInputFiles(files);
  // Some are ready, and the tab goes.
  await before.getByRole('button', { name: /^Photo 3:/ }).waitFor();
  await before.close();

  const page = await open();
  await expect(page.getByText(/20 photos to send/)).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText('◐ saved here, to send')).toHaveCount(20);
  let pieces = 0;
  await context.route(/\/photos\/[0-9a-f]{64}/, (route) => {
    pieces += 1;
    return pieces % 4 === 0 ? route.abort('connectionreset') : route.continue();
  });
  await context.setOffline(false);
  await expect(page.getByText(/ 1\d photos to send/)).toBeVisible({ timeout: 30_000 });
  await killed(first);
  await context.unroute(/\/photos\/[0-9a-f]{64}/);
  await start();
  // As when a network is found again: nobody waits for the next try.
  await page.evaluate(() => dispatchEvent(new Event('online')));
  await expect(page.getByText('saved on the server')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText('● on the server')).toHaveCount(20);
  // Another start, another password: the session is the same.
  const { photos } = await (await context.request.get(`${origin}/api/jobs/${job}/photos`)).json();
  const { entries } = await (await context.request.get(`${origin}/api/jobs/${job}/entries`)).json();
  const taken = foldHouse(entries).photos ?? [];
  expect(taken).toHaveLength(20);
  expect(new Set(taken.map(({ hash }) => hash)).size).toBe(20);
  expect(photos.filter(({ isWhole }: { isWhole: boolean }) => isWhole)).toHaveLength(20);
  for (const { hash } of taken) {
    const bytes = await (await context.request.get(`${origin}/api/jobs/${job}/photos/${hash}`)).body();
    expect(createHash('sha256').update(bytes).digest('hex')).toBe(hash);
  }
  await context.close();
});
