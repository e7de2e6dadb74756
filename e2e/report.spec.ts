import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import { readPdf } from './pdf.ts';

const openDemoReport = async (page: import('@playwright/test').Page) => {
  await page.goto('/');
  await page
    .getByRole('listitem')
    .filter({ hasText: '27 Lantern Hollow' })
    .getByRole('link', { name: 'Report' })
    .click();
  await expect(page.getByRole('heading', { level: 1, name: 'Receptacle inspection' })).toBeVisible();
};

test('the report names findings, what was not ruled out, what was not tested, and the cautions', async ({
  page,
}) => {
  await openDemoReport(page);
  const report = page.getByRole('article');
  await expect(report).toContainText('27 Lantern Hollow, Quillmere');
  const findings = report.getByRole('heading', { level: 3 });
  await expect(findings.nth(0)).toHaveText('1 Open neutral');
  await expect(findings.nth(1)).toHaveText('2 Reads hot and neutral reversed');
  await expect(report).toContainText('Family room 5, Family room 6, Family room 7');
  await expect(report).toContainText('Not ruled out');
  await expect(report).toContainText('What “reads correct” does not rule out');
  await expect(report).toContainText('Den 1, Den 2');
  await expect(report).toContainText('The local code and the authority having jurisdiction decide');
  const kitchen = report.getByRole('table', { name: 'Kitchen' });
  await expect(kitchen.getByRole('row', { name: /Kitchen 7/ })).toContainText('Reads correct');
  await expect(kitchen.getByRole('img').first()).toHaveAccessibleName(
    'hot–neutral and hot–ground lit, neutral–ground off',
  );
});

test('on paper the tools are gone and the page is black on white in either theme', async ({ page }) => {
  await page.emulateMedia({ media: 'print', colorScheme: 'dark' });
  await page.goto('/');
  const href = await page.getByRole('link', { name: 'Report' }).first().getAttribute('href');
  await page.goto(href ?? '');
  await expect(page.getByRole('article')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
  await expect(page.getByRole('banner')).toBeHidden();
  const colours = await page.evaluate(() => {
    const { backgroundColor, color } = getComputedStyle(document.body);
    return [backgroundColor, color];
  });
  expect(colours).toEqual(['rgb(255, 255, 255)', 'rgb(0, 0, 0)']);
});

test('the PDF is the same report: tagged, with bookmarks, its text readable', async ({ page }) => {
  await openDemoReport(page);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'PDF' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('Report 27 Lantern Hollow, Quillmere.pdf');
  const pdf = await readPdf(await readFile(await download.path()));
  expect(pdf.title).toBe('Receptacle inspection, 27 Lantern Hollow, Quillmere');
  expect(pdf.tagged).toBe(true);
  expect(pdf.bookmarks).toEqual(expect.arrayContaining(['Receptacle inspection', 'Findings', 'Kitchen']));
  for (const words of [
    'Open neutral',
    'Probable cause',
    'Family room 5, Family room 6, Family room 7',
    'Reversed bootleg ground',
    'Den 1, Den 2',
    'authority having jurisdiction',
    `1 of ${pdf.pages}`,
  ])
    expect(pdf.text).toContain(words);
});
