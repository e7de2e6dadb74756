import { createHmac, randomBytes } from 'node:crypto';
import { test as base, type PlaywrightTestOptions } from '@playwright/test';
import { v7 } from 'uuid';
import { author as demoAuthor } from '../scripts/demo/ids.ts';
import { secretIn } from '../scripts/setup/secrets.mjs';
import { testSettings } from '../scripts/setup/settings.mjs';
import { applicationUrl } from '../web/data/application-role.ts';
import { type Connection, connect } from '../web/data/database.ts';
import { FirmData } from '../web/data/firm-data.ts';
import { signedIn } from './global-setup.ts';

const { e2e } = testSettings();

/** The owner of the firm that the running test works in, in whose name entries are made. */
export const owner = { id: demoAuthor };

type StorageState = Exclude<PlaywrightTestOptions['storageState'], undefined>;

/** A new firm with an owner who has signed in. */
export async function foundFirm(connection: Connection): Promise<StorageState> {
  const person = v7();
  const token = randomBytes(24).toString('base64url');
  await connection
    .insertInto('person')
    .values({ id: person, name: 'Tessa Quillon', email: `${person}@example.invalid`, image: null })
    .execute();
  await FirmData.found(connection, {
    firm: { id: v7(), name: 'Hollowmere House Inspections' },
    owner: person,
    kit: v7(),
  });
  const expires = new Date(Date.now() + 86_400_000);
  await connection
    .insertInto('session')
    .values({ id: v7(), person, token, expires_at: expires, ip_address: null, user_agent: null })
    .execute();
  owner.id = person;
  // As better-auth signs its cookies.
  const signature = createHmac('sha256', secretIn(e2e.data, 'secret')).update(token).digest('base64');
  const cookie = {
    name: 'fair-plug.session_token',
    value: encodeURIComponent(`${token}.${signature}`),
    domain: '127.0.0.1',
    path: '/',
    expires: expires.getTime() / 1000,
    httpOnly: true,
    secure: false,
    sameSite: 'Lax' as const,
  };
  return { cookies: [cookie], origins: [] };
}

interface Options {
  /** Works in the demo's firm, with its houses, and changes nothing there. */
  readonly inDemo: boolean;
  /** Lets time pass where it would have to wait: the pages' clock is ours from the first, which costs every page something. */
  readonly letsTimePass: boolean;
}

/** A test begins signed in as the owner of a firm of its own, so that tests beside it change nothing for it. */
export const test = base.extend<Options, { readonly connection: Connection }>({
  inDemo: [false, { option: true }],
  letsTimePass: [false, { option: true }],
  connection: [
    // biome-ignore lint/correctness/noEmptyPattern: fixtures name what they use, and this one uses nothing
    async ({}, use) => {
      const ownerUrl = new URL(`postgres://fairplug@127.0.0.1:${e2e.databasePort}/fairplug`);
      const connection = connect(applicationUrl(ownerUrl.href, secretIn(e2e.data, 'application-password')));
      await use(connection);
      await connection.destroy();
    },
    { scope: 'worker' },
  ],
  page: async ({ page, letsTimePass }, use) => {
    if (letsTimePass) await page.clock.install();
    await use(page);
  },
  storageState: async ({ inDemo, connection }, use) => {
    owner.id = demoAuthor;
    await use(inDemo ? signedIn : await foundFirm(connection));
  },
});
