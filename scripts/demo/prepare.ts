import { setCredentials } from '../../web/data/credentials.ts';
import type { Connection } from '../../web/data/database.ts';
import { demoEmail } from '../../web/data/demo.ts';
import { hasFirms } from '../../web/data/firm-data.ts';
import { author } from './ids.ts';

/** Lets the demo's owner, where there is one, sign in with this start's password. */
async function renewPassword(connection: Connection, password: string): Promise<void> {
  const owner = await connection
    .selectFrom('person')
    .select('id')
    .where('id', '=', author)
    .executeTakeFirst();
  if (owner !== undefined) await setCredentials(connection, owner.id, { email: demoEmail, password });
}

/** Loads the demo into an empty database; where there is a firm, only its owner's password changes. */
export async function prepareDemo(connection: Connection, password: string): Promise<void> {
  if (await hasFirms(connection)) return renewPassword(connection, password);
  // With all that makes its houses: a start that has them need not read it.
  const { loadDemo } = await import('./load.ts');
  await loadDemo(connection, password);
}
