import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { sql } from 'kysely';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { type Connection, connect } from '../../web/data/database.ts';
import { type FreshDatabase, freshDatabase } from '../../web/data/testing-database.ts';
import { loadDemo } from '../demo/load.ts';
import { removeData, startCluster } from '../setup/cluster.mjs';
import { testSettings } from '../setup/settings.mjs';
import { backUp, countRows, restore } from './archive.ts';

const settings = testSettings().backup;
let source: FreshDatabase;
let cluster: Awaited<ReturnType<typeof startCluster>>;
let folder: string;

beforeAll(async () => {
  await removeData(settings.data);
  [source, cluster] = await Promise.all([
    freshDatabase(),
    startCluster(settings, 'FAIRPLUG_BACKUP_DATABASE_PORT'),
  ]);
  await loadDemo(source.connection, 'a demo password');
  folder = mkdtempSync(join(tmpdir(), 'fair-plug-backup-'));
}, 60_000);
afterAll(async () => {
  await source.drop();
  await cluster.stop();
  await removeData(settings.data);
  rmSync(folder, { recursive: true });
});

/** Every row of every table, in order. */
async function contents(connection: Connection): Promise<Record<string, readonly unknown[]>> {
  const all: Record<string, readonly unknown[]> = {};
  for (const table of Object.keys(await countRows(connection)))
    all[table] = (
      await sql`select to_jsonb(t) as row from ${sql.table(table)} t order by 1`.execute(connection)
    ).rows;
  return all;
}

const target = () => ({ adminUrl: cluster.url('postgres'), url: cluster.url('restored') });

describe('a backup', () => {
  test('restored into an empty cluster, every table is as it was, walls and triggers included', async () => {
    const file = join(folder, 'whole.backup');
    const made = await backUp(source.ownerUrl, file);
    expect(made.tables.entry).toBeGreaterThan(100);
    await restore({ ...target(), file, replace: false });
    const restored = connect(target().url);
    expect(await contents(restored)).toEqual(await contents(source.owner));
    const walls = (connection: Connection) =>
      sql`select tablename, policyname, qual, with_check from pg_policies order by 1, 2`.execute(connection);
    expect((await walls(restored)).rows).toEqual((await walls(source.owner)).rows);
    await expect(sql`update audit set action = 'x'`.execute(restored)).rejects.toThrow('append-only');
    await restored.destroy();
  });

  test('does not go over data unless told to', async () => {
    const file = join(folder, 'second.backup');
    await backUp(source.ownerUrl, file);
    await restore({ ...target(), file, replace: true });
    await expect(restore({ ...target(), file, replace: false })).rejects.toThrow('--replace');
    await expect(restore({ ...target(), file, replace: true })).resolves.toMatchObject({
      format: 'fair-plug/backup@1',
    });
  });

  test('that is damaged is refused before anything is touched', async () => {
    const file = join(folder, 'damaged.backup');
    await backUp(source.ownerUrl, file);
    const bytes = readFileSync(file);
    const middle = Math.floor(bytes.length / 2);
    bytes[middle] = (bytes[middle] ?? 0) ^ 0xff;
    writeFileSync(file, bytes);
    const before = connect(target().url);
    const held = await contents(before);
    await expect(restore({ ...target(), file, replace: true })).rejects.toThrow('not a whole backup');
    writeFileSync(file, 'nothing of the kind');
    await expect(restore({ ...target(), file, replace: true })).rejects.toThrow('not a whole backup');
    expect(await contents(before)).toEqual(held);
    await before.destroy();
  });
});
