import { mkdirSync, renameSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { expect, type Page, test } from '@playwright/test';
import { removeData, stopDatabase } from '../scripts/setup/cluster.mjs';
import { inHand, saved, verdict } from './house.ts';
import { type Instance, instancesOn } from './instance.ts';

const { settings, origin, startInstance, failedStart, stopInstances, allStopped } = instancesOn('restart');

test.describe.configure({ mode: 'serial' });
test.use({ baseURL: origin, storageState: { cookies: [], origins: [] } });

test.beforeAll(() => removeData(settings.data));
test.afterAll(async () => {
  await stopInstances();
  await removeData(settings.data);
});

const openDemo = async (page: Page) => {
  await page.goto('/');
  const demo = page.getByRole('button', { name: 'Open the demo' });
  const house = page.getByRole('link', { name: '27 Lantern Hollow, Quillmere' });
  await demo.or(house).first().waitFor();
  if (await demo.isVisible()) await demo.click();
  await page.getByRole('link', { name: '27 Lantern Hollow, Quillmere' }).click();
};

/** The second start of the first test, for the one after it. */
let running: Instance | null = null;

test('what was entered is there after Ctrl-C and another start, and Ctrl-C leaves nothing running', async ({
  browser,
}) => {
  const first = await startInstance();
  const page = await browser.newPage();
  await openDemo(page);
  await expect(inHand(page, 'Den 1')).toBeVisible();
  // The verdict is there before the reading is kept and sent: what counts is that the server took it.
  const sent = page.waitForResponse((answer) => answer.request().method() === 'POST' && answer.ok());
  await page.keyboard.press('4');
  await expect(verdict(page)).toContainText('Reads open ground');
  await sent;
  await expect(saved(page)).toBeVisible();
  await page.close();
  expect(await first.interrupt()).toBe(0);
  expect(await allStopped()).toBe(true);

  const second = await startInstance();
  const later = await browser.newPage();
  await openDemo(later);
  await expect(later.getByRole('navigation', { name: 'Stages' })).toContainText('49 of 60');
  await expect(inHand(later, 'Den 2')).toBeVisible();
  await later.getByRole('link', { name: /^Report/ }).click();
  await expect(
    later.getByRole('table', { name: 'Den', exact: true }).getByRole('row', { name: /Den 1/ }),
  ).toContainText('Reads open ground');
  await later.close();
  running = second;
});

test('while the database is away the screen says so, keeps what is typed and sends it afterwards', async ({
  page,
  request,
}) => {
  const instance = running;
  if (instance === null) throw new Error('the test before left nothing running');
  try {
    await openDemo(page);
    await expect(inHand(page, 'Den 2')).toBeVisible();
    // It cannot be started again for now.
    const cluster = join(settings.data, 'cluster');
    renameSync(join(cluster, 'postgresql.conf'), join(cluster, 'put-away.conf'));
    await stopDatabase(settings.data);
    const health = await request.get('/api/health');
    expect(health.status()).toBe(503);
    expect(await health.json()).toMatchObject({
      status: 'failing',
      database: 'away',
      reason: 'ECONNREFUSED',
    });
    await expect
      .poll(async () => (await (await request.get('/api/health')).json()).restarting)
      .toBe('does-not-start');
    const refused = await page.request.get('/api/jobs');
    expect(refused.status()).toBe(503);
    expect((await refused.json()).error.code).toBe('database-away');

    await page.keyboard.press('1');
    await expect(inHand(page, 'Den 3')).toBeVisible();
    await expect(
      page.getByRole('alert').filter({ hasText: 'The database cannot be reached.' }),
    ).toBeVisible();
    await page.keyboard.press('2');
    await expect(verdict(page)).toContainText('Reads hot and neutral reversed');
    await expect(
      page.getByText('saved here · 3 to send').or(page.getByText('saved here · 2 to send')),
    ).toBeVisible();

    renameSync(join(cluster, 'put-away.conf'), join(cluster, 'postgresql.conf'));
    await expect(saved(page)).toBeVisible({ timeout: 30_000 });
    await page.reload();
    await expect(page.getByRole('navigation', { name: 'Stages' })).toContainText('51 of 60');
  } finally {
    expect(await instance.interrupt()).toBe(0);
  }
});

test('a database that cannot be started again ends the application, with the reason and a status that says so', async () => {
  const impatient = await startInstance({ FAIRPLUG_DATABASE_PATIENCE: '0.2' });
  const cluster = join(settings.data, 'cluster');
  renameSync(join(cluster, 'postgresql.conf'), join(cluster, 'put-away.conf'));
  try {
    await stopDatabase(settings.data);
    expect(await impatient.ended).toBe(1);
    expect(impatient.output()).toContain('The database cannot be started again.');
    expect(await allStopped()).toBe(true);
  } finally {
    renameSync(join(cluster, 'put-away.conf'), join(cluster, 'postgresql.conf'));
  }
});

test('a taken port is a clear message', async () => {
  const other = createServer();
  await new Promise<void>((done) => other.listen(settings.port, '127.0.0.1', done));
  const { code, output } = await failedStart();
  await new Promise((done) => other.close(done));
  expect(code).toBe(1);
  expect(output).toContain(`Port ${settings.port}, meant for the application, is taken`);
  expect(output).not.toMatch(/^\s+at /m);
});

test('a setting that makes no sense is a clear message', async () => {
  const { code, output } = await failedStart({ FAIRPLUG_PORT: 'eighty' });
  expect(code).toBe(1);
  expect(output).toContain('FAIRPLUG_PORT is "eighty"');
  expect(output).not.toMatch(/^\s+at /m);
});

test('a broken cluster is a clear message, not overwritten', async () => {
  const data = join(settings.data, 'broken');
  mkdirSync(join(data, 'cluster'), { recursive: true });
  writeFileSync(join(data, 'cluster', 'notes.txt'), 'not a database');
  const { code, output } = await failedStart({ FAIRPLUG_DATA: data });
  expect(code).toBe(1);
  expect(output).toContain('is not a database');
  expect(output).not.toMatch(/^\s+at /m);
});

test.describe('a start meant for real use', () => {
  const secret = 'a secret of more than thirty-two characters';
  const real = {
    FAIRPLUG_DATA: join(settings.data, 'real'),
    FAIRPLUG_SECRET: secret,
    FAIRPLUG_ORIGIN: origin,
  };

  test('refuses to start without a secret of its own, or without its address', async () => {
    for (const [env, said] of [
      [{ ...real, FAIRPLUG_SECRET: '' }, 'FAIRPLUG_SECRET must be set'],
      [{ ...real, FAIRPLUG_SECRET: 'short' }, 'FAIRPLUG_SECRET must be set'],
      [{ ...real, FAIRPLUG_ORIGIN: 'plug.example' }, 'FAIRPLUG_ORIGIN is "plug.example"'],
      [{ ...real, FAIRPLUG_PROXIES: '10.0.0.0/40' }, 'FAIRPLUG_PROXIES has "10.0.0.0/40"'],
    ] as const) {
      const { code, output } = await failedStart(env, 'serve');
      expect(code).toBe(1);
      expect(output).toContain(said);
      expect(output).not.toMatch(/^\s+at /m);
    }
  });

  test('has no demo, leads to making the first firm, limits tries over a restart, logs nobody’s data', async ({
    page,
  }) => {
    const running = await startInstance(real, 'serve');
    await page.goto('/');
    await expect(page.getByRole('heading', { name: 'Your firm' })).toBeVisible();
    expect(await (await page.request.get('/api/start')).json()).toEqual({ firstRun: true, demo: false });
    expect((await page.request.post('/api/demo')).status()).toBe(404);
    expect((await page.request.get('/api/mail')).status()).toBe(404);
    await page.getByLabel('Firm').fill('Thornfield Inspections');
    await page.getByLabel('Your name').fill('Edda Marsh');
    await page.getByLabel('E-mail').fill('edda@example.invalid');
    await page.getByLabel('New password').fill('a long password');
    await page.getByRole('button', { name: 'Begin' }).click();
    await expect(page.getByText('No job yet.')).toBeVisible();
    const again = {
      firm: 'Another',
      owner: { name: 'X', email: 'x@example.invalid', password: 'a long password' },
    };
    expect((await page.request.post('/api/first-run', { data: again })).status()).toBe(403);
    const wrong = { email: 'edda@example.invalid', password: 'not the password' };
    const statuses: number[] = [];
    for (let tries = 0; tries < 11; tries += 1)
      statuses.push((await page.request.post('/api/sign-in', { data: wrong })).status());
    expect(statuses.at(0)).toBe(401);
    expect(statuses.at(-1)).toBe(429);
    // What the server writes comes through a pipe, later than its answer.
    const lines = () =>
      running
        .output()
        .split('\n')
        .filter((line) => line.startsWith('{') && line.endsWith('}'))
        .map((line) => JSON.parse(line));
    await expect
      .poll(lines)
      .toContainEqual(expect.objectContaining({ method: 'POST', path: '/api/sign-in', status: 429 }));
    expect(running.output()).not.toMatch(/edda|Edda|Thornfield|a long password/);
    // What a visitor says of where they come from counts for nothing.
    const forged = (address: string) => ({
      headers: { 'x-forwarded-for': address, forwarded: `for=${address}` },
    });
    const opened = async (address: string): Promise<number> =>
      (await page.request.get(`/api/join?invitation=${'x'.repeat(30)}`, forged(address))).status();
    for (let tries = 0; tries < 100; tries += 1) await opened(`198.51.100.${tries}`);
    expect(await opened('198.51.100.200')).toBe(429);
    expect(await running.interrupt()).toBe(0);

    // Of a proxy that is named it does: the last address that it saw, whatever stands before.
    const later = await startInstance({ ...real, FAIRPLUG_PROXIES: '127.0.0.1, 10.0.0.0/8' }, 'serve');
    expect(await opened('198.51.100.201')).toBe(404);
    expect(await opened('127.0.0.1')).toBe(429);
    expect(await opened('198.51.100.202, 127.0.0.1, 10.1.2.3')).toBe(404);
    expect((await page.request.post('/api/sign-in', { data: wrong })).status()).toBe(429);
    expect((await page.request.get('/api/session')).status()).toBe(200);
    expect(await later.interrupt()).toBe(0);
  });

  test('under https browsers are held to it, and the cookies to this host', async ({ playwright }) => {
    const secure = {
      ...real,
      FAIRPLUG_DATA: join(settings.data, 'secure'),
      FAIRPLUG_ORIGIN: 'https://plug.example',
    };
    const running = await startInstance(secure, 'serve');
    const request = await playwright.request.newContext({ baseURL: origin });
    for (const path of ['/sign-in', '/api/health'])
      expect((await request.get(path)).headers()['strict-transport-security']).toContain('max-age=31536000');
    const owner = { name: 'Edda Marsh', email: 'edda@example.invalid', password: 'a long password' };
    const weak = { firm: 'Thornfield', owner: { ...owner, password: 'edda@example.invalid' } };
    expect((await request.post('/api/first-run', { data: weak })).status()).toBe(403);
    const answer = await request.post('/api/first-run', { data: { firm: 'Thornfield', owner } });
    const cookies = answer.headersArray().filter(({ name }) => name.toLowerCase() === 'set-cookie');
    expect(cookies.map(({ value }) => value.split('=')[0]).sort()).toEqual([
      '__Host-fair-plug.known',
      '__Host-fair-plug.session_token',
    ]);
    for (const { value } of cookies) expect(value).toMatch(/; Secure(;|$)/);
    // The session is taken by that name.
    const cookie = cookies.map(({ value }) => value.split(';')[0]).join('; ');
    expect((await request.get('/api/session', { headers: { cookie } })).status()).toBe(200);
    await request.dispose();
    expect(await running.interrupt()).toBe(0);
  });
});
