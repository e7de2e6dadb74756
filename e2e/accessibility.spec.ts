import AxeBuilder from '@axe-core/playwright';
import { expect, type Page, test } from '@playwright/test';
import { newHouse, verdict } from './house.ts';

async function seriousViolations(page: Page) {
  const { violations } = await new AxeBuilder({ page }).analyze();
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html.slice(0, 120)).join(' | ')}`);
}

const settings = [
  { colorScheme: 'light', viewport: { width: 1280, height: 800 } },
  { colorScheme: 'dark', viewport: { width: 390, height: 844 } },
] as const;

for (const setting of settings)
  test.describe(`${setting.colorScheme}, ${setting.viewport.width} wide`, () => {
    test.use(setting);

    test('no view has a serious violation', async ({ page, request }) => {
      test.setTimeout(120_000);
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

      await page.goto(`/report?job=${job}`);
      await expect(page.getByRole('article')).toBeVisible();
      expect(await seriousViolations(page), 'report').toEqual([]);

      await page.goto('/kit');
      await expect(page.getByRole('heading', { name: 'What this kit cannot see' })).toBeVisible();
      expect(await seriousViolations(page), 'kit, the bag').toEqual([]);
      await page.getByRole('button', { name: 'Set up a tester' }).click();
      expect(await seriousViolations(page), 'kit').toEqual([]);

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
      if (!(element instanceof HTMLElement)) return null;
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
