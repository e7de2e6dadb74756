import { type Kysely, sql } from 'kysely';

const now = sql`now()`;

// biome-ignore lint/complexity/noExcessiveLinesPerFunction: what was run once is not changed any more.
export async function up(db: Kysely<unknown>): Promise<void> {
  await db.schema
    .createTable('organization')
    .addColumn('id', 'uuid', (column) => column.primaryKey())
    .addColumn('name', 'text', (column) => column.notNull())
    .addColumn('created_at', 'timestamptz', (column) => column.notNull().defaultTo(now))
    .execute();

  await db.schema
    .createTable('person')
    .addColumn('organization', 'uuid', (column) => column.notNull().references('organization.id'))
    .addColumn('id', 'uuid', (column) => column.notNull())
    .addColumn('name', 'text', (column) => column.notNull())
    .addColumn('created_at', 'timestamptz', (column) => column.notNull().defaultTo(now))
    .addPrimaryKeyConstraint('person_key', ['organization', 'id'])
    .execute();

  await db.schema
    .createTable('log')
    .addColumn('organization', 'uuid', (column) => column.notNull().references('organization.id'))
    .addColumn('id', 'uuid', (column) => column.notNull())
    .addColumn('kind', 'text', (column) => column.notNull().check(sql`kind in ('job', 'kit')`))
    .addColumn('last_seq', 'integer', (column) => column.notNull().defaultTo(0))
    .addColumn('created_at', 'timestamptz', (column) => column.notNull().defaultTo(now))
    .addPrimaryKeyConstraint('log_key', ['organization', 'id'])
    .execute();

  await db.schema
    .createIndex('one_kit_per_organization')
    .on('log')
    .column('organization')
    .unique()
    .where(sql.ref('kind'), '=', 'kit')
    .execute();

  await db.schema
    .createTable('entry')
    .addColumn('organization', 'uuid', (column) => column.notNull())
    .addColumn('log', 'uuid', (column) => column.notNull())
    .addColumn('id', 'uuid', (column) => column.notNull())
    .addColumn('seq', 'integer', (column) => column.notNull())
    .addColumn('body', 'jsonb', (column) => column.notNull())
    .addColumn('received_at', 'timestamptz', (column) => column.notNull().defaultTo(now))
    .addPrimaryKeyConstraint('entry_key', ['organization', 'id'])
    .addUniqueConstraint('entry_seq', ['organization', 'log', 'seq'])
    .addForeignKeyConstraint('entry_log', ['organization', 'log'], 'log', ['organization', 'id'])
    .execute();

  await db.schema
    .createTable('job')
    .addColumn('organization', 'uuid', (column) => column.notNull())
    .addColumn('id', 'uuid', (column) => column.notNull())
    .addColumn('address', 'text', (column) => column.notNull())
    .addColumn('about', 'text')
    .addColumn('year_built', 'integer')
    .addColumn('receptacles', 'integer', (column) => column.notNull())
    .addColumn('tested', 'integer', (column) => column.notNull())
    .addColumn('with_finding', 'integer', (column) => column.notNull())
    .addColumn('act_now', 'integer', (column) => column.notNull())
    .addColumn('last_read_at', 'timestamptz')
    .addPrimaryKeyConstraint('job_key', ['organization', 'id'])
    .addForeignKeyConstraint('job_log', ['organization', 'id'], 'log', ['organization', 'id'])
    .execute();
}
