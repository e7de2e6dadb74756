import { sql } from 'kysely';
import { applicationUrl, prepareApplicationRole } from '../web/data/application-role.ts';
import { setCredentials } from '../web/data/credentials.ts';
import { type Connection, connect, migrate } from '../web/data/database.ts';
import { demoEmail } from '../web/data/demo.ts';
import { hasFirms } from '../web/data/firm-data.ts';
import { author } from './demo/ids.ts';

/** Makes the database where there is none, brings its tables up to date, and loads the demo where one is wanted. */
const {
  FAIRPLUG_ADMIN_URL,
  FAIRPLUG_OWNER_URL,
  FAIRPLUG_APPLICATION_PASSWORD,
  FAIRPLUG_DEMO_PASSWORD = '',
} = process.env;
if (!FAIRPLUG_ADMIN_URL || !FAIRPLUG_OWNER_URL || !FAIRPLUG_APPLICATION_PASSWORD)
  throw new Error('FAIRPLUG_ADMIN_URL, FAIRPLUG_OWNER_URL and FAIRPLUG_APPLICATION_PASSWORD must be set');
const name = new URL(FAIRPLUG_OWNER_URL).pathname.slice(1);

/** Lets the demo's owner, where there is one, sign in with this start's password. */
async function renewPassword(connection: Connection, password: string): Promise<void> {
  const owner = await connection
    .selectFrom('person')
    .select('id')
    .where('id', '=', author)
    .executeTakeFirst();
  if (owner !== undefined) await setCredentials(connection, owner.id, { email: demoEmail, password });
}

const admin = connect(FAIRPLUG_ADMIN_URL);
const known = await sql`select 1 from pg_database where datname = ${name}`.execute(admin);
if (known.rows.length === 0) await sql`create database ${sql.id(name)}`.execute(admin);
await admin.destroy();

const owner = connect(FAIRPLUG_OWNER_URL);
await migrate(owner);
await prepareApplicationRole(owner, FAIRPLUG_APPLICATION_PASSWORD);
await owner.destroy();

if (FAIRPLUG_DEMO_PASSWORD !== '') {
  const application = connect(applicationUrl(FAIRPLUG_OWNER_URL, FAIRPLUG_APPLICATION_PASSWORD));
  if (await hasFirms(application)) await renewPassword(application, FAIRPLUG_DEMO_PASSWORD);
  else {
    // With all that makes its houses: a start that has them need not read it.
    const { loadDemo } = await import('./demo/load.ts');
    await loadDemo(application, FAIRPLUG_DEMO_PASSWORD);
  }
  await application.destroy();
}
