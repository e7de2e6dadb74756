import { readFile } from 'node:fs/promises';
import { type Download, expect, type Page } from '@playwright/test';
import { dialog, newHouse, nextFileChooser, saved } from './house.ts';
import { test } from './own-firm.ts';

const csv = (rows: readonly string[]) => ({
  name: 'list.csv',
  mimeType: 'text/csv',
  buffer: Buffer.from(rows.join('\r\n')),
});

async function savedAs(page: Page, item: string): Promise<Download> {
  await page.getByRole('button', { name: 'Save as …' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: item }).click(),
  ]);
  return download;
}

async function choose(
  page: Page,
  button: string,
  file: { name: string; mimeType: string; buffer: Buffer },
): Promise<void> {
  const chosen = nextFileChooser(page);
  await expect(page.getByRole('button', { name: button })).toBeVisible();
  await page.getByRole('button', { name: button }).click();
  await (await chosen).setFiles(file);
}

test('a job goes into a file and comes back the same, to the last byte, nothing doubled', async ({
  page,
  request,
}) => {
  const { job } = await newHouse(request, { Den: 2 });
  await page.goto(`/report?job=${job}`);
  const download = await savedAs(page, 'Whole job (JSON)');
  const text = await readFile(await download.path(), 'utf8');
  await page.goto('/');
  await choose(page, 'Open a job file', {
    name: 'job.json',
    mimeType: 'application/json',
    buffer: Buffer.from(text),
  });
  await expect(page.getByRole('heading', { level: 1, name: 'Prepare' })).toBeVisible();
  await expect(saved(page)).toBeVisible();
  await page.goto(`/report?job=${job}`);
  const again = await savedAs(page, 'Whole job (JSON)');
  expect(await readFile(await again.path(), 'utf8')).toBe(text);
});

test('a file that is no job is refused with what is wrong, and nothing is stored', async ({ page }) => {
  await page.goto('/');
  for (const [content, words] of [
    ['{"format":"fair-plug/job@1","job":7,"entries":[]}', '/job'],
    ['[[[[', 'expected JSON'],
    ['['.repeat(50_000), 'nesting'],
  ] as const) {
    await choose(page, 'Open a job file', {
      name: 'job.json',
      mimeType: 'application/json',
      buffer: Buffer.from(content),
    });
    const alert = page.getByRole('alert').filter({ hasText: 'Nothing was stored.' });
    await expect(alert).toContainText(words);
  }
});

test('tables for a spreadsheet: CSV, and all of them as a workbook', async ({ page, request }) => {
  const { job } = await newHouse(request, { Den: 2 });
  await page.goto(`/report?job=${job}`);
  const table = await savedAs(page, 'Receptacles (CSV)');
  const text = await readFile(await table.path(), 'utf8');
  expect(text).toMatch(/^\uFEFFRoom,Receptacle,Type/);
  expect(text).toContain('\r\nDen,Den 1,');
  const workbook = await savedAs(page, 'All tables (XLSX)');
  expect((await readFile(await workbook.path())).subarray(0, 2).toString()).toBe('PK');
});

test('receptacles from a list: columns are mapped, errors named by row, the rest is taken once', async ({
  page,
  request,
}) => {
  const { job } = await newHouse(request, { Den: 1 });
  await page.goto(`/prepare?job=${job}`);
  const rows = [
    'Area,Socket,Feed,Kind',
    'Den,Den 1,7,Two-slot',
    'Attic,Attic 1,7,',
    ',Attic 2,7,',
    'Attic,Attic 3,,round',
  ];
  const take = async (): Promise<void> => {
    await choose(page, 'Receptacles from a list (CSV, XLSX)', csv(rows));
    await expect(dialog(page)).toContainText('2 cells cannot be taken');
    await expect(dialog(page)).toContainText('Row 4, room: nothing stands there');
    await expect(dialog(page)).toContainText('Row 5, type “round”');
    await dialog(page).getByRole('button', { name: 'Take 2 receptacles' }).click();
    await expect(dialog(page)).toHaveCount(0);
  };
  await take();
  await expect(page.getByLabel('Name of Attic')).toBeVisible();
  await expect(page.getByText('1 listed')).toHaveCount(2);
  await take();
  await expect(page.getByText('1 listed')).toHaveCount(2);
  await choose(
    page,
    'Receptacles from a list (CSV, XLSX)',
    csv(['Room,Receptacle', ...Array(100_000).fill('a,b')]),
  );
  await expect(page.getByRole('alert').filter({ hasText: '100000 rows' })).toBeVisible();
});

test('the firm’s letterhead, schools and wording stand in its reports', async ({ page, request }) => {
  const { job } = await newHouse(request, { Den: 1 });
  await page.goto('/settings');
  await page.getByLabel('Licence').fill('HI-7731');
  await page.getByLabel('Introduction').fill('We looked at {address}.');
  await expect(page.getByText('We looked at 27 Lantern Hollow.')).toBeVisible();
  await page.getByLabel(/^Half a volt/).click();
  await expect(page.getByLabel(/^Half a volt/)).toBeChecked();
  await expect(saved(page)).toBeVisible();
  await page.goto(`/report?job=${job}`);
  const report = page.getByRole('article');
  await expect(report).toContainText('HI-7731');
  await expect(report).toContainText('Alder Rise.');
  await expect(report).toContainText('Held here: Under 0.5 V');
});
