import { type Kysely, sql } from 'kysely';

/** Photos of the firms: what is known of each, and their bytes in pieces, out of the way of the logs. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await db.schema
    .createTable('photo')
    .addColumn('organization', 'uuid', (column) => column.notNull())
    .addColumn('hash', 'text', (column) => column.notNull().check(sql`hash ~ '^[0-9a-f]{64}$'`))
    .addColumn('has_whole', 'boolean', (column) => column.notNull().defaultTo(false))
    .addColumn('burnt', 'jsonb')
    .addColumn('received_at', 'timestamptz', (column) => column.notNull().defaultTo(sql`now()`))
    .addPrimaryKeyConstraint('photo_key', ['organization', 'hash'])
    .addForeignKeyConstraint('photo_organization', ['organization'], 'organization', ['id'])
    .execute();
  await db.schema
    .createTable('photo_piece')
    .addColumn('organization', 'uuid', (column) => column.notNull())
    .addColumn('hash', 'text', (column) => column.notNull())
    .addColumn('version', 'text', (column) => column.notNull())
    .addColumn('place', 'integer', (column) => column.notNull().check(sql`place >= 0`))
    .addColumn('bytes', 'bytea', (column) => column.notNull())
    .addPrimaryKeyConstraint('photo_piece_key', ['organization', 'hash', 'version', 'place'])
    .addForeignKeyConstraint(
      'photo_piece_photo',
      ['organization', 'hash'],
      'photo',
      ['organization', 'hash'],
      (constraint) => constraint.onDelete('cascade'),
    )
    .execute();
  // A JPEG is as small as it gets.
  await sql`alter table photo_piece alter column bytes set storage external`.execute(db);
  for (const table of ['photo', 'photo_piece']) {
    await sql`alter table ${sql.table(table)} enable row level security`.execute(db);
    await sql`
      create policy own_firm on ${sql.table(table)}
      using (organization = nullif(current_setting('fairplug.firm', true), '')::uuid)
      with check (organization = nullif(current_setting('fairplug.firm', true), '')::uuid)`.execute(db);
  }
  // Of a log, the entries that say which photos there are.
  await sql`create index entry_photo on entry (organization, log, (body->>'hash'))
    where body->>'kind' = 'photo-taken'`.execute(db);
}
