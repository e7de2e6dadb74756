import { copyFileSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { foldHouse, foldKit } from '@fair-plug/core/log';
import { sql } from 'kysely';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { applicationUrl, prepareApplicationRole } from '../../web/data/application-role.ts';
import { type Connection, connect, migrate } from '../../web/data/database.ts';
import { FirmData, firmsOf } from '../../web/data/firm-data.ts';
import { jobPage, kitPage } from '../../web/data/log-pages.ts';
import { type FreshDatabase, freshDatabase } from '../../web/data/testing-database.ts';
import { houseAsBefore } from '../corpus/as-before.ts';
import { partOf } from '../corpus/corpus.ts';
import { plain } from '../corpus/outcome.ts';
import { loadDemo } from '../demo/load.ts';
import { removeData, startCluster } from '../setup/cluster.mjs';
import { root, testSettings } from '../setup/settings.mjs';
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
});
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
    // Photos are inside, and that is said.
    expect(made).toMatchObject({ photos: { count: 3, bucket: null } });
    await restore({ ...target(), file, replace: false });
    const restored = connect(target().url);
    expect(await contents(restored)).toEqual(await contents(source.owner));
    const walls = (connection: Connection) =>
      sql`select tablename, policyname, qual, with_check from pg_policies order by 1, 2`.execute(connection);
    expect((await walls(restored)).rows).toEqual((await walls(source.owner)).rows);
    await expect(sql`update audit set action = 'x'`.execute(restored)).rejects.toThrow('append-only');
    await restored.destroy();
  });

  test('is for its owner’s eyes, and lets nobody in', async () => {
    const file = join(folder, 'private.backup');
    const { rows } = await sql<{ id: string }>`select id from person limit 1`.execute(source.owner);
    const person = rows[0]?.id ?? '';
    await sql`
      insert into session (id, person, token, expires_at)
      values (${person}, ${person}, 'a token', now() + interval '1 day')`.execute(source.owner);
    const { tables } = await backUp(source.ownerUrl, file);
    expect(tables.session).toBe(0);
    expect(statSync(file).mode & 0o777).toBe(0o600);
    await restore({ ...target(), file, replace: true });
    const restored = connect(target().url);
    expect((await countRows(restored)).session).toBe(0);
    expect((await countRows(restored)).person).toBeGreaterThan(0);
    await restored.destroy();
    await sql`delete from session`.execute(source.owner);
  });

  test('does not go over data unless told to', async () => {
    const file = join(folder, 'second.backup');
    // Where their bytes are in a bucket, it says in which.
    const { photos } = (await backUp(source.ownerUrl, file, 'photos-of-ours')) as { photos?: object };
    expect(photos).toEqual({ count: 3, bucket: 'photos-of-ours' });
    await restore({ ...target(), file, replace: true });
    await expect(restore({ ...target(), file, replace: false })).rejects.toThrow('--replace');
    await expect(restore({ ...target(), file, replace: true })).resolves.toMatchObject({
      format: 'fair-plug/backup@2',
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

test('a backup that an earlier build made is restored, brought up to date, and every job folds as it did', async () => {
  const file = join(folder, 'old.backup');
  copyFileSync(join(root, 'scripts/corpus/database.backup'), file);
  const made = await restore({ ...target(), file, replace: true });
  expect(made.tables).toMatchObject({ entry: 682, person: 2, membership: 2 });
  const owner = connect(target().url);
  await migrate(owner);
  await prepareApplicationRole(owner, 'for tests alone');
  const connection = connect(applicationUrl(target().url, 'for tests alone'));
  const { id } = await owner
    .selectFrom('person')
    .select('id')
    .where('email', '=', 'odile@example.com')
    .executeTakeFirstOrThrow();
  const [own] = await firmsOf(connection, id);
  const firm = (await FirmData.of(connection, id, own?.id ?? ''))?.firm;
  if (firm === undefined) throw new Error('the firm is not there');
  for (const { name, file: saved, outcome } of partOf('jobs')) {
    const page = await jobPage(firm, JSON.parse(saved).job, 0);
    const entries = page?.entries ?? [];
    expect(plain(houseAsBefore(foldHouse(entries), entries)), name).toEqual(outcome.house);
  }
  expect(plain(foldKit((await kitPage(firm, 0))?.entries ?? []))).toEqual(partOf('kit').folded);
  await Promise.all([owner, connection].map((one) => one.destroy()));
});
