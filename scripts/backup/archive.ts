import { createHash } from 'node:crypto';
import {
  chmodSync,
  createReadStream,
  existsSync,
  mkdtempSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { sql } from 'kysely';
import { z } from 'zod';
import { type Connection, connect } from '../../web/data/database.ts';
import { mustRun } from '../setup/processes.mjs';
import { Refusal } from '../setup/refusal.mjs';
import { postgresPrograms } from '../setup/toolchain.mjs';

const ofEvery = {
  /** ISO time. */
  madeAt: z.string(),
  /** Rows of every table. */
  tables: z.record(z.string(), z.number().int()),
  /** Of the dump. */
  sha256: z.string(),
};
const manifestSchema = z.discriminatedUnion('format', [
  z.strictObject({
    format: z.literal('fair-plug/backup@2'),
    ...ofEvery,
    /** How many photos there were, and the bucket that their bytes are in; null: they are in the dump. */
    photos: z.strictObject({ count: z.number().int(), bucket: z.string().nullable() }),
  }),
  // From before there were photos.
  z.strictObject({ format: z.literal('fair-plug/backup@1'), ...ofEvery }),
]);
export type Manifest = z.infer<typeof manifestSchema>;

/** Whoever holds a backup is nobody who has signed in: rows that open doors stay out of it. */
const leftOut = ['session', 'verification'] as const;

const dumpName = 'database.dump';
const manifestName = 'manifest.json';

function program(name: string): string {
  const folder = postgresPrograms();
  if (folder === null) throw new Refusal('PostgreSQL’s programs are not installed.');
  return join(folder, name);
}

/** PostgreSQL's programs take the password from the environment, where other people's `ps` does not show it. */
function addressOf(url: string): { readonly args: readonly string[]; readonly env: Record<string, string> } {
  const { hostname, port, username, password, pathname } = new URL(url);
  return {
    args: ['--host', hostname, '--port', port, '--username', username, '--dbname', pathname.slice(1)],
    env: { PGPASSWORD: decodeURIComponent(password) },
  };
}

async function checksum(file: string): Promise<string> {
  const hash = createHash('sha256');
  for await (const chunk of createReadStream(file)) hash.update(chunk);
  return hash.digest('hex');
}

/** Every table of a database and how many rows it has. */
export async function countRows(connection: Connection): Promise<Record<string, number>> {
  const { rows } = await sql<{ name: string }>`
    select tablename as name from pg_tables where schemaname = 'public' order by 1`.execute(connection);
  const counts: Record<string, number> = {};
  for (const { name } of rows) {
    const counted = await sql<{ count: string }>`select count(*) from ${sql.table(name)}`.execute(connection);
    counts[name] = Number(counted.rows[0]?.count ?? 0);
  }
  return counts;
}

/** Writes a database into one file: a dump in PostgreSQL's custom format, and a manifest. The database may be in use. */
export async function backUp(url: string, file: string, bucket: string | null = null): Promise<Manifest> {
  const target = resolve(file);
  if (!existsSync(dirname(target))) throw new Refusal(`There is no folder ${dirname(target)}.`);
  const folder = mkdtempSync(join(dirname(target), '.backup-'));
  const connection = connect(url);
  try {
    const dump = join(folder, dumpName);
    // Counts and dump are of one and the same moment.
    const tables = await connection
      .transaction()
      .setIsolationLevel('repeatable read')
      .execute(async (transaction) => {
        const { rows } = await sql<{ id: string }>`select pg_export_snapshot() as id`.execute(transaction);
        const { args, env } = addressOf(url);
        await mustRun(
          program('pg_dump'),
          [
            ...args,
            ...['--format', 'custom', '--no-owner', '--no-privileges', '--file', dump],
            ...leftOut.map((table) => `--exclude-table-data=${table}`),
            `--snapshot=${rows[0]?.id ?? ''}`,
          ],
          { output: 'capture', env },
          'The database could not be dumped.',
        );
        const counted = await countRows(transaction);
        return { ...counted, ...Object.fromEntries(leftOut.map((table) => [table, 0])) };
      });
    const manifest: Manifest = {
      format: 'fair-plug/backup@2',
      madeAt: new Date().toISOString(),
      tables,
      sha256: await checksum(dump),
      photos: { count: tables.photo ?? 0, bucket },
    };
    writeFileSync(join(folder, manifestName), JSON.stringify(manifest, null, 2));
    const archive = join(folder, 'archive.tar');
    await mustRun(
      'tar',
      ['-cf', archive, '-C', folder, manifestName, dumpName],
      { output: 'capture' },
      'The archive could not be written.',
    );
    chmodSync(archive, 0o600);
    // Under its name only when whole.
    renameSync(archive, target);
    return manifest;
  } finally {
    await connection.destroy();
    rmSync(folder, { recursive: true, force: true });
  }
}

export interface RestoreOptions {
  /** Of the cluster's own database, from which others are made. */
  readonly adminUrl: string;
  /** Of the database to restore into. */
  readonly url: string;
  readonly file: string;
  /** True to throw away what is there. */
  readonly replace: boolean;
}

/** Restores a backup into a database that holds nothing, or, where that is wanted, in its place. */
export async function restore({ adminUrl, url, file, replace }: RestoreOptions): Promise<Manifest> {
  if (!existsSync(file)) throw new Refusal(`There is no file ${file}.`);
  const folder = mkdtempSync(join(dirname(resolve(file)), '.restore-'));
  const admin = connect(adminUrl);
  const name = new URL(url).pathname.slice(1);
  try {
    const dump = await unpack(file, folder);
    await makeRoom(admin, url, name, replace);
    const { args, env } = addressOf(url);
    await mustRun(
      program('pg_restore'),
      [...args, '--no-owner', '--no-privileges', '--exit-on-error', '--single-transaction', dump.path],
      { output: 'capture', env },
      'The database could not be restored.',
    );
    const connection = connect(url);
    const counts = await countRows(connection).finally(() => connection.destroy());
    if (JSON.stringify(counts) !== JSON.stringify(dump.manifest.tables))
      throw new Refusal(`What was restored is not what was backed up: ${JSON.stringify(counts)}`);
    return dump.manifest;
  } finally {
    await admin.destroy();
    rmSync(folder, { recursive: true, force: true });
  }
}

async function unpack(file: string, folder: string): Promise<{ path: string; manifest: Manifest }> {
  const damaged = (why: string) => new Refusal(`${file} is not a whole backup of Fair Plug: ${why}.`);
  await mustRun(
    'tar',
    ['-xf', file, '-C', folder, manifestName, dumpName],
    { output: 'capture' },
    `${file} is not a whole backup of Fair Plug.`,
  );
  const path = join(folder, dumpName);
  let manifest: Manifest;
  try {
    manifest = manifestSchema.parse(JSON.parse(readFileSync(join(folder, manifestName), 'utf8')));
  } catch {
    throw damaged('its manifest cannot be read');
  }
  if ((await checksum(path)) !== manifest.sha256) throw damaged('the checksum does not match');
  return { path, manifest };
}

/** An empty database under the name. */
async function makeRoom(admin: Connection, url: string, name: string, replace: boolean): Promise<void> {
  const known = await sql`select from pg_database where datname = ${name}`.execute(admin);
  if (known.rows.length > 0) {
    const connection = connect(url);
    const counts = await countRows(connection).finally(() => connection.destroy());
    const holdsData = Object.entries(counts).some(
      ([table, rows]) => !table.startsWith('kysely_') && rows > 0,
    );
    if (holdsData && !replace)
      throw new Refusal('There is data already. To put the backup in its place: --replace');
    await sql`drop database ${sql.id(name)} with (force)`.execute(admin);
  }
  await sql`create database ${sql.id(name)}`.execute(admin);
}
