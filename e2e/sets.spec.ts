import { foldHouse, receptaclesOf } from '@fair-plug/core/log';
import { enUs } from '@fair-plug/core/words';
import { type Browser, expect, type Page } from '@playwright/test';
import { dialog, inHand, newHouse, saved } from './house.ts';
import { test } from './own-firm.ts';

// Two people in one house, both without a network, each putting something on a list and each taking something off it.

const { labels, closeOut } = enUs;

/** A second browser of the firm, with a store of its own. */
async function secondBrowser(page: Page, browser: Browser): Promise<Page> {
  const context = await browser.newContext({ storageState: await page.context().storageState() });
  return context.newPage();
}

interface Both {
  readonly pages: readonly [Page, Page];
  readonly path: string;
}

/** Each does their part without a network; then both have one again, and all of it arrives. */
async function apart(
  { pages, path }: Both,
  parts: readonly [(page: Page) => Promise<void>, (page: Page) => Promise<void>],
): Promise<void> {
  for (const page of pages) await page.context().setOffline(true);
  for (const [at, page] of pages.entries()) {
    await parts[at]?.(page);
    await expect(page.getByText('to send')).toBeVisible();
  }
  for (const page of pages) await page.context().setOffline(false);
  for (const page of pages) await expect(saved(page)).toBeVisible();
  for (const page of pages) await page.goto(path);
}

const onBoth = async ({ pages }: Both, check: (page: Page) => Promise<void>): Promise<void> => {
  for (const page of pages) await check(page);
};

async function opened(
  pages: Both['pages'],
  path: string,
  ready: (page: Page) => Promise<void>,
): Promise<Both> {
  for (const page of pages) {
    await page.goto(path);
    await ready(page);
    await expect(saved(page)).toBeVisible();
  }
  return { pages, path };
}

test('equipment that must not lose power, and alterations', async ({ page, browser, request }) => {
  const { job } = await newHouse(request, { Den: 2 });
  const pages = [page, await secondBrowser(page, browser)] as const;
  const ready = (one: Page) => expect(one.getByRole('heading', { name: 'Property' })).toBeVisible();
  const both = await opened(pages, `/prepare?job=${job}`, ready);
  const power = (one: Page) => one.getByRole('combobox', { name: 'Must not lose power' });
  const add = (equipment: string, year: string, what: string) => async (one: Page) => {
    await power(one).fill(equipment);
    await power(one).press('Enter');
    await one.getByLabel('Year', { exact: true }).fill(year);
    await one.getByLabel('What was done').fill(what);
    await one.getByRole('button', { name: 'Add', exact: true }).first().click();
    await expect(one.getByRole('button', { name: `Remove ${what}` })).toBeVisible();
  };
  const shows = (equipment: readonly string[], work: readonly string[]) => async (one: Page) => {
    await ready(one);
    for (const what of ['oxygen concentrator', 'freezer'])
      await expect(one.getByText(what, { exact: true })).toHaveCount(equipment.includes(what) ? 1 : 0);
    for (const what of ['Kitchen redone', 'Sunroom added'])
      await expect(one.getByRole('button', { name: `Remove ${what}` })).toHaveCount(
        work.includes(what) ? 1 : 0,
      );
  };
  await apart(both, [
    add('oxygen concentrator', '2004', 'Kitchen redone'),
    add('freezer', '1989', 'Sunroom added'),
  ]);
  await onBoth(both, shows(['oxygen concentrator', 'freezer'], ['Kitchen redone', 'Sunroom added']));
  const remove = (equipment: string, what: string) => async (one: Page) => {
    await ready(one);
    const pill = one.locator('.mantine-Pill-root').filter({ hasText: equipment });
    await pill.locator('button').click();
    await one.getByRole('button', { name: `Remove ${what}` }).click();
  };
  // Each takes off what the other put on, and puts on something more.
  await apart(both, [
    async (one) => {
      await remove('freezer', 'Sunroom added')(one);
      await power(one).fill('sump pump');
      await power(one).press('Enter');
    },
    remove('oxygen concentrator', 'Kitchen redone'),
  ]);
  await onBoth(both, async (one) => {
    await shows([], [])(one);
    await expect(one.getByText('sump pump', { exact: true })).toHaveCount(1);
  });
  await pages[1].context().close();
});

test('labels, what is seen, what is dead with a device, and the close-out', async ({
  page,
  browser,
  request,
}) => {
  const { job } = await newHouse(request, { Bath: 4 });
  const pages = [page, await secondBrowser(page, browser)] as const;
  const ready = (one: Page) => expect(inHand(one, 'Bath 1')).toBeVisible();
  const inSheet = async (one: Page, key: string, work: () => Promise<unknown>): Promise<void> => {
    await one
      .getByRole('navigation', { name: 'Rooms' })
      .getByRole('button', { name: /^Bath 1 / })
      .click();
    await ready(one);
    await one.keyboard.press(key);
    await expect(dialog(one)).toBeVisible();
    await work();
    await one.keyboard.press('Escape');
    await expect(dialog(one)).toHaveCount(0);
  };
  // Sheets come to the browser with their first use.
  const both = await opened(pages, `/walk?job=${job}`, async (one) => {
    await ready(one);
    for (const key of ['g', 'o', 'f'])
      await inSheet(one, key, () => expect(dialog(one).locator('label, fieldset').first()).toBeVisible());
  });
  const choice = (one: Page, name: string) => dialog(one).getByRole('button', { name, exact: true });

  interface Part {
    readonly label: string;
    readonly look: string;
    readonly done: string;
    readonly dead: string;
  }
  const parts = [
    { label: labels.protected, look: 'Wet', done: closeOut.freezer, dead: 'Bath 2' },
    { label: labels['no-equipment-ground'], look: 'Cracked or broken', done: closeOut.sump, dead: 'Bath 3' },
  ] as const satisfies readonly Part[];
  /** Puts on each list what is not there, and takes off what is. */
  const turn =
    ({ label, look, done, dead }: Part) =>
    async (one: Page) => {
      await inSheet(one, 'g', async () => {
        await choice(one, label).click();
        await choice(one, 'It trips').click();
        await choice(one, dead).click();
      });
      await inSheet(one, 'o', () => choice(one, look).click());
      await inSheet(one, 'f', () => dialog(one).getByLabel(done).click());
    };
  const shows = (areThere: boolean) => async (one: Page) => {
    const pressed = (name: string) =>
      expect(choice(one, name)).toHaveAttribute('aria-pressed', String(areThere));
    const each = (check: (part: Part) => Promise<void>) => async () => {
      for (const part of parts) await check(part);
    };
    await inSheet(
      one,
      'g',
      each(({ label }) => pressed(label)),
    );
    await inSheet(
      one,
      'o',
      each(({ look }) => pressed(look)),
    );
    await inSheet(
      one,
      'f',
      each(({ done }) => expect(dialog(one).getByLabel(done)).toBeChecked({ checked: areThere })),
    );
  };
  const deadNow = async (): Promise<readonly string[]> => {
    const log = await (await request.get(`/api/jobs/${job}/entries`)).json();
    const house = foldHouse(log.entries);
    const dead = house.wentDead.at(-1)?.dead ?? [];
    return receptaclesOf(house)
      .filter(({ id }) => dead.includes(id))
      .map(({ name }) => name);
  };
  await apart(both, [turn(parts[0]), turn(parts[1])]);
  await onBoth(both, shows(true));
  expect(await deadNow()).toEqual(['Bath 1', 'Bath 2', 'Bath 3']);
  // Each takes off what the other put on.
  await apart(both, [turn(parts[1]), turn(parts[0])]);
  await onBoth(both, shows(false));
  expect(await deadNow()).toEqual(['Bath 1']);
  await pages[1].context().close();
});

test('references that were ticked, and the firm’s wording', async ({ page, browser }) => {
  const pages = [page, await secondBrowser(page, browser)] as const;
  const reference = (one: Page, at: number) =>
    one.getByRole('region', { name: 'References' }).getByRole('checkbox').nth(at);
  const both = await opened(pages, '/settings', (one) => expect(reference(one, 0)).toBeVisible());
  const parts = [
    { at: 1, place: 'Introduction', words: 'What a tester shows is not what is behind it.' },
    { at: 3, place: 'Closing', words: 'Ask us what this means.' },
  ] as const;
  type Part = (typeof parts)[number];
  const turn =
    ({ at, place }: Part, words: string) =>
    async (one: Page) => {
      await reference(one, at).click();
      await one.getByLabel(place, { exact: true }).fill(words);
      await one.getByLabel(place, { exact: true }).blur();
    };
  const shows = (areThere: boolean) => async (one: Page) => {
    for (const { at, place, words } of parts) {
      await expect(reference(one, at)).toBeChecked({ checked: areThere });
      await expect(one.getByLabel(place, { exact: true })).toHaveValue(areThere ? words : '');
    }
  };
  await apart(both, [turn(parts[0], parts[0].words), turn(parts[1], parts[1].words)]);
  await onBoth(both, shows(true));
  await apart(both, [turn(parts[1], ''), turn(parts[0], '')]);
  await onBoth(both, shows(false));
  await pages[1].context().close();
});
