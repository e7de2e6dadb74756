import { sql } from 'kysely';
import { connect, migrate } from '../web/data/database.ts';
import { loadDemo } from './demo/load.ts';

/** Makes the database where there is none, brings its tables up to date, loads the demo into an empty one. */
const { DATABASE_URL, FAIRPLUG_ADMIN_URL } = process.env;
if (!DATABASE_URL || !FAIRPLUG_ADMIN_URL) throw new Error('DATABASE_URL and FAIRPLUG_ADMIN_URL must be set');
const name = new URL(DATABASE_URL).pathname.slice(1);

const admin = connect(FAIRPLUG_ADMIN_URL);
const known = await sql`select 1 from pg_database where datname = ${name}`.execute(admin);
if (known.rows.length === 0) await sql`create database ${sql.id(name)}`.execute(admin);
await admin.destroy();

const connection = connect(DATABASE_URL);
await migrate(connection);
await loadDemo(connection);
await connection.destroy();
