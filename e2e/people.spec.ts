import { readFileSync } from 'node:fs';
import { type Browser, expect, type Page } from '@playwright/test';
import { inHand, newHouse, pause, saved } from './house.ts';
import { test } from './own-firm.ts';

const nobody = { cookies: [], origins: [] };
const password = 'a long password';

const withMenu = async (page: Page, item: string): Promise<void> => {
  await page.getByRole('button', { name: /^Account of/ }).click();
  await page.getByRole('menuitem', { name: item }).click();
};

/** A link that the owner makes for a part. */
async function linkFor(page: Page, part: string): Promise<string> {
  await page.goto('/people');
  await page.getByLabel('As', { exact: true }).selectOption(part);
  await page.getByRole('button', { name: 'Make a link' }).click();
  return page.getByRole('status').locator('code').innerText();
}

/** Somebody new, in a browser of their own, who has joined by a link. */
async function newcomer(browser: Browser, link: string, name: string, email: string): Promise<Page> {
  const context = await browser.newContext({ storageState: nobody });
  const page = await context.newPage();
  await page.clock.install();
  await page.goto(link);
  await page.getByLabel('Your name').fill(name);
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('New password').fill(password);
  await page.getByRole('button', { name: 'Join' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Jobs' })).toBeVisible();
  return page;
}

const uniqueEmail = (): string => `${Date.now()}-${Math.random().toString(36).slice(2)}@example.invalid`;

test('an inspector from the invitation to signing out: works, is signed out on the way, leaves nothing behind', async ({
  page,
  browser,
  request,
}) => {
  const { job, address } = await newHouse(request, { Den: 4 });
  const email = uniqueEmail();
  const theirs = await newcomer(browser, await linkFor(page, 'inspector'), 'Ines Corrow', email);

  await test.step('an entry in somebody else’s name is refused, unless an owner hands it in', async () => {
    const log = await (await theirs.request.get(`/api/jobs/${job}/entries`)).json();
    const data = { entries: log.entries };
    expect((await theirs.request.post(`/api/jobs/${job}/entries`, { data })).status()).toBe(403);
  });

  await test.step('an invited inspector works on jobs, but does not manage people', async () => {
    await theirs.getByRole('link', { name: address }).click();
    await expect(inHand(theirs, 'Den 1')).toBeVisible();
    await theirs.keyboard.press('1');
    await expect(inHand(theirs, 'Den 2')).toBeVisible();
    await expect(saved(theirs)).toBeVisible();
    await theirs.getByRole('button', { name: /^Account of Ines Corrow/ }).click();
    await expect(theirs.getByRole('menuitem', { name: 'People' })).toHaveCount(0);
    await theirs.keyboard.press('Escape');
    for (const path of ['/api/people', '/api/audit', '/api/invitations'])
      expect((await theirs.request.get(path)).status()).toBe(403);
    await page.reload();
    await expect(page.getByRole('region', { name: 'What was done' })).toContainText('Ines Corrow');
  });

  await test.step('a session that ends does not end the work; signing in again sends it', async () => {
    await theirs.context().clearCookies();
    await pause(theirs);
    await theirs.keyboard.press('1');
    await expect(theirs.getByRole('alert').filter({ hasText: 'Signed out on the server' })).toBeVisible();
    await theirs.getByRole('link', { name: 'signing in again' }).click();
    await expect(theirs.getByText('What Ines Corrow entered is kept in this browser')).toBeVisible();
    await theirs.getByLabel('E-mail').fill(email);
    await theirs.getByRole('textbox', { name: 'Password', exact: true }).fill(password);
    await theirs.getByRole('button', { name: 'Sign in', exact: true }).click();
    await expect(saved(theirs)).toBeVisible();
    await expect(theirs.getByRole('listitem').filter({ hasText: address })).toContainText('2 of 4 read');
  });

  await test.step('signing out deletes what is kept, after a warning where something is not sent', async () => {
    await theirs.getByRole('link', { name: address }).click();
    await expect(inHand(theirs, 'Den 3')).toBeVisible();
    await theirs.context().setOffline(true);
    await theirs.keyboard.press('1');
    await withMenu(theirs, 'Sign out');
    await expect(theirs.getByRole('dialog')).toContainText('1 entry is in this browser alone');
    await theirs.getByRole('button', { name: 'Stay' }).click();
    await theirs.context().setOffline(false);
    await expect(saved(theirs)).toBeVisible({ timeout: 20_000 });
    await withMenu(theirs, 'Sign out');
    await expect(theirs.getByRole('heading', { name: 'Sign in' })).toBeVisible();
    const left = () =>
      theirs.evaluate(async () => ({
        databases: (await indexedDB.databases()).map(({ name }) => name),
        keys: Object.keys(localStorage).filter((key) => key.startsWith('fair-plug')),
      }));
    // That the server is to be told is remembered until it was.
    await expect.poll(left).toEqual({ databases: [], keys: [] });
    expect((await theirs.request.get('/api/session')).status()).toBe(401);
  });
  await theirs.context().close();
});

test('a viewer reads and cannot write', async ({ page, browser, request }) => {
  const { job } = await newHouse(request, { Den: 1 });
  const theirs = await newcomer(browser, await linkFor(page, 'viewer'), 'Vera Ashdown', uniqueEmail());
  expect((await theirs.request.get(`/api/jobs/${job}/entries`)).status()).toBe(200);
  const log = await (await theirs.request.get(`/api/jobs/${job}/entries`)).json();
  expect(
    (await theirs.request.post(`/api/jobs/${job}/entries`, { data: { entries: log.entries } })).status(),
  ).toBe(403);
  await theirs.context().close();
  await page.goto('/people');
  const trail = page.getByRole('row').filter({ hasText: 'Vera Ashdown' });
  await expect(trail.filter({ hasText: 'was refused' })).toContainText('This takes the part of inspector');
});

test('who is removed in the middle of a visit keeps their entries, and the owner takes them in', async ({
  page,
  browser,
  request,
}) => {
  const { address } = await newHouse(request, { Den: 3 });
  const theirs = await newcomer(browser, await linkFor(page, 'inspector'), 'Rufus Tarn', uniqueEmail());
  await theirs.getByRole('link', { name: address }).click();
  await expect(inHand(theirs, 'Den 1')).toBeVisible();
  await theirs.context().setOffline(true);
  await theirs.keyboard.press('1');
  await pause(theirs);

  await page.goto('/people');
  const line = page.getByRole('listitem').filter({ hasText: 'Rufus Tarn' });
  await line.getByRole('button', { name: 'Remove …' }).click();
  await line.getByRole('button', { name: /^Remove Rufus Tarn/ }).click();
  await expect(page.getByText(/No longer with the firm.*Rufus Tarn/)).toBeVisible();

  await theirs.context().setOffline(false);
  await expect(theirs.getByRole('heading', { name: /^You no longer belong to/ })).toBeVisible({
    timeout: 20_000,
  });
  const [download] = await Promise.all([
    theirs.waitForEvent('download'),
    theirs.getByRole('button', { name: 'Save 1 entry' }).click(),
  ]);
  const path = await download.path();
  expect(JSON.parse(readFileSync(path, 'utf8')).jobs[0].entries).toHaveLength(1);

  await page.goto('/account');
  await page.locator('input[type=file]').setInputFiles(path);
  await expect(page.getByText('1 entry was taken in.')).toBeVisible();
  await expect(saved(page)).toBeVisible();
  await page.goto('/');
  await expect(page.getByRole('listitem').filter({ hasText: address })).toContainText('1 of 3 read');
  await theirs.context().close();
});

test('what one person keeps on a device the next does not see', async ({ page, browser, request }) => {
  const { address } = await newHouse(request, { Den: 2 });
  const theirs = await newcomer(browser, await linkFor(page, 'inspector'), 'Una Selwick', uniqueEmail());
  await theirs.getByRole('link', { name: address }).click();
  await expect(inHand(theirs, 'Den 1')).toBeVisible();
  await theirs.context().setOffline(true);
  await theirs.keyboard.press('2');
  await expect(theirs.getByText('1 to send')).toBeVisible();
  await theirs.context().clearCookies();
  await theirs.context().setOffline(false);
  // The owner takes the device over; nothing that Una kept is open by then.
  await theirs.goto('/sign-in');
  await theirs.context().addCookies(await page.context().cookies());
  await theirs.goto('/');
  await theirs.getByRole('link', { name: address }).click();
  await expect(inHand(theirs, 'Den 1')).toBeVisible();
  await expect(theirs.getByText('to send')).toHaveCount(0);
  await theirs.context().close();
});

test('a forgotten password: the link of the mail sets a new one, once', async ({ page, browser }) => {
  const email = uniqueEmail();
  const theirs = await newcomer(browser, await linkFor(page, 'viewer'), 'Meg Harrowby', email);
  const context = await browser.newContext({ storageState: nobody });
  const other = await context.newPage();
  await other.goto('/sign-in');
  await other.getByRole('link', { name: 'Forgotten the password?' }).click();
  await expect(other.getByRole('heading', { name: 'A new password' })).toBeVisible();
  await other.getByLabel('E-mail').fill(email);
  await other.getByRole('button', { name: 'Send a link' }).click();
  await expect(other.getByRole('status')).toContainText('a link is on its way');
  await expect(async () => {
    await other.goto('/mail');
    await expect(other.getByRole('article').first()).toContainText(email, { timeout: 500 });
  }).toPass();
  const text = await other.getByRole('article').first().innerText();
  const link = /http\S+/.exec(text)?.[0] ?? '';
  await other.goto(link);
  await other.getByLabel('New password').fill('another long password');
  await other.getByRole('button', { name: 'Set it' }).click();
  await expect(other.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  // Every session ended with it.
  expect((await theirs.request.get('/api/session')).status()).toBe(401);
  await other.getByLabel('E-mail').fill(email);
  await other.getByRole('textbox', { name: 'Password', exact: true }).fill(password);
  await other.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(other.getByRole('alert').filter({ hasText: 'do not match' })).toBeVisible();
  await other.getByRole('textbox', { name: 'Password', exact: true }).fill('another long password');
  await other.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(other.getByRole('heading', { level: 1, name: 'Jobs' })).toBeVisible();
  await page.goto('/people');
  await expect(
    page
      .getByRole('row')
      .filter({ hasText: 'Meg Harrowby' })
      .filter({ hasText: 'tried with a wrong password' }),
  ).toHaveCount(1);
  await other.goto(link);
  await other.getByLabel('New password').fill('a third long password');
  await other.getByRole('button', { name: 'Set it' }).click();
  await expect(other.getByRole('alert').filter({ hasText: 'no longer good' })).toBeVisible();
  await theirs.context().close();
  await context.close();
});
