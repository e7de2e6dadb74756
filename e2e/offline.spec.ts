import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Entry } from '@fair-plug/core/log';
import { type BrowserContext, expect, type Page } from '@playwright/test';

import { root, testSettings } from '../scripts/setup/settings.mjs';
import type { EarlyReading, LogRows } from '../web/local/early-reading.ts';
import { inHand, newHouse, pause, saved, status, verdict } from './house.ts';
import { test } from './own-firm.ts';

test.use({ serviceWorkers: 'allow', letsTimePass: true });
/** Opens the application and waits until all of it is on the device. */
async function onDevice(page: Page): Promise<void> {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible();
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
    if (navigator.serviceWorker.controller === null)
      await new Promise((done) => navigator.serviceWorker.addEventListener('controllerchange', done));
  });
}

const logOf = async (page: Page, job: string): Promise<readonly Entry[]> =>
  (await (await page.request.get(`/api/jobs/${job}/entries`)).json()).entries;

const jobIn = (page: Page): string => new URL(page.url()).searchParams.get('job') ?? '';

const reopened = async (context: BrowserContext, page: Page): Promise<Page> => {
  const address = page.url();
  await page.close();
  const next = await context.newPage();
  await next.goto(address);
  return next;
};

test('a whole visit with no network: a new job, walked, diagnosed, reported, over a closed tab; then the server has it all', async ({
  page: first,
  context,
}) => {
  let page = first;
  await onDevice(page);
  await context.setOffline(true);
  // A page that was never visited.
  await page.goto('/bench');
  await expect(page.getByRole('heading', { name: 'den-2' })).toBeVisible();

  await page.goto('/');
  await page.getByRole('button', { name: 'New job' }).click();
  const address = `${Date.now()} Tansy Court`;
  await page.getByLabel('Address').fill(address);
  await page.getByRole('button', { name: 'Begin with the usual 9 rooms' }).click();
  await page.getByRole('button', { name: 'Begin the walk' }).click();
  await expect(page).toHaveURL(/walk\?job=/);
  const job = jobIn(page);
  await expect(inHand(page, 'Entry 1')).toBeVisible();
  await page.keyboard.press('1');
  await expect(inHand(page, 'Entry 2')).toBeVisible();
  await pause(page);
  await page.keyboard.press('1');
  await expect(inHand(page, 'Entry 3')).toBeVisible();
  await page.keyboard.press('3');
  await expect(verdict(page)).toContainText('What fits');
  await expect(page.getByText(/\d+ to send/)).toBeVisible();

  page = await reopened(context, page);
  await expect(page.getByRole('navigation', { name: 'Stages' })).toContainText('3 of 3');
  await page.reload();
  await expect(page.getByRole('navigation', { name: 'Stages' })).toContainText('3 of 3');
  await page.goto(`/report?job=${job}`);
  await expect(page.getByRole('article')).toContainText(address);
  await page.goto('/');
  await expect(page.getByRole('listitem').filter({ hasText: address })).toContainText('3 of 3 read');

  await context.setOffline(false);
  await expect(saved(page)).toBeVisible({ timeout: 30_000 });
  const log = await logOf(page, job);
  expect(new Set(log.map(({ id }) => id)).size).toBe(log.length);
  expect(log.filter(({ kind }) => kind === 'reading-taken')).toHaveLength(3);
  expect(log.filter(({ kind }) => kind === 'job-described')).toHaveLength(1);
});

/** Keeps, in pages that are opened from now on, what a page read of its job before its scripts had arrived. */
const watchEarly = (context: BrowserContext): Promise<unknown> =>
  context.addInitScript(() => {
    let early: EarlyReading | undefined;
    Object.defineProperty(window, 'earlyReading', {
      configurable: true,
      get: () => early,
      set: (reading: EarlyReading) => {
        early = reading;
        Object.assign(window, { rowsOfJob: [...reading.logs.values()][0] });
      },
    });
  });
const entriesReadEarly = (page: Page): Promise<number> =>
  page.evaluate(async () => {
    const rows = await (window as unknown as { rowsOfJob: Promise<LogRows | null> }).rowsOfJob;
    return rows === null ? 0 : [...rows.confirmed, ...rows.unsent].length;
  });

test('a tab closed in the middle of an entry: what was tapped is still there, and nothing was recorded', async ({
  page: first,
  context,
  request,
}) => {
  const { job } = await newHouse(request, { Den: 2 });
  await onDevice(first);
  await first.goto(`/walk?job=${job}`);
  await expect(inHand(first, 'Den 1')).toBeVisible();
  await context.setOffline(true);
  await first.getByRole('button', { name: 'Hot–neutral lamp' }).click();
  await watchEarly(context);
  const page = await reopened(context, first);
  await expect(inHand(page, 'Den 1')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Hot–neutral lamp: lit' })).toBeVisible();
  const early = await entriesReadEarly(page);
  await context.setOffline(false);
  await expect(saved(page)).toBeVisible({ timeout: 30_000 });
  expect(early).toBe((await logOf(page, job)).length);
  expect((await logOf(page, job)).filter(({ kind }) => kind === 'reading-taken')).toHaveLength(0);
});

test('who signs out without a network is out, and for good once there is one', async ({ page, context }) => {
  await onDevice(page);
  await context.setOffline(true);
  await page.getByRole('button', { name: /^Account of/ }).click();
  await page.getByRole('menuitem', { name: 'Sign out' }).click();
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  await expect(page.getByText('Signed out on this device.')).toBeVisible();
  // Closed and opened again, still without a network.
  await page.close();
  const next = await context.newPage();
  await next.goto('/');
  await expect(next.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  await context.setOffline(false);
  await expect(next.getByText('Signed out on this device.')).toBeHidden({ timeout: 30_000 });
  expect((await context.request.get('/api/session')).status()).toBe(401);
  await next.reload();
  await expect(next.getByRole('heading', { name: 'Sign in' })).toBeVisible();
});

test('two browsers on one job, both offline, then merged: both end equal, nothing lost', async ({
  page: mine,
  browser,
  context,
  request,
}) => {
  const { job } = await newHouse(request, { Den: 2, Hall: 2 });
  const state = await context.storageState();
  const other = await browser.newContext({ storageState: state, serviceWorkers: 'allow' });
  const theirs = await other.newPage();
  for (const page of [mine, theirs]) {
    await onDevice(page);
    await page.goto(`/walk?job=${job}`);
    await expect(inHand(page, 'Den 1')).toBeVisible();
  }
  await context.setOffline(true);
  await other.setOffline(true);
  await mine.keyboard.press('1');
  await expect(inHand(mine, 'Den 2')).toBeVisible();
  await mine.keyboard.press('4');
  await expect(status(mine, 'Recorded: Den 2')).toBeVisible();
  await theirs.getByRole('button', { name: /^Hall/ }).first().click();
  await theirs.keyboard.press('1');
  await expect(inHand(theirs, 'Hall 2')).toBeVisible();
  await theirs.keyboard.press('2');
  await expect(status(theirs, 'Recorded: Hall 2')).toBeVisible();
  await context.setOffline(false);
  await other.setOffline(false);
  for (const page of [mine, theirs])
    await expect(page.getByRole('navigation', { name: 'Stages' })).toContainText('4 of 4', {
      timeout: 30_000,
    });
  const words = (page: Page) => page.getByRole('navigation', { name: 'Rooms' }).innerText();
  expect(await words(mine)).toContain('2 of 2');
  const log = await logOf(mine, job);
  expect(log.filter(({ kind }) => kind === 'reading-taken')).toHaveLength(4);
  await other.close();
});

test('an answer that is lost after the server took the entries doubles nothing', async ({
  page,
  request,
}) => {
  const { job } = await newHouse(request, { Den: 2 });
  await page.goto(`/walk?job=${job}`);
  await expect(inHand(page, 'Den 1')).toBeVisible();
  let lost = 0;
  let isLosing = true;
  await page.route(`**/api/jobs/${job}/entries`, async (route) => {
    if (route.request().method() !== 'POST' || !isLosing) return route.fallback();
    await route.fetch();
    lost += 1;
    await route.abort('connectionreset');
  });
  await page.keyboard.press('1');
  await expect(page.getByRole('alert').filter({ hasText: 'The server does not answer' })).toBeVisible({
    timeout: 30_000,
  });
  await expect.poll(() => lost, { timeout: 30_000 }).toBeGreaterThan(1);
  isLosing = false;
  await expect(saved(page)).toBeVisible({ timeout: 40_000 });
  const log = await logOf(page, job);
  expect(log.filter(({ kind }) => kind === 'reading-taken')).toHaveLength(1);
});

test('everything kept on a device goes into a file, and from it onto another device without a network', async ({
  page: mine,
  browser,
  context,
  request,
}) => {
  const { job, address } = await newHouse(request, { Den: 2 });
  await mine.goto(`/walk?job=${job}`);
  await expect(inHand(mine, 'Den 1')).toBeVisible();
  await context.setOffline(true);
  await mine.keyboard.press('1');
  await expect(mine.getByText('1 to send')).toBeVisible();
  await mine.getByRole('button', { name: /^Account of/ }).click();
  await context.setOffline(false);
  await mine.getByRole('menuitem', { name: 'Your account' }).click();
  const [download] = await Promise.all([
    mine.waitForEvent('download'),
    mine.getByRole('button', { name: 'Save it as a file' }).click(),
  ]);
  const file = await download.path();

  const other = await browser.newContext({
    storageState: await context.storageState(),
    serviceWorkers: 'allow',
  });
  const theirs = await other.newPage();
  await onDevice(theirs);
  await other.setOffline(true);
  await theirs.goto('/account');
  await theirs.locator('input[type=file]').setInputFiles(file);
  await expect(theirs.getByText(/entries were taken in/)).toBeVisible();
  await theirs.goto('/');
  await expect(theirs.getByRole('listitem').filter({ hasText: address })).toContainText('1 of 2 read');
  await other.setOffline(false);
  await expect(saved(theirs)).toBeVisible({ timeout: 30_000 });
  expect((await logOf(theirs, job)).filter(({ kind }) => kind === 'reading-taken')).toHaveLength(1);
  await other.close();
});

test('a newer application is announced, waits, and is taken when asked for', async ({ page, request }) => {
  const { job } = await newHouse(request, { Den: 2 });
  await onDevice(page);
  await page.goto(`/walk?job=${job}`);
  await expect(inHand(page, 'Den 1')).toBeVisible();
  await page.getByRole('button', { name: 'Hot–neutral lamp' }).click();
  const file = join(root, 'web', testSettings().dist, 'service-worker.js');
  const before = readFileSync(file, 'utf8');
  try {
    writeFileSync(file, `${before}\n// another build`);
    await page.evaluate(async () => {
      await (await navigator.serviceWorker.getRegistration())?.update();
    });
    await expect(page.getByText('A newer Fair Plug is on this device.')).toBeVisible({ timeout: 20_000 });
    // Nothing changes in the middle of an entry.
    await expect(page.getByRole('button', { name: 'Hot–neutral lamp: lit' })).toBeVisible();
    await page.getByRole('button', { name: 'Take it now' }).click();
    await expect(page.getByText('A newer Fair Plug is on this device.')).toHaveCount(0, { timeout: 30_000 });
    await expect(page.getByRole('button', { name: 'Hot–neutral lamp: lit' })).toBeVisible();
  } finally {
    writeFileSync(file, before);
  }
});
