import { sql } from 'kysely';
import { v7 } from 'uuid';
import { createPerson, type NewPerson, setCredentials } from './credentials.ts';
import type { Connection } from './database.ts';
import { FirmData, hasFirms } from './firm-data.ts';

/** Any number, the same for all: only one first run at a time. */
const firstRunLock = 6_471_203;

/** Makes the first firm with its owner; false where there is a firm already. */
export async function makeFirstFirm(
  connection: Connection,
  name: string,
  owner: NewPerson,
): Promise<boolean> {
  return connection.transaction().execute(async (transaction) => {
    await sql`select pg_advisory_xact_lock(${firstRunLock})`.execute(transaction);
    if (await hasFirms(connection)) return false;
    const made = await createPerson(connection, owner);
    const person = made?.id ?? (await takeUp(connection, owner));
    await FirmData.found(connection, { firm: { id: v7(), name }, owner: person, kit: v7() });
    return true;
  });
}

/** A first run that was cut short after its person was made is gone on with. */
async function takeUp(connection: Connection, owner: NewPerson): Promise<string> {
  const { id } = await connection
    .selectFrom('person')
    .select('id')
    .where('email', '=', owner.email.trim().toLowerCase())
    .executeTakeFirstOrThrow();
  await setCredentials(connection, id, owner);
  return id;
}
