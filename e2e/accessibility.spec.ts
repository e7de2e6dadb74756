import { expect } from '@playwright/test';
import { expectNoViolation } from './axe.ts';
import { newHouse, status, verdict } from './house.ts';
import { test } from './own-firm.ts';

/** Of the walk: one for each sheet. */
const sheetKeys = ['g', 'o', 't', 'n', 'c', 'b', 'w', 'e', 'h', 'p', 'f'] as const;

test.describe('no view has a serious violation:', () => {
  test('jobs and the walk', async ({ page, request }) => {
    const { job, address } = await newHouse(request, { Den: 2 });
    await page.goto('/');
    await expect(page.getByRole('link', { name: address })).toBeVisible();
    await expectNoViolation(page, 'jobs');
    await page.getByRole('button', { name: 'New job' }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    await expectNoViolation(page, 'new job');

    await page.goto(`/walk?job=${job}`);
    await expect(page.getByRole('heading', { name: 'Den 1' })).toBeVisible();
    await expectNoViolation(page, 'walk, not read');
    await page.keyboard.press('3');
    await expect(verdict(page).getByRole('heading', { name: 'Open neutral' })).toBeVisible();
    await expectNoViolation(page, 'walk, read');
    await page.getByRole('button', { name: 'Hot–ground lamp' }).click();
    await expectNoViolation(page, 'walk, a dim lamp not recorded');
  });

  test('the sheets of the walk', async ({ page, request }) => {
    const { job } = await newHouse(request, { Den: 2 });
    await page.goto(`/walk?job=${job}`);
    await expect(page.getByRole('heading', { name: 'Den 1' })).toBeVisible();
    await page.keyboard.press('3');
    await page.keyboard.press('m');
    await expect(page.getByRole('dialog')).toBeVisible();
    await expectNoViolation(page, 'walk, entering a reading');
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
    for (const key of sheetKeys) {
      await page.keyboard.press(key);
      await expect(page.getByRole('dialog')).toBeVisible();
      await expectNoViolation(page, `walk, sheet ${key}`, '[role="dialog"]');
      await page.keyboard.press('Escape');
      await expect(page.getByRole('dialog')).toHaveCount(0);
    }
  });

  test('prepare, findings, report', async ({ page, request }) => {
    const { job } = await newHouse(request, { Den: 2 });
    await page.goto(`/walk?job=${job}`);
    await expect(page.getByRole('heading', { name: 'Den 1' })).toBeVisible();
    await page.keyboard.press('3');
    await expect(status(page, 'Recorded: Den 1')).toBeVisible();

    await page.goto(`/prepare?job=${job}`);
    await expect(page.getByRole('figure').last()).toBeVisible();
    await expectNoViolation(page, 'prepare');

    await page.goto(`/findings?job=${job}`);
    await expect(page.getByRole('region', { name: 'Current finding' })).toBeVisible();
    await expectNoViolation(page, 'findings');
    await page.keyboard.press('e');
    await expect(page.getByRole('dialog')).toBeVisible();
    await expectNoViolation(page, 'findings, editing', '[role="dialog"]');

    await page.goto(`/report?job=${job}`);
    await expect(page.getByRole('article')).toBeVisible();
    await expectNoViolation(page, 'report');
  });

  test('settings, kit, people, the account', async ({ page }) => {
    await page.goto('/settings');
    await expect(page.getByRole('heading', { name: 'Wording' })).toBeVisible();
    await expectNoViolation(page, 'settings');

    await page.goto('/kit');
    await expect(page.getByRole('heading', { name: 'What this kit cannot see' })).toBeVisible();
    await expectNoViolation(page, 'kit, the bag');
    await page.getByRole('button', { name: 'Set up a tester' }).click();
    await expectNoViolation(page, 'kit');

    await page.goto('/people');
    await page.getByRole('button', { name: 'Make a link' }).click();
    await expect(page.getByText('It is not shown again.')).toBeVisible();
    await expectNoViolation(page, 'people');
    await page.getByRole('button', { name: /^Account of/ }).click();
    await expect(page.getByRole('menu')).toBeVisible();
    await expectNoViolation(page, 'the account menu');
  });

  test('the pages before the door, and the bench', async ({ page }) => {
    for (const path of ['/account', '/sign-in', '/first-run', '/forgotten', '/new-password', '/join']) {
      await page.goto(path);
      await page.getByRole('heading', { level: 1 }).waitFor();
      await expectNoViolation(page, path);
    }
    await page.goto('/bench');
    await expect(page.getByRole('heading', { name: 'den-2' })).toBeVisible();
    await expectNoViolation(page, 'bench');
    await page.getByRole('button', { name: 'Diagnose this' }).click();
    await page.getByRole('button', { name: 'Plug-in lamps' }).click();
    await expect(page.getByRole('heading', { name: 'Diagnosis' })).toBeVisible();
    await expectNoViolation(page, 'bench, diagnosing');
  });
});

test('every control of the walk is reached with the tab key and shows where the focus is', async ({
  page,
  request,
}) => {
  const { job } = await newHouse(request, { Den: 1 });
  await page.goto(`/walk?job=${job}`);
  await expect(page.getByRole('heading', { name: 'Den 1' })).toBeVisible();
  const controls = await page
    .locator('a:visible, button:enabled:visible, input:visible, summary:visible, [tabindex="0"]:visible')
    .evaluateAll((all) => all.filter((one) => (one as HTMLElement).tabIndex >= 0).length);
  const reached = new Set<string>();
  for (let step = 0; step < controls; step += 1) {
    await page.keyboard.press('Tab');
    const focus = await page.evaluate(() => {
      const element = document.activeElement;
      if (!(element instanceof HTMLElement || element instanceof SVGElement)) return null;
      const { outlineStyle, outlineWidth } = getComputedStyle(element);
      const label = element instanceof HTMLInputElement ? element.labels?.[0]?.textContent : null;
      return {
        name: `${element.tagName} ${label ?? element.getAttribute('aria-label') ?? element.textContent}`,
        outlineStyle,
        outlineWidth,
      };
    });
    expect(focus?.outlineStyle, focus?.name).not.toBe('none');
    if (focus) reached.add(focus.name);
  }
  expect(reached.size).toBe(controls);
});
