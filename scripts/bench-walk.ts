import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { lampsOf } from '@fair-plug/core/instruments';
import { chromium as driver, type Page } from 'playwright-core';
import { v7 } from 'uuid';
import { entriesSince, uploadedJob } from './bench/entries.ts';
import { machineWords } from './bench/machine.ts';
import { uploadedPhotos } from './bench/photos.ts';
import {
  at,
  firstLoad,
  ms,
  slowed,
  slowedWords,
  timedOpening,
  timedTap,
  watchFirstSight,
} from './bench/walk-page.ts';
import { startOwnServer } from './own-server.ts';
import { writeSections } from './pages.ts';
import { chromium } from './setup/toolchain.mjs';

/** The walk of a large house on a slow device; writes its section of docs/performance.md. */
const rooms = 30;
const receptaclesEach = 10;
const entryCount = 3000;
const circuits = 12;
const taps = 80;
const photoCount = 200;

const entry = entriesSince(entryCount);

/** 300 receptacles, all but the last 60 read several times; half of them on breakers. */
function largeHouse() {
  const log = [entry({ kind: 'job-described', address: '300 Long Row', yearBuilt: 1966 })];
  const receptacles: string[] = [];
  for (let room = 0; room < rooms; room += 1) {
    const roomId = v7();
    log.push(entry({ kind: 'room-described', room: roomId, name: `Room ${room + 1}` }));
    for (let number = 1; number <= receptaclesEach; number += 1) {
      const receptacle = v7();
      receptacles.push(receptacle);
      const name = `Room ${room + 1}-${number}`;
      const spot = (number - 0.5) / receptaclesEach;
      log.push(entry({ kind: 'receptacle-described', receptacle, room: roomId, name, spot }));
    }
  }
  const fed = receptacles.slice(0, circuits * 12);
  fed.forEach((receptacle, index) => {
    const breaker = String(1 + Math.floor(index / 12));
    log.push(entry({ kind: 'receptacle-fed', receptacle, breaker, place: 1 + (index % 12) }));
  });
  const walked = receptacles.slice(0, -60);
  for (let index = 0; log.length < entryCount; index += 1) {
    const receptacle = walked[index % walked.length] ?? '';
    const position = walked.indexOf(receptacle);
    // Every third circuit has something wrong from its eighth receptacle on.
    const isWrong = position < fed.length && Math.floor(position / 12) % 3 === 0 && position % 12 >= 8;
    log.push(entry({ kind: 'lamps-read', receptacle, lamps: lampsOf(isWrong ? 'hn' : 'hn-hg') }));
  }
  return log;
}

async function tapTimes(page: Page): Promise<{ first: number[]; engine: number[] }> {
  const first: number[] = [];
  const engine: number[] = [];
  for (let tap = 0; tap < taps; tap += 1) {
    const times = await timedTap(page, '4', 'Reads open ground');
    first.push(times.first);
    engine.push(times.engine);
    await page.waitForTimeout(700);
    await page.keyboard.press('Enter');
    await page.waitForTimeout(300);
  }
  return { first, engine };
}

async function longTasksScrolling(page: Page): Promise<readonly number[]> {
  await page.evaluate(() => {
    const seen: number[] = [];
    Object.assign(window, { longTasks: seen });
    new PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) seen.push(duration);
    }).observe({ type: 'longtask' });
  });
  await page.mouse.move(130, 500);
  for (let step = 0; step < 60; step += 1) {
    await page.mouse.wheel(0, step < 30 ? 240 : -240);
    await page.waitForTimeout(40);
  }
  return page.evaluate(() => (window as unknown as { longTasks: number[] }).longTasks);
}

/** Milliseconds from asking for the findings to the first of them being shown. */
async function findingsTimes(page: Page, address: string): Promise<readonly number[]> {
  const times: number[] = [];
  for (let visit = 0; visit < 5; visit += 1) {
    const from = Date.now();
    await page.goto(address);
    await page.getByRole('region', { name: 'Current finding' }).waitFor();
    times.push(Date.now() - from);
  }
  return times;
}

const { origin, stop } = await startOwnServer(3190, 15490);
const browser = await driver.launch({
  executablePath: chromium,
  args: process.getuid?.() === 0 ? ['--no-sandbox'] : [],
});
// A profile on disk, as a person has it: there the browser keeps compiled code beside the application.
const profile = mkdtempSync(join(tmpdir(), 'fair-plug-profile-'));
const context = await driver.launchPersistentContext(profile, {
  executablePath: chromium,
  args: process.getuid?.() === 0 ? ['--no-sandbox'] : [],
  viewport: { width: 1280, height: 800 },
  baseURL: origin,
});
await context.request.post('/api/demo', { headers: { origin } });
const job = await uploadedJob(context.request, origin, largeHouse());
await uploadedPhotos(context.request, origin, job, photoCount);
const address = `${origin}/walk?job=${job}`;
const kilobytes = await firstLoad(
  await browser.newContext({ storageState: await context.storageState(), serviceWorkers: 'block' }),
  address,
);

// tsx names the functions that are sent to the page by this helper of its own.
await context.addInitScript({ content: 'globalThis.__name ??= (one) => one;' });
await context.addInitScript(watchFirstSight);
const page = await context.newPage();
await page.goto(address);
await page.getByText('saved on the server').waitFor();
await page.evaluate(() => navigator.serviceWorker.ready);
// Until the engine has been through every circuit.
await page.waitForTimeout(30_000);
const rates: number[] = [await slowed(page)];
const { first, engine } = await tapTimes(page);
const longTasks = await longTasksScrolling(page);
const findings = await findingsTimes(page, `${origin}/findings?job=${job}`);
await page.getByText('saved on the server').waitFor();
await context.setOffline(true);
// As after the application was closed: nothing else is open.
await page.close();
const openings: number[] = [];
for (let visit = 0; visit < 12; visit += 1) {
  // Until what ends with the tab before has ended.
  await new Promise((done) => setTimeout(done, 3000));
  const tab = await context.newPage();
  rates.push(await slowed(tab));
  openings.push(await timedOpening(tab, address));
  await tab.close();
}
await context.close();
await browser.close();
rmSync(profile, { recursive: true, force: true });
await stop();

const text = `${slowedWords(rates)}; a job of ${rooms * receptaclesEach} receptacles, ${circuits} circuits, ${entryCount} entries and ${photoCount} photos, ${taps} receptacles read (${machineWords()}). Written by \`npm run bench:walk\`.

| what | median | 95th percentile | aim |
|---|---|---|---|
| tap to the lamps' verdict drawn | ${ms(at(first, 0.5))} | ${ms(at(first, 0.95))} | at most 50 ms |
| tap to the engine's verdict drawn | ${ms(at(engine, 0.5))} | ${ms(at(engine, 0.95))} | at most 200 ms |
| opening the job offline | ${ms(at(openings, 0.5))} | worst ${ms(at(openings, 1))} | at most 1 s |
| longest task while scrolling | ${longTasks.length === 0 ? 'none over 50 ms' : ms(Math.max(...longTasks))} | | none over 100 ms |
| opening the findings | ${ms(at(findings, 0.5))} | worst ${ms(at(findings, 1))} | at most 3 s |
| first-load JavaScript of the walk, compressed | ${kilobytes.toFixed(0)} KB | | at most 300 KB |`;
console.log(text);
writeSections('performance.md', null, [{ heading: '## The walk on a slow device', text }]);
