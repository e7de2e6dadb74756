import { type APIRequestContext, expect, type PlaywrightTestOptions } from '@playwright/test';
import { sql } from 'kysely';
import { createPerson } from '../web/data/credentials.ts';
import type { Connection } from '../web/data/database.ts';
import { test } from './own-firm.ts';

const nobody: PlaywrightTestOptions['storageState'] = { cookies: [], origins: [] };
const password = 'a long password';

/** Somebody who can sign in and belongs to no firm. */
async function somebody(connection: Connection): Promise<string> {
  const email = `${Date.now()}-${Math.random().toString(36).slice(2)}@example.invalid`;
  await createPerson(connection, { name: 'Ines Corrow', email, password });
  return email;
}

const signIn = async (request: APIRequestContext, email: string, word = password): Promise<number> =>
  (await request.post('/api/sign-in', { data: { email, password: word } })).status();
const isIn = async (request: APIRequestContext): Promise<boolean> => (await request.get('/api/session')).ok();

test('ten wrong tries from elsewhere lock out whoever tries, not the person where they signed in before', async ({
  playwright,
  baseURL,
  connection,
}) => {
  const email = await somebody(connection);
  const context = () => playwright.request.newContext({ baseURL: baseURL ?? '', storageState: nobody });
  const [own, other] = [await context(), await context()];
  expect(await signIn(own, email)).toBe(200);
  expect((await own.post('/api/sign-out')).ok()).toBe(true);
  const tries = await Promise.all(Array.from({ length: 12 }, () => signIn(other, email, 'not the password')));
  expect(tries).toContain(429);
  expect(await signIn(other, email)).toBe(429);
  expect(await signIn(own, email)).toBe(200);
  // Its own wrong tries are counted too.
  const wrong = await Promise.all(Array.from({ length: 12 }, () => signIn(own, email, 'not the password')));
  expect(wrong).toContain(429);
  await Promise.all([own.dispose(), other.dispose()]);
});

test('of several links for a new password the first one used ends the others; the database holds none of them', async ({
  playwright,
  baseURL,
  connection,
}) => {
  const email = await somebody(connection);
  const anybody = await playwright.request.newContext({ baseURL: baseURL ?? '', storageState: nobody });
  const links = async (): Promise<readonly string[]> => {
    const { messages } = await (await anybody.get('/api/mail')).json();
    const own = messages.filter(({ to }: { to: string }) => to === email);
    return own.flatMap(({ text }: { text: string }) => /token=(\S+)/.exec(text)?.[1] ?? []);
  };
  for (const count of [1, 2]) {
    await anybody.post('/api/password-reset', { data: { email } });
    await expect.poll(async () => (await links()).length).toBe(count);
  }
  const [first = '', second = ''] = await links();
  const { rows } = await sql<{ text: string }>`select v::text as text from verification v`.execute(
    connection,
  );
  expect(rows.filter(({ text }) => text.includes(first) || text.includes(second))).toEqual([]);

  const set = async (token: string, word: string): Promise<number> =>
    (await anybody.post('/api/password-reset/new', { data: { token, password: word } })).status();
  expect(await set(first, 'iloveyou12345')).toBe(403);
  expect(await set(first, email.slice(0, 60))).toBe(403);
  expect(await set(first, 'another long password')).toBe(200);
  expect(await set(second, 'a third long password')).toBe(404);
  expect(await signIn(anybody, email, 'another long password')).toBe(200);
  // Whose password was changed is told by mail.
  const { messages } = await (await anybody.get('/api/mail')).json();
  expect(messages.filter(({ to }: { to: string }) => to === email)).toContainEqual(
    expect.objectContaining({ subject: 'Your password for Fair Plug was changed' }),
  );
  await anybody.dispose();
});

test('a session that another one replaces ends; others are listed and end one by one', async ({
  playwright,
  baseURL,
  connection,
}) => {
  const [email, second] = [await somebody(connection), await somebody(connection)];
  const context = () => playwright.request.newContext({ baseURL: baseURL ?? '', storageState: nobody });
  const [phone, desk] = [await context(), await context()];
  await signIn(phone, email);
  const before = await phone.storageState();
  const earlier = await playwright.request.newContext({ baseURL: baseURL ?? '', storageState: before });
  expect(await isIn(earlier)).toBe(true);
  // Signing in anew, as the same person or as another, leaves no session behind.
  await signIn(phone, second);
  expect(await isIn(earlier)).toBe(false);
  await signIn(phone, email);
  await signIn(desk, email);
  const { sessions } = await (await desk.get('/api/sessions')).json();
  expect(sessions.map(({ isHere }: { isHere: boolean }) => isHere).sort()).toEqual([false, true]);
  const lost = sessions.find(({ isHere }: { isHere: boolean }) => !isHere).id;
  // Nobody ends somebody else's.
  await signIn(earlier, second);
  expect((await earlier.delete(`/api/sessions/${lost}`)).status()).toBe(404);
  expect((await desk.delete(`/api/sessions/${lost}`)).status()).toBe(200);
  expect(await isIn(phone)).toBe(false);
  expect(await isIn(desk)).toBe(true);
  await Promise.all([phone.dispose(), desk.dispose(), earlier.dispose()]);
});
