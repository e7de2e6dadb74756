import { execFileSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { stopDatabase } from '../scripts/setup/cluster.mjs';
import { inHand, saved } from './house.ts';
import { instancesOn } from './instance.ts';

// A disk of 200 MB in memory, which takes the right to mount; its database's write-ahead log lies on it too.

const { settings, origin, startInstance, stopInstances } = instancesOn('disk');
const megabyte = 2 ** 20;
const filler = join(settings.data, 'filler');

test.skip(process.getuid?.() !== 0, 'mounting a disk takes the right to');
test.describe.configure({ mode: 'serial' });
test.use({ baseURL: origin, storageState: { cookies: [], origins: [] } });

test.beforeAll(() => {
  mkdirSync(settings.data, { recursive: true });
  execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=200m', 'tmpfs', settings.data]);
});
test.afterAll(async () => {
  await stopInstances();
  await stopDatabase(settings.data);
  execFileSync('umount', [settings.data]);
  rmSync(settings.data, { recursive: true, force: true });
});

const free = (): number => {
  const { bavail, bsize } = statfsSync(settings.data);
  return bavail * bsize;
};
/** Takes all of the disk but so many bytes. */
const fillBut = (left: number): void => {
  rmSync(filler, { force: true });
  writeFileSync(filler, Buffer.alloc(Math.max(0, free() - left)));
};

test('with a full disk entries wait on the device, with the reason; with room again all arrives by itself', async ({
  page,
  request,
}) => {
  const running = await startInstance({ FAIRPLUG_RESERVE_MB: '40' });
  await page.goto('/');
  await page.getByRole('button', { name: 'Open the demo' }).click();
  await page.getByRole('link', { name: '27 Lantern Hollow, Quillmere' }).click();
  await expect(inHand(page, 'Den 1')).toBeVisible();
  await expect(saved(page)).toBeVisible();
  const health = async () => (await request.get('/api/health')).json();
  expect(await health()).toMatchObject({ status: 'ok', disk: 'ok' });

  // Less than the reserve: PostgreSQL runs, and nothing more is taken.
  fillBut(20 * megabyte);
  await page.keyboard.press('1');
  await expect(page.getByText('saved here · 1 to send')).toBeVisible();
  const told = page.getByRole('alert').filter({ hasText: 'The server’s disk is full.' });
  await expect(told).toBeVisible();
  expect(await health()).toMatchObject({ status: 'failing', database: 'ok', disk: 'full' });
  rmSync(filler);
  await expect(saved(page)).toBeVisible();
  await expect(told).toBeHidden();

  // To the last byte, with PostgreSQL killed: it cannot write its log to come back, and waits for room.
  fillBut(0);
  const [pid = ''] = readFileSync(join(settings.data, 'cluster/postmaster.pid'), 'utf8').split('\n');
  process.kill(Number(pid), 'SIGKILL');
  await page.keyboard.press('1');
  await expect(inHand(page, 'Den 3')).toBeVisible();
  // Another key than the one before: the same one at once would be taken for a slip of the finger.
  await page.keyboard.press('4');
  await expect(page.getByText('saved here · 2 to send')).toBeVisible();
  await expect.poll(async () => (await health()).restarting).toBe('disk-full');
  expect(running.output()).toContain('The disk is full.');
  rmSync(filler);
  await expect(saved(page)).toBeVisible({ timeout: 40_000 });
  expect(await health()).toMatchObject({ status: 'ok', disk: 'ok', restarts: 1 });
  await page.reload();
  await expect(page.getByRole('navigation', { name: 'Stages' })).toContainText('51 of 60');
  expect(await running.interrupt()).toBe(0);
});
