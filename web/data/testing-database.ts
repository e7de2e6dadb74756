import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import { v7 } from 'uuid';
import { inject } from 'vitest';
import { applicationUrl, prepareApplicationRole } from './application-role.ts';
import { type Connection, connect, migrate } from './database.ts';
import { FirmData, type Named } from './firm-data.ts';

declare module 'vitest' {
  interface ProvidedContext {
    adminUrl: string;
  }
}

const password = 'for tests alone';
/** Roles belong to the whole cluster, which test files share. */
const roleLock = 1;

export interface FreshDatabase {
  /** As the application is connected. */
  readonly connection: Connection;
  /** As the tables' owner is. */
  readonly owner: Connection;
  readonly ownerUrl: string;
  readonly drop: () => Promise<void>;
}

/** A migrated database of its own, and the function that drops it. */
export async function freshDatabase(): Promise<FreshDatabase> {
  const name = `test_${randomUUID().replaceAll('-', '')}`;
  const admin = connect(inject('adminUrl'));
  await sql`create database ${sql.id(name)}`.execute(admin);
  const url = new URL(inject('adminUrl'));
  url.pathname = `/${name}`;
  const owner = connect(url.href);
  await migrate(owner);
  await admin.transaction().execute(async (transaction) => {
    await sql`select pg_advisory_xact_lock(${roleLock})`.execute(transaction);
    await prepareApplicationRole(owner, password);
  });
  const connection = connect(applicationUrl(url.href, password));
  return {
    connection,
    owner,
    ownerUrl: url.href,
    drop: async () => {
      await connection.destroy();
      await owner.destroy();
      await sql`drop database ${sql.id(name)} with (force)`.execute(admin);
      await admin.destroy();
    },
  };
}

/** Somebody who cannot sign in, but to whom things may belong. */
export async function newPerson(connection: Connection, name = 'An inspector'): Promise<Named> {
  const person = { id: v7(), name };
  await connection
    .insertInto('person')
    .values({ ...person, email: `${person.id}@example.invalid`, image: null })
    .execute();
  return person;
}

/** A firm with an owner and an empty kit. */
export async function newFirm(
  connection: Connection,
  name = 'A firm',
): Promise<{ readonly firm: FirmData; readonly owner: Named; readonly kit: string }> {
  const owner = await newPerson(connection);
  const kit = v7();
  const firm = await FirmData.found(connection, { firm: { id: v7(), name }, owner: owner.id, kit });
  return { firm, owner, kit };
}
