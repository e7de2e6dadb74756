import { sql } from 'kysely';
import { applicationUrl, prepareApplicationRole } from '../web/data/application-role.ts';
import { connect, migrate } from '../web/data/database.ts';
import { prepareDemo } from './demo/prepare.ts';

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
  await prepareDemo(application, FAIRPLUG_DEMO_PASSWORD);
  await application.destroy();
}
