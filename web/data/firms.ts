import type { Connection } from './database.ts';

/** Who asks, and for which organization. */
export interface Session {
  readonly organization: { readonly id: string; readonly name: string };
  readonly person: { readonly id: string; readonly name: string };
}

export interface NewFirm extends Session {
  readonly kit: string;
}

/** Makes an organization with its first person and an empty kit. */
export async function foundFirm(connection: Connection, firm: NewFirm): Promise<void> {
  const organization = firm.organization.id;
  await connection.transaction().execute(async (transaction) => {
    await transaction.insertInto('organization').values(firm.organization).execute();
    await transaction
      .insertInto('person')
      .values({ organization, ...firm.person })
      .execute();
    await transaction.insertInto('log').values({ organization, id: firm.kit, kind: 'kit' }).execute();
  });
}

export async function hasFirms(connection: Connection): Promise<boolean> {
  return (await connection.selectFrom('organization').select('id').limit(1).executeTakeFirst()) !== undefined;
}

/**
 * The person on whose behalf a request is answered. There is one firm and one person per installation, and
 * the server listens on this machine alone; sign-in takes this function's place.
 */
export async function currentSession(connection: Connection): Promise<Session> {
  const row = await connection
    .selectFrom('person')
    .innerJoin('organization', 'organization.id', 'person.organization')
    .select(['organization.id as firm', 'organization.name as firmName', 'person.id', 'person.name'])
    .orderBy('organization.created_at')
    .orderBy('person.created_at')
    .executeTakeFirstOrThrow();
  return {
    organization: { id: row.firm, name: row.firmName },
    person: { id: row.id, name: row.name },
  };
}
