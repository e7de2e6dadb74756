import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import { inject } from 'vitest';
import { type Connection, connect, migrate } from './database.ts';

declare module 'vitest' {
  interface ProvidedContext {
    adminUrl: string;
  }
}

/** A migrated database of its own, and the function that drops it. */
export async function freshDatabase(): Promise<{ connection: Connection; drop: () => Promise<void> }> {
  const name = `test_${randomUUID().replaceAll('-', '')}`;
  const admin = connect(inject('adminUrl'));
  await sql`create database ${sql.id(name)}`.execute(admin);
  const url = new URL(inject('adminUrl'));
  url.pathname = `/${name}`;
  const connection = connect(url.href);
  await migrate(connection);
  return {
    connection,
    drop: async () => {
      await connection.destroy();
      await sql`drop database ${sql.id(name)} with (force)`.execute(admin);
      await admin.destroy();
    },
  };
}
