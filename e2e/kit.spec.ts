import type { KitStatement } from '@fair-plug/core/log';
import { expect } from '@playwright/test';
import { v7 } from 'uuid';
import { entry, inHand, newHouse, saved, verdict } from './house.ts';
import { test } from './own-firm.ts';

test('one’s own tester is set up from two patterns and its lamps enter readings', async ({
  page,
  request,
}) => {
  const { job } = await newHouse(request, { Den: 1 });
  const spare: KitStatement = {
    kind: 'tester-described',
    tester: v7(),
    name: 'Spare tester',
    layout: [
      { pair: 'hg', colour: 'white' },
      { pair: 'ng', colour: 'green' },
      { pair: 'hn', colour: 'green' },
    ],
  };
  expect((await request.post('/api/kit/entries', { data: { entries: [entry(spare)] } })).ok()).toBe(true);
  await page.goto('/kit');
  await page.getByRole('button', { name: 'Set up a tester' }).click();
  const save = page.getByRole('button', { name: 'Save the tester' });
  await page.getByLabel('Colour of lamp 1').selectOption('green');
  await page.getByLabel('Colour of lamp 3').selectOption('white');
  await page.getByRole('button', { name: 'Lamp 2 for correct' }).click();
  await page.getByRole('button', { name: 'Lamp 3 for correct' }).click();
  await page.getByRole('button', { name: 'Lamp 1 for open ground' }).click();
  await expect(page.getByText('Check both patterns')).toBeVisible();
  await expect(save).toBeDisabled();
  await page.getByRole('button', { name: 'Lamp 1 for open ground' }).click();
  await page.getByRole('button', { name: 'Lamp 3 for open ground' }).click();
  await expect(page.getByText('That settles the order of its lamps.')).toBeVisible();
  await page.getByLabel('What you call it').fill('Bench tester');
  await save.click();
  const own = page
    .getByRole('listitem')
    .filter({ hasText: 'Bench tester' })
    .filter({ has: page.getByRole('figure') });
  await expect(own).toContainText('In use here');
  await expect(own.getByRole('img').first()).toHaveAccessibleName('green off, white lit, white lit');
  await expect(saved(page)).toBeVisible();

  // Its lamps from the left bridge neutral–ground, hot–ground, hot–neutral.
  await page.goto(`/walk?job=${job}`);
  await expect(inHand(page, 'Den 1')).toBeVisible();
  await expect(page.getByText('Bench tester')).toBeVisible();
  await page.getByRole('button', { name: 'Lamp 3, white' }).click();
  await page.getByRole('button', { name: 'Lamp 1, green' }).click();
  await expect(page.getByRole('button', { name: 'Hot–neutral lamp: lit' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Neutral–ground lamp: lit' })).toBeVisible();
  await expect(verdict(page)).toContainText('Reads hot and neutral reversed');

  await page.goto('/kit');
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Spare tester', has: page.getByRole('figure') })
    .getByRole('button')
    .click();
  await expect(
    page.getByRole('listitem').filter({ hasText: 'Spare tester', has: page.getByRole('figure') }),
  ).toContainText('In use here');
});
