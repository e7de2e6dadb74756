import { readFile } from 'node:fs/promises';
import { expect, type Locator, type Page } from '@playwright/test';
import { dialog, inHand, newHouse, nextFileChooser, pause, saved, status, verdict, walkOf } from './house.ts';
import { test } from './own-firm.ts';
import { readPdf } from './pdf.ts';

test.use({ letsTimePass: true });

/** Jobs done from one end to the other in one way alone: by keys, or by thumb. */

/** Far more stops than any screen has. */
const mostStops = 200;

/** Presses Tab until something has the focus. */
async function tabTo(page: Page, target: Locator): Promise<void> {
  await expect(target).toBeVisible();
  for (let stop = 0; stop < mostStops; stop += 1) {
    if (await target.evaluate((element) => element === document.activeElement)) return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`the Tab key does not lead to ${target}`);
}

async function pressOn(page: Page, target: Locator): Promise<void> {
  await tabTo(page, target);
  await page.keyboard.press('Enter');
}

test('a list, the firm’s settings, a signature and the PDF with the keyboard alone', async ({
  page,
  request,
}) => {
  const { job } = await newHouse(request, { Den: 1 });
  await page.goto(`/prepare?job=${job}`);
  const chosen = nextFileChooser(page);
  const offer = page.getByRole('button', { name: 'Receptacles from a list (CSV, XLSX)' });
  await tabTo(page, offer);
  await page.keyboard.press('Enter');
  const chooser = await chosen;
  const list = 'Room,Receptacle,Breaker\nDen,Den 2,4\nAttic,Attic 1,4\n';
  await chooser.setFiles({ name: 'list.csv', mimeType: 'text/csv', buffer: Buffer.from(list) });
  await pressOn(page, dialog(page).getByRole('button', { name: 'Take 2 receptacles' }));
  await expect(page.getByLabel('Name of Attic')).toBeVisible();
  await expect(saved(page)).toBeVisible();

  await page.goto('/settings');
  await tabTo(page, page.getByLabel('Standard of practice followed'));
  await page.keyboard.press('ControlOrMeta+a');
  await page.keyboard.type('House standard 7');
  await page.keyboard.press('Tab');
  const rules = page.getByRole('switch', { name: /^Ground-fault rules/ });
  const were = await rules.isChecked();
  await tabTo(page, rules);
  await page.keyboard.press('Space');
  await expect(rules).toBeChecked({ checked: !were });
  await page.keyboard.press('Space');
  await expect(rules).toBeChecked({ checked: were });
  await expect(saved(page)).toBeVisible();

  await page.goto(`/report?job=${job}`);
  const report = page.getByRole('article');
  await expect(report).toContainText('House standard 7');
  await pressOn(page, page.getByRole('button', { name: 'Sign', exact: true }));
  await expect(dialog(page).getByLabel('Name')).toHaveValue('Tessa Quillon');
  await pressOn(page, dialog(page).getByRole('button', { name: 'Sign', exact: true }));
  await expect(report.getByRole('img', { name: 'Signature of Tessa Quillon' })).toBeVisible();
  await expect(saved(page)).toBeVisible();
  const pdf = page.getByRole('button', { name: 'PDF' });
  await tabTo(page, pdf);
  const [download] = await Promise.all([page.waitForEvent('download'), page.keyboard.press('Enter')]);
  const { text } = await readPdf(await readFile(await download.path()));
  for (const words of ['Tessa Quillon', 'House standard 7', 'Attic 1', 'Not tested'])
    expect(text).toContain(words);
});

test('every sheet of the walk opens by its key, is left by Escape, and gives the keys back', async ({
  page,
  request,
}) => {
  await walkOf(page, request, { Den: 2 });
  await page.keyboard.press('4');
  await expect(status(page, 'Recorded: Den 1')).toBeVisible();
  for (const [key, words] of [
    ['g', 'ground-fault test'],
    ['o', 'visible defects'],
    ['w', 'note'],
    ['t', 'kind and place'],
    ['c', 'cover off'],
    ['b', 'Breaker'],
    ['e', 'rename, move, merge'],
    ['h', 'history'],
    ['m', 'what does it show?'],
    ['p', 'function checks'],
    ['f', 'Close-out'],
  ] as const) {
    await page.keyboard.press(key);
    await expect(dialog(page), key).toContainText(new RegExp(words, 'i'));
    await page.keyboard.press('Escape');
    await expect(dialog(page)).toHaveCount(0);
  }
  await page.keyboard.press('ArrowRight');
  await expect(inHand(page, 'Den 2')).toBeVisible();
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  const noSidewaysScroll = async (page: Page): Promise<void> =>
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);

  test('a whole job by thumb: begun, prepared, walked, decided on, printed', async ({ page }) => {
    const address = `${Date.now()} Thumb Row`;
    await page.goto('/');
    await page.getByRole('button', { name: 'New job' }).tap();
    await page.getByLabel('Address').fill(address);
    await page.getByLabel('Year built').fill('1966');
    await page.getByRole('button', { name: 'Begin with the usual 9 rooms' }).tap();
    await page.getByRole('button', { name: 'Prepare first' }).tap();
    await expect(page.getByRole('heading', { name: 'What to expect' })).toBeVisible();
    await noSidewaysScroll(page);
    await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Walk' }).tap();

    const correct = page.getByRole('button', { name: /^Correct – next/ });
    await expect(inHand(page, 'Entry 1')).toBeVisible();
    await correct.tap();
    await expect(inHand(page, 'Entry 2')).toBeVisible();
    await pause(page);
    await page.getByRole('button', { name: /Reversed/ }).tap();
    await expect(verdict(page).getByRole('heading', { level: 3 })).toContainText(
      'Reads hot and neutral reversed',
    );
    await noSidewaysScroll(page);
    await pause(page);
    await page.getByRole('button', { name: /^Next( Enter)?$/ }).tap();
    await expect(inHand(page, 'Entry 3')).toBeVisible();
    await page.getByRole('button', { name: /^Not reached/ }).tap();
    await dialog(page)
      .getByRole('button', { name: /locked/i })
      .tap();
    await expect(status(page, 'Not reached: Entry 3')).toBeVisible();
    await expect(saved(page)).toBeVisible();

    await page.getByRole('link', { name: 'Findings' }).tap();
    const finding = page.getByRole('region', { name: 'Current finding' });
    await expect(finding).toContainText('reversed');
    await noSidewaysScroll(page);
    await finding.getByRole('button', { name: /^Accept/ }).tap();
    await expect(saved(page)).toBeVisible();
    await page.getByRole('link', { name: 'Report' }).tap();
    const report = page.getByRole('article');
    await expect(report).toContainText('Reads hot and neutral reversed');
    await expect(report).toContainText('Not reached: Entry 3 (locked)');
    await noSidewaysScroll(page);
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'PDF' }).tap(),
    ]);
    expect((await readPdf(await readFile(await download.path()))).text).toContain(address);
  });
});
