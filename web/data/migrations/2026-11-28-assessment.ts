import { type Kysely, sql } from 'kysely';

/**
 * What a job's findings come to, stamped with what it was made of; and no English where no address was given. The lamps'
 * own counts go: they contradicted the findings.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await db.schema
    .alterTable('job')
    .dropColumn('with_finding')
    .dropColumn('act_now')
    .addColumn('version', 'integer', (column) => column.notNull().defaultTo(0))
    .addColumn('findings', 'jsonb')
    .addColumn('assessed_seq', 'integer')
    .addColumn('assessed_kit_seq', 'integer')
    .execute();
  await db.schema
    .alterTable('job')
    .alterColumn('address', (column) => column.dropNotNull())
    .execute();
  await sql`update job set address = null where address = 'Address not entered'`.execute(db);
}
