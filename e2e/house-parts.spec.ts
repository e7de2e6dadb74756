import { foldHouse, hotSpotsOf, panelsOf, pointsOf } from '@fair-plug/core/log';
import { devices, expect, type Page } from '@playwright/test';
import { dialog, inHand, newHouse, saved } from './house.ts';
import { test } from './own-firm.ts';

// A house of 1972, walked with all that is no receptacle: by keyboard, and on a phone without a network by two people.

const field = (page: Page, name: string) => dialog(page).getByLabel(name, { exact: true });
const key = (page: Page, name: string | RegExp) => dialog(page).getByRole('button', { name });
const chosen = (page: Page, group: string, value: string) =>
  dialog(page).getByRole('radiogroup', { name: group }).getByText(value, { exact: true });

/** Opens a sheet by its key and leaves it with Escape. */
async function inSheet(page: Page, letter: string, work: () => Promise<void>): Promise<void> {
  await page.keyboard.press(letter);
  await expect(dialog(page).getByRole('button', { name: 'Done' })).toBeVisible();
  await work();
  await page.keyboard.press('Escape');
  await expect(dialog(page)).toHaveCount(0);
}

async function type(page: Page, name: string, text: string): Promise<void> {
  await field(page, name).focus();
  await page.keyboard.type(text);
  await page.keyboard.press('Enter');
}

const houseOf = async (page: Page, job: string) => {
  const { entries } = await (await page.request.get(`/api/jobs/${job}/entries`)).json();
  return foldHouse(entries);
};

test('by keyboard: panel, aluminum, heat, switches and lights; then findings and the report', async ({
  page,
  request,
}) => {
  const { job } = await newHouse(request, { Den: 2 }, [{ kind: 'job-described', yearBuilt: 1972 }]);
  await page.goto(`/walk?job=${job}`);
  await expect(inHand(page, 'Den 1')).toBeVisible();

  await inSheet(page, 'd', async () => {
    await key(page, '+ Main panel').press('Enter');
    await dialog(page)
      .getByLabel(/its cover is off/)
      .press('Space');
    await expect(dialog(page).getByLabel(/its cover is off/)).toBeDisabled();
    // A line of the directory, Enter after Enter; a number alone is none, and 0 A is said to be none.
    await type(page, 'Feeds, as it says', 'Bedrooms');
    await expect(dialog(page).getByRole('heading', { name: 'Directory: 1' })).toBeVisible();
    await field(page, 'Metal').selectOption('Aluminum');
    await field(page, 'Size').selectOption('12 AWG');
    await dialog(page).getByLabel('Rated').last().fill('0');
    await expect(dialog(page).getByText('From 1 to 400')).toBeVisible();
    await dialog(page).getByLabel('Rated').last().fill('20');
    await dialog(page).getByLabel('Rated').last().press('Enter');
    await expect(dialog(page).getByText('at most 15 A for this conductor')).toBeVisible();
    await chosen(page, 'A loose neutral', 'Seen').click();
  });

  await inSheet(page, 'y', async () => {
    await chosen(page, 'In a jacket in the basement', 'Not found').click();
  });

  await inSheet(page, 'r', async () => {
    await key(page, '+ Spot').press('Enter');
    await type(page, 'This spot', '270');
    await type(page, 'A similar one', '35');
    await expect(dialog(page).getByRole('status')).toContainText('Major deficiency');
    const file = (text: string) => ({ name: 't.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
    const input = dialog(page).locator('input[type=file][accept*=csv]');
    await input.setInputFiles(file('C,1\n21,hot\n'));
    await expect(dialog(page).getByText('Line 2, column 2: “hot” is no number.')).toBeVisible();
    await input.setInputFiles(file('C,1\n21,22\n23,64\n'));
    await expect(dialog(page).getByRole('img', { name: /thermal picture, 21 to 64 °C/ })).toBeVisible();
  });

  await inSheet(page, 'i', async () => {
    await key(page, /One light, several switches/).press('Enter');
    for (const [at, lit] of [
      ['up – up', 'Light on'],
      ['down – up', 'Off'],
      ['up – down', 'Off'],
      ['down – down', 'Off'],
    ] as const)
      await chosen(page, at, lit).click();
    await expect(dialog(page).getByRole('status')).toContainText('a traveler that is open');
    await key(page, /Dimmer/)
      .first()
      .press('Enter');
    await type(page, 'On it', '700');
    await type(page, 'Rated', '600');
    await expect(dialog(page).getByRole('status')).toContainText('700 W on a dimmer that may carry 600 W');
    await key(page, /Lampholder/)
      .first()
      .press('Enter');
    await type(page, 'Switch on', '0.2');
    await type(page, 'Switch off', '118');
    await expect(dialog(page).getByRole('status')).toContainText('the switch breaks the neutral');
  });
  // At the receptacle: what surrounds it, what its box shows, and an adapter with its tab.
  await inSheet(page, 'o', () => key(page, 'Splice outside a box').press('Enter'));
  await page.keyboard.press('c');
  await dialog(page)
    .getByLabel(/^I am qualified/)
    .press('Space');
  await key(page, /^Aluminum$/).press('Enter');
  await field(page, 'Remedy found there').selectOption('Twist-on listed for aluminum to copper');
  await field(page, 'A conductor is nicked or snapped').press('Space');
  await field(page, 'Year on the jacket').fill('1972');
  await key(page, 'Record').press('Enter');
  await expect(dialog(page)).toHaveCount(0);
  await inSheet(page, 't', async () => {
    await field(page, 'A three-to-two adapter is in use').press('Space');
    await key(page, 'Its tab holds no ground').press('Enter');
  });
  await expect(saved(page)).toBeVisible();

  await page.goto(`/findings?job=${job}`);
  for (const headline of [
    'Aluminum branch wiring',
    'Conductor smaller than its breaker allows',
    'Panel: a loose neutral',
    'Splice outside a box',
    'A nicked or snapped conductor',
    'Three-to-two adapters in use',
    /^.*Heat at Spot 1: major deficiency/,
    /Den light 1: the light does not answer/,
    /Den dimmer 1: 700 W/,
    /Den lampholder 1: the switch breaks the neutral/,
  ])
    await expect(page.getByText(headline).first()).toBeVisible();

  await page.goto(`/report?job=${job}`);
  for (const heading of ['Panel and wiring', 'Switches and lights', 'Heat'])
    await expect(page.getByRole('heading', { name: heading, exact: true })).toBeVisible();
  await expect(page.getByText('Aluminum looked for: a jacket in the basement: not found.')).toBeVisible();
  await expect(page.getByText('Den 1: jacket of 1972, twist-on listed for aluminum to copper')).toBeVisible();
  await expect(page.getByText('Den 1: adapter in use. Its tab holds no ground.')).toBeVisible();
});

test('on phones, two people without a network: what each entered is there for both', async ({
  page: first,
  browser,
  request,
}) => {
  const { job } = await newHouse(request, { Den: 1 }, [{ kind: 'job-described', yearBuilt: 1972 }]);
  const path = `/walk?job=${job}`;
  const phone = async (): Promise<Page> =>
    (
      await browser.newContext({ ...devices['Pixel 5'], storageState: await first.context().storageState() })
    ).newPage();
  const pages = [await phone(), await phone()] as const;
  const sheet = async (page: Page, name: RegExp, work: () => Promise<void>): Promise<void> => {
    const elsewhere = page.getByRole('region', { name: 'Elsewhere in the house' });
    if (!(await elsewhere.isVisible())) await page.getByText('More here, and elsewhere').tap();
    await elsewhere.getByRole('button', { name }).tap();
    await expect(key(page, 'Done')).toBeVisible();
    await work();
    await key(page, 'Done').tap();
    await expect(dialog(page)).toHaveCount(0);
  };
  for (const page of pages) {
    await page.goto(path);
    await expect(saved(page).first()).toBeVisible();
    // Sheets come to the browser with their first use.
    for (const name of [/^Panel/, /^Switches/, /^Heat/, /^Aluminum/]) await sheet(page, name, async () => {});
    await page.context().setOffline(true);
  }
  const [one, other] = pages;
  await sheet(one, /^Panel/, async () => {
    await key(one, '+ Main panel').tap();
    await chosen(one, 'Rust or water', 'Seen').tap();
  });
  await sheet(one, /^Aluminum/, () => chosen(one, 'In a jacket in the attic', 'Seen').tap());
  await sheet(other, /^Switches/, async () => {
    await key(other, /^1?Switch$/).tap();
    await key(other, 'Crackles').tap();
  });
  await sheet(other, /^Heat/, async () => {
    await dialog(other).getByLabel('Range').tap();
    await key(other, '+ Spot').tap();
  });
  await sheet(other, /^Aluminum/, () => chosen(other, 'In a jacket in the basement', 'Not found').tap());
  for (const page of pages) await page.context().setOffline(false);
  for (const page of pages) await expect(saved(page).first()).toBeVisible();
  const house = await houseOf(first, job);
  expect(panelsOf(house)).toMatchObject([{ panelKind: 'main', checks: { rust: 'seen' } }]);
  expect(pointsOf(house)).toMatchObject([{ name: 'Den switch 1', signs: ['crackling'] }]);
  expect(hotSpotsOf(house)).toHaveLength(1);
  expect(house.parts).toMatchObject({
    loadPlan: [{ load: 'range' }],
    aluminumSought: { attic: { found: true }, basement: { found: false } },
  });
  for (const page of pages) await page.context().close();
});
