import { type Kysely, sql } from 'kysely';

/**
 * The links of what devices entered, by which alterations show; and when entries were received whose clocks can be
 * nobody's, so that those that stand already are ordered by it; and a job's time zone in the list.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await db.schema
    .createTable('link')
    .addColumn('organization', 'uuid', (column) => column.notNull())
    .addColumn('log', 'uuid', (column) => column.notNull())
    .addColumn('device', 'uuid', (column) => column.notNull())
    .addColumn('place', 'integer', (column) => column.notNull().check(sql`place > 0`))
    .addColumn('after', 'text')
    .addColumn('body', 'text', (column) => column.notNull())
    .addColumn('entry', 'uuid')
    .addPrimaryKeyConstraint('link_key', ['organization', 'log', 'device', 'place'])
    .addForeignKeyConstraint('link_log', ['organization', 'log'], 'log', ['organization', 'id'])
    .execute();
  // Every page of a log tells of them, and there are few: not looked for among all the others.
  await sql`create index link_bare on link (organization, log) where entry is null`.execute(db);
  await sql`alter table link enable row level security`.execute(db);
  await sql`
    create policy own_firm on link
    using (organization = nullif(current_setting('fairplug.firm', true), '')::uuid)
    with check (organization = nullif(current_setting('fairplug.firm', true), '')::uuid)`.execute(db);
  await db.schema.alterTable('job').addColumn('time_zone', 'text').execute();
  await noteReceived(db);
}

/** Entries whose clocks can be nobody's are given the time at which they were received. */
export async function noteReceived(db: Kysely<unknown>): Promise<void> {
  const clock = sql`coalesce(body->>'clock', body->>'at')`;
  await sql`
    update entry set body = body || jsonb_build_object('received',
      to_char(received_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'))
    where ${clock} collate "C" > to_char((received_at + interval '1 day') at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z~zzzz"') collate "C"
       or ${clock} !~ '^\\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\\d|3[01])T([01]\\d|2[0-3]):[0-5]\\d:[0-5]\\d\\.\\d{3}Z'`.execute(
    db,
  );
}
