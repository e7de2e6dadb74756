import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type BrowserContext, chromium as driver, type Page } from 'playwright-core';
import { v7 } from 'uuid';
import { entriesSince, uploadedJob } from './bench/entries.ts';
import { machineWords } from './bench/machine.ts';
import {
  at,
  firstLoad,
  isAsFast,
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

/** Walks of 18 receptacles of which three are not correct, by thumb on a slow phone; writes its section of docs/performance.md. */
const rooms = { Entry: 2, Kitchen: 6, Den: 5, Bath: 1, Bedroom: 4 } as const;
/** Pattern and headline of those that are not correct, by their number on the walk. */
const wrong: Readonly<Record<number, readonly [key: string, headline: string]>> = {
  4: ['2', 'reversed'],
  9: ['4', 'open ground'],
  16: ['3', 'reversed'],
};
const walks = 16;
const receptacleCount = Object.values(rooms).reduce((sum, count) => sum + count, 0);

function house() {
  const entry = entriesSince(100);
  return [
    entry({ kind: 'job-described', address: '18 Short Row', yearBuilt: 1966 }),
    ...Object.entries(rooms).flatMap(([name, count]) => {
      const room = v7();
      return [
        entry({ kind: 'room-described', room, name }),
        ...Array.from({ length: count }, (_, index) =>
          entry({ kind: 'receptacle-described', receptacle: v7(), room, name: `${name} ${index + 1}` }),
        ),
      ];
    }),
  ];
}

/** Longer than a second press of the same key is taken for a slip. */
const betweenTaps = 600;

interface Walked {
  readonly taps: number;
  /** Those of them that open a next test and leave it. */
  readonly looks: number;
  readonly seconds: number;
  readonly first: readonly number[];
  readonly engine: readonly number[];
}

async function walked(page: Page): Promise<Walked> {
  let taps = 0;
  let looks = 0;
  const first: number[] = [];
  const engine: number[] = [];
  const tap = async (name: string | RegExp): Promise<void> => {
    taps += 1;
    await page.getByRole('button', { name }).first().tap();
  };
  const from = Date.now();
  for (let number = 1; number <= receptacleCount; number += 1) {
    const shows = wrong[number];
    if (shows === undefined) {
      await tap(/^Correct – next/);
    } else {
      taps += 1;
      const times = await timedTap(page, ...shows);
      first.push(times.first);
      engine.push(times.engine);
      // The next test is looked at and left for later.
      await tap('Next test');
      await tap(/^Close$/);
      looks += 2;
      await tap(/^Next( Enter)?$/);
    }
    await page.waitForTimeout(betweenTaps);
  }
  return { taps, looks, seconds: (Date.now() - from) / 1000, first, engine };
}

const { origin, stop } = await startOwnServer(3191, 15491);
const args = process.getuid?.() === 0 ? ['--no-sandbox'] : [];

/** A phone of its own, signed in. */
async function newPhone(profile: string): Promise<BrowserContext> {
  const context = await driver.launchPersistentContext(profile, {
    executablePath: chromium,
    args,
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
    baseURL: origin,
  });
  await context.request.post('/api/demo', { headers: { origin } });
  // tsx names the functions that are sent to the page by this helper of its own.
  await context.addInitScript({ content: 'globalThis.__name ??= (one) => one;' });
  await context.addInitScript(watchFirstSight);
  return context;
}

const newJob = async ({ request }: BrowserContext): Promise<string> =>
  `${origin}/walk?job=${await uploadedJob(request, origin, house())}`;

const results: Walked[] = [];
const openings: number[] = [];
const rates: number[] = [];
let kilobytes = Number.NaN;
let tries = 0;
while (results.length < walks && tries < 3 * walks) {
  tries += 1;
  const profile = mkdtempSync(join(tmpdir(), 'fair-plug-profile-'));
  const phone = await newPhone(profile);
  const address = await newJob(phone);
  const page = await phone.newPage();
  await page.goto(address);
  await page.getByText('saved on the server').waitFor();
  await page.evaluate(() => navigator.serviceWorker.ready);
  await page.waitForTimeout(3000);
  const rate = await slowed(page);
  const one = await walked(page);
  const isCounted = isAsFast(rate);
  if (isCounted) {
    rates.push(rate);
    results.push(one);
  }
  console.log(
    `${isCounted ? '' : 'left out, '}${rate.toFixed(1)} times: lamps' ${one.first.map(ms).join(', ')}; engine's ${one.engine.map(ms).join(', ')}`,
  );
  await page.close();
  await phone.setOffline(true);
  for (let visit = 0; visit < 3; visit += 1) {
    await new Promise((done) => setTimeout(done, 2000));
    const tab = await phone.newPage();
    const slow = await slowed(tab);
    const opened = await timedOpening(tab, address);
    if (isAsFast(slow)) {
      rates.push(slow);
      openings.push(opened);
    }
    await tab.close();
  }
  await phone.setOffline(false);
  if (tries === 1) {
    const browser = await driver.launch({ executablePath: chromium, args });
    const visitor = await browser.newContext({
      storageState: await phone.storageState(),
      serviceWorkers: 'block',
    });
    kilobytes = await firstLoad(visitor, await newJob(phone));
    await browser.close();
  }
  await phone.close();
  rmSync(profile, { recursive: true, force: true });
}
await stop();

const first = results.flatMap((one) => one.first);
const engine = results.flatMap((one) => one.engine);
const text = `A phone of 390 × 844, ${slowedWords(rates)}; ${results.length} walks of ${receptacleCount} receptacles of which ${Object.keys(wrong).length} are not correct, each of those with its next test opened and left, ${betweenTaps} ms after every receptacle, and ${openings.length} openings; ${tries - results.length} walks and ${3 * tries - openings.length} openings are left out during which the machine became a quarter faster or slower (${machineWords()}). Written by \`npm run bench:phone\`.

| what | median | 95th percentile | aim |
|---|---|---|---|
| taps of a walk | ${at(
  results.map(({ taps, looks }) => taps - looks),
  0.5,
)} | | at most 26 |
| with each next test opened and left | ${at(
  results.map(({ taps }) => taps),
  0.5,
)} | | |
| seconds of a walk | ${at(
  results.map(({ seconds }) => seconds),
  0.5,
).toFixed(1)} | worst ${Math.max(...results.map(({ seconds }) => seconds)).toFixed(1)} | |
| tap to the lamps' verdict drawn | ${ms(at(first, 0.5))} | ${ms(at(first, 0.95))} | at most 50 ms |
| tap to the engine's verdict drawn | ${ms(at(engine, 0.5))} | ${ms(at(engine, 0.95))} | at most 200 ms |
| opening the job offline | ${ms(at(openings, 0.5))} | ${ms(at(openings, 0.95))}, worst ${ms(at(openings, 1))} | at most 1 s |
| first-load JavaScript of the walk, compressed | ${kilobytes.toFixed(0)} KB | | at most 300 KB |`;
console.log(text);
writeSections('performance.md', null, [{ heading: '## The walk on a phone', text }]);
