import { createHash } from 'node:crypto';
import { betterAuth } from 'better-auth';
import { sql } from 'kysely';
import { v7 } from 'uuid';
import { longestPassword, shortestPassword } from '../contract/limits.ts';
import { noteEverywhere } from './audit.ts';
import { type Connection, database } from './database.ts';
import { mailer } from './mail.ts';
import { hashPassword, verifyPassword } from './password-hashes.ts';

const hour = 3600;

/** Where the application is reached, as its visitors' browsers see it. */
export function publicOrigin(): string {
  const origin = process.env.FAIRPLUG_ORIGIN;
  if (!origin) throw new Error('FAIRPLUG_ORIGIN is not set');
  return origin;
}

const isSecure = (): boolean => publicOrigin().startsWith('https:');

export function secret(): string {
  const value = process.env.FAIRPLUG_SECRET;
  if (!value) throw new Error('FAIRPLUG_SECRET is not set');
  return value;
}

/** The address of whoever a link for a new password was sent to; empty where it is no longer good. */
export async function addressOfReset(connection: Connection, token: string): Promise<string> {
  const row = await connection
    .selectFrom('verification')
    .innerJoin('person', (join) => join.on(sql<boolean>`verification.value = person.id::text`))
    .select('email')
    // As better-auth hashes what it keeps.
    .where('identifier', '=', createHash('sha256').update(`reset-password:${token}`).digest('base64url'))
    .executeTakeFirst();
  return row?.email ?? '';
}

/** Ends the links for a new password that a person still has. */
async function endResets(connection: Connection, person: string): Promise<void> {
  await connection.deleteFrom('verification').where('value', '=', person).execute();
}

const sendReset = (email: string, token: string): Promise<void> =>
  mailer().send({
    to: email,
    subject: 'Set a new password for Fair Plug',
    text: `Somebody, probably you, asked for a new password. Set it here within the hour:\n\n${publicOrigin()}/new-password?token=${token}\n\nIf it was not you, nothing needs to be done: the old password stays.`,
  });

/** Says to a person that their password is another now. */
export async function tellOfNewPassword(email: string): Promise<void> {
  await mailer().send({
    to: email,
    subject: 'Your password for Fair Plug was changed',
    text: `The password of ${email} was changed, and every other session ended. If it was not you, set a new one: ${publicOrigin()}/forgotten`,
  });
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
      password: { hash: hashPassword, verify: verifyPassword },
      revokeSessionsOnPasswordReset: true,
      onPasswordReset: async ({ user }) => {
        await endResets(connection, user.id);
        await noteEverywhere(connection, user, 'password-changed');
        await tellOfNewPassword(user.email);
      },
      sendResetPassword: ({ user, token }) => sendReset(user.email, token),
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
    verification: {
      modelName: 'verification',
      fields: { expiresAt: 'expires_at', ...stamps },
      // Whoever reads the database has no link of it.
      storeIdentifier: 'hashed',
    },
    // Our own gate limits: by address as well as by where a request comes from.
    rateLimit: { enabled: false },
    advanced: {
      // Bound to this host alone where browsers can be held to it; better-auth's own prefix does less.
      cookiePrefix: isSecure() ? '__Host-fair-plug' : 'fair-plug',
      useSecureCookies: false,
      defaultCookieAttributes: { httpOnly: true, sameSite: 'lax', path: '/', secure: isSecure() },
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
