import type { JobStatement, KitStatement } from '@fair-plug/core/log';
import { type APIRequestContext, expect, type FileChooser, type Locator, type Page } from '@playwright/test';
import { v7 } from 'uuid';
import { owner } from './own-firm.ts';

/** An entry of the firm's owner with everything that an entry needs. */
export const entry = (said: JobStatement | KitStatement) => ({
  id: v7(),
  device: v7(),
  author: owner.id,
  at: new Date().toISOString(),
  ...said,
});

export interface NewHouse {
  readonly job: string;
  readonly address: string;
}

/** A job of its own with the given rooms, each with so many receptacles not yet read. */
export async function newHouse(
  request: APIRequestContext,
  rooms: Readonly<Record<string, number>>,
  more: readonly JobStatement[] = [],
): Promise<NewHouse> {
  const job = v7();
  const address = `${job.slice(-4)} Alder Rise`;
  const said: JobStatement[] = [{ kind: 'job-described', address, yearBuilt: 1966 }];
  for (const [name, receptacles] of Object.entries(rooms)) {
    const room = v7();
    said.push({ kind: 'room-described', room, name });
    for (let number = 1; number <= receptacles; number += 1)
      said.push({ kind: 'receptacle-described', receptacle: v7(), room, name: `${name} ${number}` });
  }
  said.push(...more);
  const answer = await request.post('/api/jobs', { data: { job, entries: said.map(entry) } });
  expect(answer.ok()).toBe(true);
  return { job, address };
}

/**
 * The chooser of a file that the page opens next. Asked for long before: where it is asked for with the press that opens
 * it, a busy browser may open it unheard.
 */
export const nextFileChooser = (page: Page): Promise<FileChooser> =>
  new Promise((done) => page.once('filechooser', done));

/** Longer than the walk takes a second press of the same key for a slip; for tests that `letsTimePass`. */
export const pause = (page: Page) => page.clock.fastForward(600);

export const inHand = (page: Page, name: string) =>
  page.getByRole('heading', { level: 2, name, exact: true });
export const verdict = (page: Page) => page.getByRole('region', { name: 'Verdict' });
export const saved = (page: Page) => page.getByText('saved on the server');

export const dialog = (page: Page) => page.getByRole('dialog');
/** A job of its own, opened at the first receptacle of its first room. */
export async function walkOf(
  page: Page,
  request: APIRequestContext,
  rooms: Readonly<Record<string, number>>,
  more: readonly JobStatement[] = [],
): Promise<NewHouse> {
  const house = await newHouse(request, rooms, more);
  await page.goto(`/walk?job=${house.job}`);
  await expect(inHand(page, `${Object.keys(rooms)[0]} 1`)).toBeVisible();
  return house;
}

/** "Recorded: Den 4, reads correct" */
export const status = (page: Page, words: string | RegExp) =>
  page.getByRole('status').filter({ hasText: words });

/** Moves a row of a list to its top by keyboard, step by step as a screen reader hears it. */
export async function moveToTop(page: Page, list: Locator, name: string): Promise<void> {
  const handle = list.getByRole('button', { name: `Move ${name}`, exact: true });
  const rows = await list.getByRole('listitem').all();
  const places = await Promise.all(
    rows.map((row) => row.getByRole('button', { name: `Move ${name}`, exact: true }).count()),
  );
  await handle.focus();
  await page.keyboard.press('Space');
  // It is over its own place at once, and says so.
  await expect(page.getByText(new RegExp(`${name} (taken up|would be number)`))).toBeAttached();
  for (let place = places.indexOf(1); place > 0; place -= 1) {
    await page.keyboard.press('ArrowUp');
    await expect(page.getByText(`${name} would be number ${place}`)).toBeAttached();
  }
  await page.keyboard.press('Space');
}
