import type { Transaction } from 'kysely';
import type { AuditLine } from '../contract/answers.ts';
import type { Connection } from './database.ts';
import { FirmData, firmsOf, type Named } from './firm-data.ts';
import type { Database } from './schema.ts';

/** What an owner can look up. */
export const auditActions = [
  'signed-in',
  'sign-in-failed',
  'signed-out-everywhere',
  'session-ended',
  'refused',
  'password-changed',
  'invited',
  'invitation-withdrawn',
  'joined',
  'role-changed',
  'removed',
  'firm-renamed',
  'report-exported',
  'job-exported',
  'record-imported',
] as const;
export type AuditAction = (typeof auditActions)[number];

/** Adds a line to the firm's trail, in a transaction that does what the line says. */
export async function noteIn(
  transaction: Transaction<Database>,
  firm: FirmData,
  person: Named,
  action: AuditAction,
  about: string | null = null,
): Promise<void> {
  await transaction
    .insertInto('audit')
    .values({ organization: firm.id, person: person.id, person_name: person.name, action, about })
    .execute();
}

export const note = (
  firm: FirmData,
  person: Named,
  action: AuditAction,
  about: string | null = null,
): Promise<void> => firm.transaction((transaction) => noteIn(transaction, firm, person, action, about));

/** Adds the same line to the trails of all firms that a person belongs to. */
export async function noteEverywhere(
  connection: Connection,
  person: Named,
  action: AuditAction,
): Promise<void> {
  for (const { id } of await firmsOf(connection, person.id)) {
    const entered = await FirmData.of(connection, person.id, id);
    if (entered !== null) await note(entered.firm, person, action);
  }
}

/** Says in the trails of whoever has an address that somebody tried it with a wrong password. */
export async function noteFailedSignIn(connection: Connection, email: string): Promise<void> {
  const person = await connection
    .selectFrom('person')
    .select(['id', 'name'])
    .where('email', '=', email.trim().toLowerCase())
    .executeTakeFirst();
  if (person !== undefined) await noteEverywhere(connection, person, 'sign-in-failed');
}

/** The latest lines, the newest first. */
export async function auditTrail(firm: FirmData, most = 200): Promise<readonly AuditLine[]> {
  const rows = await firm.transaction((transaction) =>
    transaction
      .selectFrom('audit')
      .select(['id', 'at', 'person_name', 'action', 'about'])
      .where('organization', '=', firm.id)
      .orderBy('id', 'desc')
      .limit(most)
      .execute(),
  );
  return rows.map(({ id, at, person_name, action, about }) => ({
    id,
    at: at.toISOString(),
    person: person_name,
    action,
    about,
  }));
}
