import { Kysely, Migrator, PostgresDialect } from 'kysely';
import pg from 'pg';
import { migrationProvider } from './migrations/index.ts';
import type { Database } from './schema.ts';

export type Connection = Kysely<Database>;

/** A pool on a PostgreSQL address. Nothing is connected until the first query. */
export function connect(url: string): Connection {
  const pool = new pg.Pool({ connectionString: url, max: 10, connectionTimeoutMillis: 3000 });
  // An idle connection that the server drops is replaced by the next query; unheard, it would end the process.
  pool.on('error', () => {});
  return new Kysely<Database>({ dialect: new PostgresDialect({ pool }) });
}

/** Brings the tables up to date; throws what stopped a migration. */
export async function migrate(connection: Connection): Promise<void> {
  const { error } = await new Migrator({ db: connection, provider: migrationProvider }).migrateToLatest();
  if (error !== undefined) throw error;
}

const kept = globalThis as { fairPlugConnection?: Connection };

/** The application's own connection, one per process (it outlives a module reloaded in development). */
export function database(): Connection {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('DATABASE_URL is not set');
  kept.fairPlugConnection ??= connect(url);
  return kept.fairPlugConnection;
}

/** PostgreSQL's classes for a server that is going away, and the system's codes for one that is not there. */
const awayCodes = /^(08...|57P0[123]|53300|ECONNREFUSED|ECONNRESET|EPIPE|ETIMEDOUT)$/;

/** True where an error means that the database cannot be reached, not that a query was wrong. */
export function isDatabaseAway(error: unknown): boolean {
  if (error instanceof AggregateError) return error.errors.some(isDatabaseAway);
  if (!(error instanceof Error)) return false;
  if ('code' in error && typeof error.code === 'string') return awayCodes.test(error.code);
  return /Connection terminated|timeout exceeded when trying to connect/.test(error.message);
}
