import { type Kysely, sql } from 'kysely';

/**
 * Which transaction grew a log last, so that who asks for news is told of those alone that grew since; and of how long a
 * log a job's line in the list was made.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table log add column changed xid8 not null default pg_current_xact_id()`.execute(db);
  await db.schema.createIndex('log_changed').on('log').columns(['organization', 'changed']).execute();
  await db.schema.alterTable('job').addColumn('summed_seq', 'integer').execute();
}
