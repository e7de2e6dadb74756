import type { Page } from '@playwright/test';

/** Parts of the screen of circuits. */
export const list = (page: Page) => page.getByRole('navigation', { name: 'Circuits' });
export const cause = (page: Page) => page.getByRole('region', { name: 'Cause', exact: true });
export const view = (page: Page, name: string) =>
  page.getByRole('radiogroup', { name: 'View' }).getByText(name, { exact: true });
export const graph = (page: Page) => page.getByRole('region', { name: 'The house from its panel' });
