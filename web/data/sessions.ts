import Bowser from 'bowser';
import type { OwnSession } from '../contract/answers.ts';
import type { Connection } from './database.ts';

/** What of a browser's own words is kept: "Firefox on Android". */
export function browserIn(userAgent: string | null): string | null {
  if (userAgent === null || userAgent === '') return null;
  const { browser, os } = Bowser.parse(userAgent.slice(0, 400));
  const words = [browser.name, os.name].filter((word) => word !== undefined && word !== '');
  return words.length === 0 ? null : words.join(' on ');
}

/** Says which browser a session is of. */
export async function describeSession(
  connection: Connection,
  token: string,
  userAgent: string | null,
): Promise<void> {
  await connection
    .updateTable('session')
    .set({ user_agent: browserIn(userAgent) })
    .where('token', '=', token)
    .execute();
}

/** The sessions of a person that have not ended, the one used last first. */
export async function sessionsOf(
  connection: Connection,
  person: string,
  current: string,
): Promise<readonly OwnSession[]> {
  const rows = await connection
    .selectFrom('session')
    .select(['id', 'user_agent', 'created_at', 'updated_at'])
    .where('person', '=', person)
    .where('expires_at', '>', new Date())
    .orderBy('updated_at', 'desc')
    .execute();
  return rows.map((row) => ({
    id: row.id,
    browser: row.user_agent,
    isHere: row.id === current,
    begunAt: row.created_at.toISOString(),
    usedAt: row.updated_at.toISOString(),
  }));
}

/** Ends a session of a person; false where they have no such one. */
export async function endSession(connection: Connection, person: string, session: string): Promise<boolean> {
  const ended = await connection
    .deleteFrom('session')
    .where('person', '=', person)
    .where('id', '=', session)
    .executeTakeFirst();
  return ended.numDeletedRows > 0n;
}
