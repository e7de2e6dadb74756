import AxeBuilder from '@axe-core/playwright';
import { expect, type Page, test } from '@playwright/test';
import { newHouse, verdict } from './house.ts';

async function seriousViolations(page: Page, within?: string) {
  const axe = new AxeBuilder({ page });
  const { violations } = await (within === undefined ? axe : axe.include(within)).analyze();
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html.slice(0, 120)).join(' | ')}`);
}

/** Of the walk: one for each sheet. */
const sheetKeys = ['g', 'o', 't', 'n', 'c', 'b', 'w', 'e', 'h', 'p', 'f'] as const;

const settings = [
  { colorScheme: 'light', viewport: { width: 1280, height: 800 } },
  { colorScheme: 'dark', viewport: { width: 390, height: 844 } },
] as const;

for (const setting of settings)
  test.describe(`${setting.colorScheme}, ${setting.viewport.width} wide`, () => {
    test.use(setting);

    test('no view has a serious violation', async ({ page, request }) => {
      test.setTimeout(240_000);
      const { job } = await newHouse(request, { Den: 2 });
      await page.goto('/');
      await expect(page.getByRole('link', { name: '27 Lantern Hollow, Quillmere' })).toBeVisible();
      expect(await seriousViolations(page), 'jobs').toEqual([]);
      await page.getByRole('button', { name: 'New job' }).click();
      await expect(page.getByRole('dialog')).toBeVisible();
      await page.waitForTimeout(400);
      expect(await seriousViolations(page), 'new job').toEqual([]);

      await page.goto(`/walk?job=${job}`);
      await expect(page.getByRole('heading', { name: 'Den 1' })).toBeVisible();
      expect(await seriousViolations(page), 'walk, not read').toEqual([]);
      await page.keyboard.press('3');
      await expect(verdict(page).getByRole('heading', { name: 'Open neutral' })).toBeVisible();
      expect(await seriousViolations(page), 'walk, read').toEqual([]);
      await page.getByRole('button', { name: 'Hot–ground lamp' }).click();
      expect(await seriousViolations(page), 'walk, a dim lamp not recorded').toEqual([]);

      await page.keyboard.press('Escape');
      await page.keyboard.press('m');
      await expect(page.getByRole('dialog')).toBeVisible();
      await page.waitForTimeout(400);
      expect(await seriousViolations(page), 'walk, entering a reading').toEqual([]);

      await page.keyboard.press('Escape');
      await expect(page.getByRole('dialog')).toHaveCount(0);
      for (const key of sheetKeys) {
        await page.keyboard.press(key);
        await expect(page.getByRole('dialog')).toBeVisible();
        await page.waitForTimeout(400);
        expect(await seriousViolations(page, '[role="dialog"]'), `walk, sheet ${key}`).toEqual([]);
        await page.keyboard.press('Escape');
        await expect(page.getByRole('dialog')).toHaveCount(0);
      }

      await page.goto(`/prepare?job=${job}`);
      await expect(page.getByRole('figure').last()).toBeVisible();
      expect(await seriousViolations(page), 'prepare').toEqual([]);

      await page.goto(`/findings?job=${job}`);
      await expect(page.getByRole('region', { name: 'Finding in hand' })).toBeVisible();
      expect(await seriousViolations(page), 'findings').toEqual([]);
      await page.keyboard.press('e');
      await expect(page.getByRole('dialog')).toBeVisible();
      await page.waitForTimeout(400);
      expect(await seriousViolations(page, '[role="dialog"]'), 'findings, editing').toEqual([]);

      await page.goto('/settings');
      await expect(page.getByRole('heading', { name: 'Wording' })).toBeVisible();
      expect(await seriousViolations(page), 'settings').toEqual([]);

      await page.goto(`/report?job=${job}`);
      await expect(page.getByRole('article')).toBeVisible();
      expect(await seriousViolations(page), 'report').toEqual([]);

      await page.goto('/kit');
      await expect(page.getByRole('heading', { name: 'What this kit cannot see' })).toBeVisible();
      expect(await seriousViolations(page), 'kit, the bag').toEqual([]);
      await page.getByRole('button', { name: 'Set up a tester' }).click();
      expect(await seriousViolations(page), 'kit').toEqual([]);

      await page.goto('/people');
      await page.getByRole('button', { name: 'Make a link' }).click();
      await expect(page.getByText('It is not shown again.')).toBeVisible();
      expect(await seriousViolations(page), 'people').toEqual([]);
      await page.getByRole('button', { name: /^Account of/ }).click();
      await page.waitForTimeout(400);
      expect(await seriousViolations(page), 'the account menu').toEqual([]);
      for (const path of ['/account', '/sign-in', '/first-run', '/forgotten', '/new-password', '/join']) {
        await page.goto(path);
        await page.getByRole('heading', { level: 1 }).waitFor();
        expect(await seriousViolations(page), path).toEqual([]);
      }

      await page.goto('/bench');
      await expect(page.getByRole('heading', { name: 'den-2' })).toBeVisible();
      expect(await seriousViolations(page), 'bench').toEqual([]);
      await page.getByRole('button', { name: 'Diagnose this' }).click();
      await page.getByRole('button', { name: 'Plug-in lamps' }).click();
      await expect(page.getByRole('heading', { name: 'Diagnosis' })).toBeVisible();
      expect(await seriousViolations(page), 'bench, diagnosing').toEqual([]);
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
