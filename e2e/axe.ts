import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';

const settings = [
  { colorScheme: 'light', size: { width: 1280, height: 800 } },
  { colorScheme: 'dark', size: { width: 390, height: 844 } },
] as const;

/** Looks at what is shown by day on a desk and by night on a phone. */
export async function expectNoViolation(page: Page, view: string, within?: string): Promise<void> {
  for (const { colorScheme, size } of settings) {
    await page.emulateMedia({ colorScheme, reducedMotion: 'reduce' });
    await page.setViewportSize(size);
    // Legacy mode: all in the page itself, which has no frames.
    const axe = new AxeBuilder({ page })
      .setLegacyMode()
      .options({ resultTypes: ['violations'], preload: false });
    const { violations } = await (within === undefined ? axe : axe.include(within)).analyze();
    const serious = violations
      .filter(({ impact }) => impact === 'serious' || impact === 'critical')
      .map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html.slice(0, 120)).join(' | ')}`);
    expect(serious, `${view}, ${colorScheme}, ${size.width} wide`).toEqual([]);
  }
}
