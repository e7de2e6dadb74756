import { expect, type Page } from '@playwright/test';
import { inHand, moveToTop, newHouse, saved, status } from './house.ts';
import { test } from './own-firm.ts';

const section = (page: Page, name: string) => page.getByRole('region', { name });

test('the house is described, and what to expect follows its years', async ({ page, request }) => {
  const { job } = await newHouse(request, { Den: 2 });
  await page.goto(`/prepare?job=${job}`);
  const property = section(page, 'Property');
  const year = property.getByLabel('Year built');
  await year.fill('19660');
  await year.press('Enter');
  await expect(property).toContainText('From 1700 to 2100');
  await year.fill('1954');
  await property.getByLabel('Year built').press('Enter');
  const expected = section(page, 'What to expect');
  await expect(expected).toContainText('Two-wire cable, no ground');
  await property.getByLabel('Year', { exact: true }).fill('2004');
  await property.getByLabel('What was done').fill('Kitchen redone');
  await property.getByLabel('What was done').press('Enter');
  await expect(expected).toContainText('look for jumpers from neutral to ground');
  await expect(expected.getByRole('img')).toHaveAccessibleName(/built 1954, Kitchen redone 2004/);
  await property.getByLabel('May breakers be switched?').selectOption('Yes');
  await property.getByLabel('Must not lose power').fill('freezer');
  await property.getByLabel('Must not lose power').press('Enter');
  await section(page, 'As found').getByLabel('Breakers found off').fill('16');
  await section(page, 'As found').getByLabel('Breakers found off').press('Enter');
  await expect(saved(page)).toBeVisible();
  await page.reload();
  await expect(property.getByLabel('Year built')).toHaveValue('1954');
  await expect(property).toContainText('freezer');
  await expect(section(page, 'As found').getByLabel('Breakers found off')).toHaveValue('16');
});

test('the words follow the region', async ({ page, request }) => {
  const { job } = await newHouse(request, { Den: 1 });
  await page.goto(`/prepare?job=${job}`);
  await page.getByLabel('Region').selectOption('United Kingdom, 230 V');
  await expect(section(page, 'Property')).toContainText('216.2 to 253 V');
  await page.goto(`/walk?job=${job}`);
  await expect(inHand(page, 'Den 1')).toBeVisible();
  await page.keyboard.press('4');
  await expect(page.getByRole('region', { name: 'Verdict' })).toContainText('Reads open earth');
});

test('rooms from a template, put in order by keyboard, stand so in the walk; own ones can be saved', async ({
  page,
  request,
}) => {
  const { job } = await newHouse(request, { Den: 1 });
  await page.goto(`/prepare?job=${job}`);
  const rooms = section(page, 'Rooms, in the order of the walk');
  await rooms.getByRole('button', { name: /^Apartment/ }).click();
  await expect(rooms.getByRole('listitem')).toHaveCount(6);
  await rooms.getByLabel('Receptacles expected in Den').fill('3');
  await rooms.getByLabel('Receptacles expected in Den').press('Enter');
  await moveToTop(page, rooms, 'Bedroom');
  await expect(rooms.getByRole('listitem').first().getByLabel('Name of Bedroom')).toBeVisible();
  const name = `Loft ${Date.now()}`;
  await rooms.getByLabel('Save these rooms as a template').fill(name);
  await rooms.getByRole('button', { name: 'Save' }).click();
  await expect(rooms.getByRole('button', { name: `${name} · 6` })).toBeVisible();
  await page.goto(`/walk?job=${job}`);
  await expect(page.getByRole('navigation', { name: 'Rooms' }).getByRole('listitem').first()).toContainText(
    'Bedroom',
  );
});

test('the plan says what a sample would miss: 24 of 60, three bad, 20.9 %', async ({ page, request }) => {
  const { job } = await newHouse(request, { Hall: 30, Den: 30 });
  await page.goto(`/prepare?job=${job}`);
  const plan = section(page, 'How many to test');
  await plan.getByText('A sample').click();
  const slider = plan.getByRole('slider');
  await slider.focus();
  await page.keyboard.press('Home');
  for (let step = 1; step < 24; step += 1) await page.keyboard.press('ArrowRight');
  await expect(plan).toContainText('24 of 60');
  await expect(plan).toContainText('20.9 %');
  await expect(plan.getByRole('figure')).toHaveAccessibleName(/Chance of missing/);
});

test('a walk with a tester that was not proved says so; one that fails afterwards puts its readings in doubt', async ({
  page,
  request,
}) => {
  const { job } = await newHouse(request, { Den: 2 });
  await page.goto(`/walk?job=${job}`);
  await expect(inHand(page, 'Den 1')).toBeVisible();
  const unproved = page.getByRole('button', { name: 'Tester not checked in this house' });
  await expect(unproved).toBeVisible();
  await page.keyboard.press('p');
  await page
    .getByRole('button', { name: /shows it good$/ })
    .first()
    .click();
  await expect(page.getByRole('dialog')).toContainText('checked before, not yet after');
  await page.keyboard.press('Escape');
  await expect(unproved).toHaveCount(0);
  await page.keyboard.press('1');
  await expect(inHand(page, 'Den 2')).toBeVisible();
  await page.keyboard.press('f');
  await page
    .getByRole('button', { name: / failed$/ })
    .first()
    .click();
  await expect(page.getByRole('dialog')).toContainText(
    '1 reading since the last good function check in doubt',
  );
  await page.keyboard.press('Escape');
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('region', { name: 'Verdict' })).toContainText('read it again with a good one');
  await page.goto(`/report?job=${job}`);
  await expect(page.getByRole('article')).toContainText('In doubt: the tester failed afterwards');
  await expect(page.getByRole('article')).toContainText('failed its function check');
  await expect(status(page, 'Recorded')).toHaveCount(0);
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  test('nothing scrolls sideways but the time line', async ({ page, request }) => {
    const { job } = await newHouse(request, { Den: 2, 'Main bedroom': 6 });
    await page.goto(`/prepare?job=${job}`);
    await expect(section(page, 'Property')).toBeVisible();
    await expect(page.getByRole('figure').last()).toBeVisible();
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  });
});
