import { expect, type Page } from '@playwright/test';
import { v7 } from 'uuid';
import { lampsOf } from '../core/instruments/index.ts';
import { dialog, entry, moveToTop, newHouse, saved } from './house.ts';
import { test } from './own-firm.ts';

const inHand = (page: Page) => page.getByRole('region', { name: 'Current finding' });
const list = (page: Page) => page.getByRole('navigation', { name: 'Findings' });

/** A den whose first receptacles read reversed, and one that reads open ground. */
async function miswiredDen(request: Parameters<typeof newHouse>[0]) {
  const room = v7();
  const ids = [v7(), v7(), v7(), v7()] as const;
  const { job } = await newHouse(request, {}, [
    { kind: 'job-described', groundedWiring: true },
    { kind: 'room-described', room, name: 'Den' },
    ...ids.map(
      (receptacle, n) => ({ kind: 'receptacle-described', receptacle, room, name: `Den ${n + 1}` }) as const,
    ),
    { kind: 'lamps-read', receptacle: ids[0], lamps: lampsOf('hn-ng') },
    { kind: 'lamps-read', receptacle: ids[1], lamps: lampsOf('hn-ng') },
    { kind: 'lamps-read', receptacle: ids[2], lamps: lampsOf('hn') },
  ]);
  return { job, ids };
}

test('the whole work on findings by keyboard: taken, accepted, edited, refused; the report follows', async ({
  page,
  request,
}) => {
  const { job } = await miswiredDen(request);
  await page.goto(`/findings?job=${job}`);
  await expect(inHand(page).getByRole('heading', { name: /Reads hot and neutral reversed/ })).toBeVisible();
  await expect(inHand(page)).toContainText('Evidence (2)');
  await expect(inHand(page)).toContainText('Den 1, Den 2');
  await page.keyboard.press('a');
  await expect(list(page).getByRole('button', { name: /reversed.*accepted/ })).toBeVisible();
  await expect(inHand(page).getByRole('heading', { name: /Reads open ground/ })).toBeVisible();
  await page.keyboard.press('e');
  await dialog(page).getByLabel('Headline').fill('No ground at the desk');
  await expect(dialog(page)).toContainText('As proposed: Reads open ground');
  await page.keyboard.press('Enter');
  await expect(inHand(page).getByRole('heading', { name: /No ground at the desk/ })).toBeVisible();
  await expect(inHand(page)).toContainText('Worded by hand: headline');
  await page.keyboard.press('ArrowDown');
  await expect(inHand(page).getByRole('heading', { name: /Testers not checked/ })).toBeVisible();
  await page.keyboard.press('x');
  await dialog(page).getByLabel('Why is it no finding?').fill('Checked in the van');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(inHand(page)).toContainText('Refused: Checked in the van');
  await expect(saved(page)).toBeVisible();
  await page.goto(`/report?job=${job}`);
  const report = page.getByRole('article');
  await expect(report).toContainText('No ground at the desk');
  await expect(report.getByRole('heading', { name: /Testers not checked/ })).toHaveCount(0);
});

test('a later reading raises a flag on what was accepted, and changes nothing by itself', async ({
  page,
  request,
}) => {
  const { job, ids } = await miswiredDen(request);
  await page.goto(`/findings?job=${job}`);
  await expect(inHand(page).getByRole('heading', { name: /Reads hot and neutral reversed/ })).toBeVisible();
  await page.keyboard.press('a');
  await expect(list(page).getByRole('button', { name: /reversed.*accepted/ })).toBeVisible();
  await expect(saved(page)).toBeVisible();
  const later = [
    entry({ kind: 'lamps-read', receptacle: ids[1], lamps: lampsOf('hn-hg') }),
    entry({ kind: 'lamps-read', receptacle: ids[3], lamps: lampsOf('hn-ng') }),
  ];
  expect((await request.post(`/api/jobs/${job}/entries`, { data: { entries: later } })).ok()).toBe(true);
  await list(page)
    .getByRole('button', { name: /reversed.*changed since/ })
    .click();
  await expect(inHand(page)).toContainText('Since then also at Den 4.');
  await expect(inHand(page)).toContainText('No longer at Den 2.');
  await expect(inHand(page)).toContainText('Den 1, Den 2');
  await inHand(page).getByRole('button', { name: 'Take over what is read now' }).click();
  await expect(inHand(page)).toContainText('Den 1, Den 4');
});

test('split, merged, taken apart, put in another order, and one added by hand', async ({ page, request }) => {
  const { job } = await miswiredDen(request);
  await page.goto(`/findings?job=${job}`);
  await inHand(page).getByRole('button', { name: 'Split …' }).click();
  await dialog(page).getByLabel('Den 2').check();
  await dialog(page).getByRole('button', { name: 'Split off' }).click();
  const reversed = list(page).getByRole('button', { name: /^\d Reads hot and neutral reversed/ });
  await expect(reversed).toHaveCount(2);
  await inHand(page).getByRole('button', { name: 'Merge …' }).click();
  await dialog(page)
    .getByRole('button', { name: /Reads open ground/ })
    .click();
  await list(page)
    .getByRole('button', { name: /Reads open ground.*2 receptacles/ })
    .click();
  await expect(inHand(page)).toContainText('Reported as part of it');
  await inHand(page).getByRole('button', { name: 'Take apart' }).click();
  await expect(inHand(page).getByText('Reported as part of it')).toHaveCount(0);
  await moveToTop(page, list(page), 'Reads open ground');
  await expect(list(page).getByRole('button', { name: /^1 Reads open ground/ })).toBeVisible();
  await list(page).getByRole('button', { name: 'Add a finding' }).click();
  await dialog(page).getByLabel('Headline').fill('Cord through the wall');
  await dialog(page).getByLabel('What is wrong').fill('A cord runs through the wall.');
  await dialog(page).getByLabel('Why it matters').fill('It chafes and burns.');
  await dialog(page).getByRole('button', { name: 'Add', exact: true }).click();
  await expect(
    list(page)
      .getByRole('button', { name: /Cord through the wall/ })
      .last(),
  ).toBeVisible();
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

  test('a finding that is tapped comes in sight, and nothing scrolls sideways', async ({ page, request }) => {
    const { job } = await miswiredDen(request);
    await page.goto(`/findings?job=${job}`);
    await list(page)
      .getByRole('button', { name: /Reads open ground/ })
      .last()
      .tap();
    await expect(inHand(page).getByRole('heading', { name: /Reads open ground/ })).toBeInViewport();
    const overflow = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect(overflow).toBeLessThanOrEqual(0);
  });
});
