import type { Kysely } from 'kysely';

/** Who made an invitation: it ends when they may no longer make it. Older ones know no more than a name. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await db.schema.alterTable('invitation').addColumn('inviter', 'uuid').execute();
}
