import { Kysely, Migrator, PostgresDialect } from 'kysely';
import pg from 'pg';
import { Limits } from './limits.ts';
import { migrationProvider } from './migrations/index.ts';
import type { Database } from './schema.ts';

export type Connection = Kysely<Database>;

/** Whoever asks the server is told after so long that the database is away, and asks again. */
const waitedFor = 3000;

/** A pool on a PostgreSQL address, which waits for a connection as long as given, or for ever. Nothing is connected until the first query. */
function poolOn(url: string, connectionTimeoutMillis = 0): pg.Pool {
  const pool = new pg.Pool({ connectionString: url, max: 10, connectionTimeoutMillis });
  // An idle connection that the server drops is replaced by the next query; unheard, it would end the process.
  pool.on('error', () => {});
  return pool;
}

const overPool = (pool: pg.Pool): Connection =>
  new Kysely<Database>({ dialect: new PostgresDialect({ pool }) });

export const connect = (url: string): Connection => overPool(poolOn(url));

/** Brings the tables up to date; throws what stopped a migration. */
export async function migrate(connection: Connection): Promise<void> {
  const { error } = await new Migrator({ db: connection, provider: migrationProvider }).migrateToLatest();
  if (error !== undefined) throw error;
}

interface Own {
  readonly connection: Connection;
  readonly limits: Limits;
}

const kept = globalThis as { fairPlugDatabase?: Own };

/** The application's own, one per process (it outlives a module reloaded in development). */
function own(): Own {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('DATABASE_URL is not set');
  if (kept.fairPlugDatabase === undefined) {
    const pool = poolOn(url, waitedFor);
    kept.fairPlugDatabase = { connection: overPool(pool), limits: new Limits(pool) };
  }
  return kept.fairPlugDatabase;
}

export const database = (): Connection => own().connection;
export const limits = (): Limits => own().limits;

/** PostgreSQL's classes for a server that is going away, and the system's codes for one that is not there. */
const awayCodes = /^(08...|57P0[123]|53300|ECONNREFUSED|ECONNRESET|EPIPE|ETIMEDOUT)$/;

/** True where PostgreSQL found no room on its disk. */
export const isDiskFull = (error: unknown): boolean =>
  error instanceof Error && 'code' in error && error.code === '53100';

/** True where an error means that the database cannot be reached, not that a query was wrong. */
export function isDatabaseAway(error: unknown): boolean {
  if (error instanceof AggregateError) return error.errors.some(isDatabaseAway);
  if (!(error instanceof Error)) return false;
  if ('code' in error && typeof error.code === 'string') return awayCodes.test(error.code);
  return /Connection terminated|timeout exceeded when trying to connect/.test(error.message);
}
