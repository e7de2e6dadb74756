import type { BrowserContext, Page } from 'playwright-core';
import { inQuiet, pieces } from './machine.ts';

/** What is measured inside the pages of the walk, on a device so many times slower than this kind of machine in a quiet minute. */
const slowdown = 4;

export const at = (values: readonly number[], share: number): number =>
  values.toSorted((a, b) => a - b)[Math.min(values.length - 1, Math.floor(share * values.length))] ??
  Number.NaN;

const rateNow = (): number => Math.max(1, (slowdown * inQuiet) / at(pieces(81), 0.5));

/** The machine is about as fast as when a page was slowed by `rate`: else what was measured meanwhile was another device's. */
export function isAsFast(rate: number): boolean {
  const now = rateNow();
  return Math.max(now / rate, rate / now) < 1.25;
}

/**
 * Slows a page to what such a device would be, and answers by how much. The rate is Chromium's, by which it slows what the
 * machine is just then: a machine that others use as well is slower than in a quiet minute already.
 */
export async function slowed(page: Page): Promise<number> {
  const rate = rateNow();
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate });
  return rate;
}

/** "Chromium's CPU slowed 1.8 to 3.2 times (…)" */
export const slowedWords = (rates: readonly number[]): string =>
  `Chromium's CPU slowed ${Math.min(...rates).toFixed(1)} to ${Math.max(...rates).toFixed(1)} times (its main thread; it slows no worker), each time so that a fixed piece of work would take ${slowdown} times the ${inQuiet} ms that it takes on this kind of machine in a quiet minute`;

/** What the functions that run inside pages share. */
export interface Measured {
  /** Resolves once the frame was drawn whose callbacks run now. */
  afterFrame: () => Promise<void>;
  /** When the receptacle in hand was first drawn. */
  firstSight?: number;
}

/** Notes, inside every page, when the receptacle in hand was first drawn: asking from outside finds it up to half a second later. */
export function watchFirstSight(): void {
  const own = window as unknown as Measured;
  own.afterFrame = () =>
    new Promise((done) => {
      // The first task after a frame's callbacks comes when the frame was drawn.
      const { port1, port2 } = new MessageChannel();
      port1.onmessage = () => done();
      port2.postMessage(null);
    });
  const observer = new MutationObserver(async () => {
    if (document.querySelector('section[aria-label="Current receptacle"]') === null) return;
    observer.disconnect();
    await new Promise(requestAnimationFrame);
    await own.afterFrame();
    own.firstSight = Date.now();
  });
  observer.observe(document, { childList: true, subtree: true });
}

/** Presses a pattern key and waits, inside the page, until each verdict is drawn. */
export const timedTap = (page: Page, key: string, headline: string) =>
  page.evaluate(
    async ([pressed, expected]) => {
      const { afterFrame } = window as unknown as Measured;
      // Asked in a frame's callbacks: what is in the document then, this frame draws.
      const shown = async (isThere: () => boolean): Promise<number> => {
        do await new Promise(requestAnimationFrame);
        while (!isThere());
        await afterFrame();
        return performance.now();
      };
      const panel = document.querySelector('section[aria-label="Verdict"]');
      const from = performance.now();
      document.querySelector<HTMLButtonElement>(`button[aria-keyshortcuts="${pressed}"]`)?.click();
      const first = await shown(() => panel?.querySelector('h3')?.textContent?.includes(expected) === true);
      const engine = await shown(
        () => panel?.querySelector('section[aria-label="Next test"], details[data-evidence]') != null,
      );
      return { first: first - from, engine: engine - from };
    },
    [key, headline] as const,
  );

/** Milliseconds from asking for a page to its receptacle in hand being drawn. */
export async function timedOpening(page: Page, address: string): Promise<number> {
  const from = Date.now();
  await page.goto(address);
  const sight = await page.waitForFunction(() => (window as unknown as Measured).firstSight);
  return ((await sight.jsonValue()) ?? Number.NaN) - from;
}

/** Compressed bytes of the scripts that a first visit of the walk loads. */
export async function firstLoad(context: BrowserContext, address: string) {
  const page = await context.newPage();
  const session = await context.newCDPSession(page);
  await session.send('Network.enable');
  await session.send('Network.setCacheDisabled', { cacheDisabled: true });
  const scripts = new Set<string>();
  let bytes = 0;
  session.on('Network.responseReceived', ({ requestId, type }) => {
    if (type === 'Script') scripts.add(requestId);
  });
  session.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    if (scripts.has(requestId)) bytes += encodedDataLength;
  });
  await page.goto(address);
  await page.getByRole('navigation', { name: 'Rooms' }).waitFor();
  await page.waitForTimeout(2000);
  await page.close();
  return bytes / 1024;
}

export const ms = (value: number): string => `${Math.round(value)} ms`;
