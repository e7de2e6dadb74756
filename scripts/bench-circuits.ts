import { lampsOf } from '@fair-plug/core/instruments';
import { chromium as driver, type Page } from 'playwright-core';
import { v7 } from 'uuid';
import { entriesSince, uploadedJob } from './bench/entries.ts';
import { frameTimes } from './bench/frames.ts';
import { machineWords } from './bench/machine.ts';
import { at, ms } from './bench/walk-page.ts';
import { startOwnServer } from './own-server.ts';
import { writeSections } from './pages.ts';
import { chromium } from './setup/toolchain.mjs';

/** The circuits of a large house, panned, zoomed and tapped; writes its section of docs/performance.md. */
const circuits = 40;
const receptacles = 300;
const taps = 20;

/** Receptacles dealt out to circuits as cards are; every fourth circuit has an open neutral from its fifth on. */
function largeHouse() {
  const entry = entriesSince(3 * receptacles);
  const room = v7();
  const log = [
    entry({ kind: 'job-described', address: '300 Long Row', yearBuilt: 1985, groundedWiring: true }),
    entry({ kind: 'room-described', room, name: 'Hall' }),
  ];
  for (let index = 0; index < receptacles; index += 1) {
    const receptacle = v7();
    const [breaker, place] = [String(1 + (index % circuits)), 1 + Math.floor(index / circuits)];
    const isLost = index % 4 === 0 && place > 4;
    log.push(
      entry({ kind: 'receptacle-described', receptacle, room, name: `Hall ${index + 1}` }),
      entry({ kind: 'receptacle-fed', receptacle, breaker, place }),
      entry({ kind: 'lamps-read', receptacle, lamps: lampsOf(isLost ? 'hg' : 'hn-hg') }),
    );
  }
  return log;
}

/** Drags the graph about and turns the wheel over it. */
async function panAndZoom(page: Page): Promise<void> {
  const box = await page.getByRole('region', { name: 'The house from its panel' }).boundingBox();
  if (box === null) throw new Error('the graph is not there');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  // On the bare ground between things, or a thing would be taken.
  await page.mouse.move(box.x + box.width - 8, box.y + 8);
  await page.mouse.down();
  for (let step = 0; step < 60; step += 1) {
    await page.mouse.move(box.x + box.width - 8 - 3 * step, box.y + 8 + 2 * step);
    await page.waitForTimeout(16);
  }
  await page.mouse.up();
  await page.mouse.move(x, y);
  for (let step = 0; step < 40; step += 1) {
    await page.mouse.wheel(0, step % 20 < 10 ? -60 : 60);
    await page.waitForTimeout(16);
  }
}

/** Milliseconds from a tap on a receptacle to its cause being highlighted and painted. */
async function tapTimes(page: Page): Promise<readonly number[]> {
  await page.evaluate(() => {
    const times: number[] = [];
    Object.assign(window, { tapTimes: times });
    addEventListener(
      'pointerdown',
      ({ timeStamp, target }) => {
        if ((target as Element).closest('.react-flow__node') === null) return;
        const look = (): void => {
          const out = document.querySelectorAll('[data-kind="receptacle"][data-standing="out"]');
          const key = [...out].map((one) => one.textContent).join();
          if (key === '' || key === (window as { lastOut?: string }).lastOut) requestAnimationFrame(look);
          else {
            Object.assign(window, { lastOut: key });
            requestAnimationFrame(() => times.push(performance.now() - timeStamp));
          }
        };
        requestAnimationFrame(look);
      },
      true,
    );
  });
  for (let tap = 0; tap < taps; tap += 1) {
    // From circuit to circuit with something wrong, so that another one is highlighted each time.
    await page.getByRole('button', { name: 'Whole house' }).click();
    await page.waitForTimeout(250);
    const name = `Hall ${1 + 4 * (tap % 10) + 4 * circuits + (tap >= 10 ? circuits : 0)}`;
    await page.evaluate(() => Object.assign(window, { lastOut: '' }));
    await page
      .getByRole('region', { name: 'The house from its panel' })
      .getByRole('group', { name: new RegExp(`^${name}, `) })
      .click();
    await page.waitForTimeout(300);
  }
  return page.evaluate(() => (window as unknown as { tapTimes: number[] }).tapTimes);
}

const { origin, stop } = await startOwnServer(3191, 15491);
const browser = await driver.launch({
  executablePath: chromium,
  args: process.getuid?.() === 0 ? ['--no-sandbox'] : [],
});
const context = await browser.newContext({
  viewport: { width: 1280, height: 800 },
  serviceWorkers: 'block',
  reducedMotion: 'reduce',
});
await context.request.post(`${origin}/api/demo`, { headers: { origin } });
const job = await uploadedJob(context.request, origin, largeHouse());
await context.addInitScript({ content: 'globalThis.__name ??= (one) => one;' });
const page = await context.newPage();
await page.goto(`${origin}/circuits?job=${job}`);
await page.getByRole('group', { name: /^Hall 1, / }).waitFor();
// Until the engine has been through every circuit.
await page
  .getByRole('button', { name: /^40 / })
  .filter({ hasText: 'Nothing wrong is held' })
  .waitFor({ timeout: 120_000 });
await page.waitForTimeout(3000);
const session = await context.newCDPSession(page);
const atFull = await frameTimes(session, () => panAndZoom(page));
const tapped = await tapTimes(page);
await page.getByRole('button', { name: 'Whole house' }).click();
await session.send('Emulation.setCPUThrottlingRate', { rate: 4 });
const atQuarter = await frameTimes(await context.newCDPSession(page), () => panAndZoom(page));
await session.send('Emulation.setCPUThrottlingRate', { rate: 1 });
const layout = await page.evaluate(() =>
  performance.getEntriesByName('graph laid out').map(({ duration }) => duration),
);
await browser.close();
await stop();

const text = `A house of ${receptacles} receptacles on ${circuits} circuits, all in sight, from the browser's trace: script, style, layout and paint of the main thread, frame by frame, while the graph is dragged and zoomed (${machineWords()}). Written by \`npm run bench:circuits\`.

| what | median | 95th percentile | aim |
|---|---|---|---|
| a frame at full CPU | ${ms(at(atFull, 0.5))} | ${ms(at(atFull, 0.95))} | at most 20 ms |
| a frame at a quarter of it | ${ms(at(atQuarter, 0.5))} | ${ms(at(atQuarter, 0.95))} | at most 40 ms |
| a tap on a receptacle to its cause highlighted | ${ms(at(tapped, 0.5))} | ${ms(at(tapped, 0.95))} | under 100 ms |
| the graph laid out in its worker | ${ms(at(layout, 0.5))} | worst ${ms(at(layout, 1))} | under 1 s |`;
console.log(text, { frames: [atFull.length, atQuarter.length], taps: tapped.length });
writeSections('performance.md', null, [{ heading: '## The circuits of a large house', text }]);
