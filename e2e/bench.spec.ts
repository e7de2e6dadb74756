import { readFile } from 'node:fs/promises';
import { parseCircuit } from '@fair-plug/core/circuit';
import { expect, type Page } from '@playwright/test';
import { test } from './own-firm.ts';

const why = (page: Page) => page.getByRole('region', { name: 'Instrument' }).getByRole('status');
const faults = (page: Page) => page.getByRole('region', { name: 'Faults' });
const plugIn = (page: Page, instrument: string) =>
  page
    .getByRole('region', { name: 'Instrument' })
    .getByRole('button', { name: instrument, exact: true })
    .click();

test('a fault is put into a cable and every receptacle beyond it shows what it does', async ({ page }) => {
  await page.goto('/bench');
  await expect(why(page)).toContainText('hot–neutral and hot–ground differ enough to light');
  await page.getByRole('button', { name: 'Cable to den-2' }).click();
  await faults(page).getByRole('group', { name: 'Open' }).getByRole('button', { name: 'neutral' }).click();
  await expect(page.getByRole('button', { name: 'den-1: hot–neutral and hot–ground lit' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^den-3: hot–ground lit/ })).toBeVisible();

  await page.getByRole('button', { name: /^den-3:/ }).click();
  await page.getByLabel('Load switched on').selectOption('60 W');
  await expect(page.getByRole('button', { name: /^den-2: hot–ground and neutral–ground lit/ })).toBeVisible();
  await plugIn(page, 'Meter');
  await expect(page.getByRole('region', { name: 'Instrument' })).toContainText('120.0 V');

  await page.getByRole('button', { name: /^Cable to den-2, open neutral/ }).click();
  await faults(page).getByRole('group', { name: 'Open' }).getByRole('button', { name: 'neutral' }).click();
  await expect(page.getByRole('button', { name: 'den-3: hot–neutral and hot–ground lit' })).toBeVisible();
});

test('a reversed bootleg reads correct, and the probe tells', async ({ page }) => {
  await page.goto('/bench');
  await page.getByLabel('Begin with').selectOption('Reversed bootleg ground');
  await expect(page.getByRole('button', { name: /^den-2: hot–neutral and hot–ground lit/ })).toBeVisible();
  await plugIn(page, 'Non-contact probe');
  await expect(why(page)).toContainText('neutral is held at 120 V and ground is held at 120 V');
});

test('ground-fault protection: the tester’s button, a trip by itself, the device’s own button', async ({
  page,
}) => {
  await page.goto('/bench');
  await page.getByRole('button', { name: /^den-1:/ }).click();
  await page.getByLabel('Protection here').selectOption('GFCI, covers downstream');
  await plugIn(page, 'Device’s own button');
  await expect(why(page)).toContainText('set and fed');
  await page.getByRole('button', { name: /^den-3:/ }).click();
  await plugIn(page, 'Tester’s ground-fault button');
  await expect(why(page)).toContainText('the protection at den-1 trips within 3.7');
  await faults(page)
    .getByRole('group', { name: 'Jumper' })
    .getByRole('button', { name: 'neutral–ground' })
    .click();
  await expect(why(page)).toContainText('The protection at den-1 has tripped by itself.');
});

test('a circuit is saved as a file that the formats know, and opened again', async ({ page }) => {
  await page.goto('/bench');
  await page.getByLabel('Begin with').selectOption('Bootleg ground');
  await page.getByRole('button', { name: 'Longer' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save file' }).click(),
  ]);
  const path = await download.path();
  expect(parseCircuit(JSON.parse(await readFile(path, 'utf8'))).kind).toBe('parsed');
  await page.reload();
  await expect(page.getByRole('button', { name: 'Open file' })).toBeEnabled();
  await page.locator('input[type=file]').setInputFiles(path);
  await expect(
    page.getByRole('button', { name: /^den-2: .*open ground, neutral–ground jumper/ }),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: /^den-4:/ })).toBeVisible();
  await page.locator('input[type=file]').setInputFiles({
    name: 'x.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"fair-plug/circuit@1","outlets":[]}'),
  });
  await expect(page.getByRole('alert').filter({ hasText: 'Not opened.' })).toContainText('/outlets');
});
