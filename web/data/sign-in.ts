import { betterAuth } from 'better-auth';
import { hashPassword } from 'better-auth/crypto';
import { v7 } from 'uuid';
import { longestPassword, shortestPassword } from '../contract/requests.ts';
import { type Connection, database } from './database.ts';
import type { Named } from './firm-data.ts';
import { mailer } from './mail.ts';

const hour = 3600;

/** Where the application is reached, as its visitors' browsers see it. */
export function publicOrigin(): string {
  const origin = process.env.FAIRPLUG_ORIGIN;
  if (!origin) throw new Error('FAIRPLUG_ORIGIN is not set');
  return origin;
}

function secret(): string {
  const value = process.env.FAIRPLUG_SECRET;
  if (!value) throw new Error('FAIRPLUG_SECRET is not set');
  return value;
}

const stamps = { createdAt: 'created_at', updatedAt: 'updated_at' } as const;

/**
 * Sessions and passwords, by better-auth on our own tables. Its routes are not served: ours call its functions, behind
 * the gate that everything goes through.
 */
const makeSignIn = (connection: Connection) =>
  betterAuth({
    baseURL: publicOrigin(),
    basePath: '/api/auth',
    secret: secret(),
    telemetry: { enabled: false },
    logger: { disabled: true },
    database: { db: connection, type: 'postgres' },
    emailAndPassword: {
      enabled: true,
      disableSignUp: true,
      minPasswordLength: shortestPassword,
      maxPasswordLength: longestPassword,
      resetPasswordTokenExpiresIn: hour,
      revokeSessionsOnPasswordReset: true,
      sendResetPassword: async ({ user, token }) => {
        await mailer().send({
          to: user.email,
          subject: 'Set a new password for Fair Plug',
          text: `Somebody, probably you, asked for a new password. Set it here within the hour:\n\n${publicOrigin()}/new-password?token=${token}\n\nIf it was not you, nothing needs to be done: the old password stays.`,
        });
      },
    },
    user: { modelName: 'person', fields: { emailVerified: 'email_verified', ...stamps } },
    session: {
      modelName: 'session',
      fields: {
        userId: 'person',
        expiresAt: 'expires_at',
        ipAddress: 'ip_address',
        userAgent: 'user_agent',
        ...stamps,
      },
      expiresIn: 14 * 24 * hour,
      updateAge: 24 * hour,
    },
    account: {
      modelName: 'account',
      fields: {
        userId: 'person',
        accountId: 'account_id',
        providerId: 'provider_id',
        accessToken: 'access_token',
        refreshToken: 'refresh_token',
        idToken: 'id_token',
        accessTokenExpiresAt: 'access_token_expires_at',
        refreshTokenExpiresAt: 'refresh_token_expires_at',
        ...stamps,
      },
    },
    verification: { modelName: 'verification', fields: { expiresAt: 'expires_at', ...stamps } },
    // Our own gate limits: by address as well as by where a request comes from.
    rateLimit: { enabled: false },
    advanced: {
      cookiePrefix: 'fair-plug',
      useSecureCookies: publicOrigin().startsWith('https:'),
      defaultCookieAttributes: { httpOnly: true, sameSite: 'lax', path: '/' },
      database: { generateId: () => v7() },
      // Nobody needs to know from where people sign in.
      ipAddress: { disableIpTracking: true },
    },
  });

const kept = globalThis as { fairPlugSignIn?: ReturnType<typeof makeSignIn> };

/** The application's own, one per process. */
export function signIn(): ReturnType<typeof makeSignIn> {
  kept.fairPlugSignIn ??= makeSignIn(database());
  return kept.fairPlugSignIn;
}

export interface NewPerson {
  readonly name: string;
  readonly email: string;
  readonly password: string;
}

/** Addresses are compared without regard to case. */
const addressOf = (email: string): string => email.trim().toLowerCase();

/** Makes a person who can sign in; null where the address is taken. */
export async function createPerson(
  connection: Connection,
  { name, email, password }: NewPerson,
  id = v7(),
): Promise<Named | null> {
  const hash = await hashPassword(password);
  return connection.transaction().execute(async (transaction) => {
    const made = await transaction
      .insertInto('person')
      .values({ id, name, email: addressOf(email), image: null })
      .onConflict((conflict) => conflict.column('email').doNothing())
      .returning(['id', 'name'])
      .executeTakeFirst();
    if (made === undefined) return null;
    await transaction
      .insertInto('account')
      .values({ id: v7(), person: made.id, account_id: made.id, provider_id: 'credential', password: hash })
      .execute();
    return made;
  });
}

/** Gives a person who is there already the address and password that they sign in with. */
export async function setCredentials(
  connection: Connection,
  id: string,
  { email, password }: Pick<NewPerson, 'email' | 'password'>,
): Promise<void> {
  const hash = await hashPassword(password);
  await connection.transaction().execute(async (transaction) => {
    await transaction
      .updateTable('person')
      .set({ email: addressOf(email) })
      .where('id', '=', id)
      .execute();
    await transaction
      .insertInto('account')
      .values({ id: v7(), person: id, account_id: id, provider_id: 'credential', password: hash })
      .onConflict((conflict) => conflict.columns(['person', 'provider_id']).doUpdateSet({ password: hash }))
      .execute();
  });
}
