import { sql } from 'kysely';
import type { Connection } from './database.ts';

/** The role under which the application speaks to PostgreSQL: not the tables' owner, so row-level security binds it. */
export const applicationRole = 'fairplug_application';

/**
 * Makes the application's role where there is none, with the given password, and grants it what it may do: read and
 * write rows, but neither change tables nor what stands in the audit trail. `connection` is the tables' owner.
 */
export async function prepareApplicationRole(connection: Connection, password: string): Promise<void> {
  const role = sql.id(applicationRole);
  const known = await sql`select from pg_roles where rolname = ${applicationRole}`.execute(connection);
  if (known.rows.length === 0) await sql`create role ${role} login`.execute(connection);
  await sql`alter role ${role} password ${sql.lit(password)} nosuperuser nobypassrls nocreatedb nocreaterole`.execute(
    connection,
  );
  await sql`grant usage on schema public to ${role}`.execute(connection);
  await sql`grant select, insert, update, delete on all tables in schema public to ${role}`.execute(
    connection,
  );
  await sql`revoke update, delete on audit from ${role}`.execute(connection);
  await sql`revoke all on kysely_migration, kysely_migration_lock from ${role}`.execute(connection);
}

/** The address of a database for the application's role. */
export function applicationUrl(ownerUrl: string, password: string): string {
  const url = new URL(ownerUrl);
  url.username = applicationRole;
  url.password = password;
  return url.href;
}
