import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import S3rver from 's3rver';
import { afterAll, beforeAll, expect, test } from 'vitest';
import type { FirmData } from '../firm-data.ts';
import { bytesOf } from './leaving.ts';
import type { PhotoStore } from './photo-store.ts';
import { s3Store } from './s3-store.ts';

/** s3rver 3.7 stands in for a store that speaks S3. */
const folder = mkdtempSync(join(tmpdir(), 'fair-plug-s3-'));
let server: S3rver;
let store: PhotoStore;

beforeAll(async () => {
  server = new S3rver({
    address: '127.0.0.1',
    port: 0,
    silent: true,
    directory: folder,
    configureBuckets: [{ name: 'photos', configs: [] }],
  });
  const { port } = await server.run();
  process.env.AWS_ACCESS_KEY_ID = 'S3RVER';
  process.env.AWS_SECRET_ACCESS_KEY = 'S3RVER';
  const made = s3Store({
    FAIRPLUG_S3_BUCKET: 'photos',
    FAIRPLUG_S3_ENDPOINT: `http://127.0.0.1:${port}`,
  });
  if (made === null) throw new Error('no store');
  store = made;
});
afterAll(async () => {
  await server.close();
  rmSync(folder, { recursive: true });
});

const firm = (id: string) => ({ id }) as FirmData;
const name = { hash: 'a'.repeat(64), version: 'whole' } as const;

test('a photo comes back as it was put, to its own firm alone, until it is removed', async () => {
  const bytes = Uint8Array.from({ length: 700_000 }, (_, at) => (at * 31) % 256);
  await store.put(firm('one'), name, bytes);
  const found = await store.get(firm('one'), name);
  expect(Buffer.from(await bytesOf(found as ReadableStream<Uint8Array>)).equals(bytes)).toBe(true);
  expect(await store.get(firm('other'), name)).toBeNull();
  expect(await store.get(firm('one'), { ...name, version: 'small' })).toBeNull();
  await store.remove(firm('one'), name);
  expect(await store.get(firm('one'), name)).toBeNull();
});

test('without a bucket there is no such store', () => {
  expect(s3Store({})).toBeNull();
});
