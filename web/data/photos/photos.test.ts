import { createHash } from 'node:crypto';
import { mostPhotoBytes } from '@fair-plug/core/knowledge';
import { chained, type JobEntry, type JobStatement } from '@fair-plug/core/log';
import sharp from 'sharp';
import { v7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { Connection } from '../database.ts';
import type { FirmData, Named } from '../firm-data.ts';
import { appendToJob, appendToKit, openJob } from '../logs.ts';
import { freshDatabase, newFirm } from '../testing-database.ts';
import { isSpokenOf, type Piece, photoStates, takePiece } from './arriving.ts';
import { bytesOf, keptBytes, leavingPhoto } from './leaving.ts';
import { leavingPicture, whyNoPhoto } from './pictures.ts';
import { photoStore } from './store.ts';
import { sweepPhotos } from './sweep.ts';

// Longer than other files: a photo’s way through the server, from its first piece to its erasure.

let connection: Connection;
let drop: () => Promise<void>;

beforeAll(async () => {
  ({ connection, drop } = await freshDatabase());
});
afterAll(() => drop());

/** Noise, which no encoding makes small: a photo of several pieces. */
async function noisyPhoto(side = 900): Promise<Buffer> {
  const pixels = Buffer.alloc(side * side * 3);
  for (let at = 0; at < pixels.length; at += 1) pixels[at] = (at * 2654435761) >>> 24;
  return sharp(pixels, { raw: { width: side, height: side, channels: 3 } })
    .jpeg({ quality: 90 })
    .toBuffer();
}
const hashOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');

interface World {
  readonly firm: FirmData;
  readonly owner: Named;
  readonly job: string;
  readonly say: (...statements: readonly JobStatement[]) => Promise<readonly JobEntry[]>;
}

async function world(): Promise<World> {
  const { firm, owner } = await newFirm(connection);
  const job = v7();
  const by = { person: owner, role: 'owner' } as const;
  const stamped = (statements: readonly JobStatement[]): readonly JobEntry[] =>
    chained(
      statements.map(
        (one) =>
          ({ id: v7(), device: v7(), author: owner.id, at: new Date().toISOString(), ...one }) as JobEntry,
      ),
      null,
    ).entries;
  await openJob(firm, by, job, stamped([{ kind: 'job-described', address: '9 Alder Rise' }]).slice(0, 1));
  const say = async (...statements: readonly JobStatement[]) => {
    const said: JobEntry[] = [];
    for (const one of statements) {
      const entries = stamped([one]);
      const result = await appendToJob(firm, by, job, entries);
      if (result.kind !== 'appended') throw new Error(JSON.stringify(result));
      said.push(...entries);
    }
    return said;
  };
  return { firm, owner, job, say };
}

const photoTaken = (bytes: Uint8Array, photo = v7()): JobStatement => ({
  kind: 'photo-taken',
  photo,
  of: 'house',
  hash: hashOf(bytes),
  width: 900,
  height: 900,
});

/** Sends all of a photo in pieces. */
async function sendAll(
  { firm, job }: World,
  bytes: Uint8Array,
  { hash = hashOf(bytes), length = 200_000, burnt = null }: Partial<Piece & { length: number }> = {},
) {
  let last: Awaited<ReturnType<typeof takePiece>> = { kind: 'waits' };
  for (let from = 0; from < bytes.length; from += length)
    last = await takePiece(firm, {
      job,
      hash,
      from,
      total: bytes.length,
      bytes: bytes.subarray(from, from + length),
      burnt,
    });
  return last;
}

test('pieces of a photo make the same bytes, wherever the sending broke off', async () => {
  const one = await world();
  const bytes = await noisyPhoto();
  await one.say(photoTaken(bytes));
  const { firm, job } = one;
  const piece = (from: number, to: number) =>
    takePiece(firm, {
      job,
      hash: hashOf(bytes),
      from,
      total: bytes.length,
      bytes: bytes.subarray(from, to),
      burnt: null,
    });
  expect(await piece(0, 1000)).toEqual({ kind: 'arrived', have: 1000, isThere: false });
  // Twice, or from too far on: told where it goes on.
  expect(await piece(0, 1000)).toEqual({ kind: 'arrived', have: 1000, isThere: false });
  expect(await piece(5000, 6000)).toEqual({ kind: 'arrived', have: 1000, isThere: false });
  expect(await photoStates(firm, job)).toEqual([{ hash: hashOf(bytes), isWhole: false, burnt: null }]);
  expect(await piece(1000, bytes.length)).toEqual({ kind: 'arrived', have: bytes.length, isThere: true });
  expect(await photoStates(firm, job)).toEqual([{ hash: hashOf(bytes), isWhole: true, burnt: null }]);
  const whole = await photoStore().get(firm, { hash: hashOf(bytes), version: 'whole' });
  expect(Buffer.from(await bytesOf(whole as ReadableStream<Uint8Array>)).equals(bytes)).toBe(true);
  const small = await photoStore().get(firm, { hash: hashOf(bytes), version: 'small' });
  expect(await sharp(await bytesOf(small as ReadableStream<Uint8Array>)).metadata()).toMatchObject({
    width: 320,
    height: 320,
  });
  // Once more: known already.
  expect(await piece(0, 1000)).toMatchObject({ isThere: true });
});

test('one whose last piece was stored when the server died is made whole by the next piece, whichever that is', async () => {
  const one = await world();
  const bytes = await noisyPhoto(300);
  const hash = hashOf(bytes);
  await one.say(photoTaken(bytes));
  const { firm, job } = one;
  // As it stands between the last piece and what is made of all of them.
  await firm.transaction(async (transaction) => {
    await transaction.insertInto('photo').values({ organization: firm.id, hash }).execute();
    await transaction
      .insertInto('photo_piece')
      .values({ organization: firm.id, hash, version: 'arriving', place: 0, bytes })
      .execute();
  });
  const total = bytes.length;
  const from = total - 1;
  const sent = await takePiece(firm, { job, hash, from, total, bytes: bytes.subarray(from), burnt: null });
  expect(sent).toEqual({ kind: 'arrived', have: total, isThere: true });
  expect(await photoStates(firm, job)).toMatchObject([{ isWhole: true }]);
});

test('a photo that no entry speaks of waits, and is nobody else’s', async () => {
  const [one, other] = [await world(), await world()];
  const bytes = await noisyPhoto(300);
  expect(await sendAll(one, bytes)).toEqual({ kind: 'waits' });
  await one.say(photoTaken(bytes));
  expect(await sendAll(one, bytes)).toMatchObject({ isThere: true });
  expect(await isSpokenOf(other.firm, one.job, hashOf(bytes))).toBe(false);
  expect(await photoStates(other.firm, one.job)).toBeNull();
  expect(await keptBytes(other.firm, hashOf(bytes))).toBeNull();
  expect(await sendAll({ ...other, job: one.job }, bytes)).toEqual({ kind: 'no-such-job' });
  // The same bytes may be the other firm's too: unique within a firm only.
  await other.say(photoTaken(bytes));
  expect(await sendAll(other, bytes)).toMatchObject({ isThere: true });
});

describe('what is no photo that may be kept', () => {
  const refusedWith = async (bytes: Uint8Array, hash?: string) => {
    const one = await world();
    await one.say({ ...photoTaken(bytes), ...(hash === undefined ? {} : { hash }) } as JobStatement);
    const result = await sendAll(one, bytes, hash === undefined ? {} : { hash });
    expect(await photoStates(one.firm, one.job)).toMatchObject([{ isWhole: false }]);
    return result;
  };
  test('other bytes than were announced', async () => {
    const result = await refusedWith(await noisyPhoto(200), 'a'.repeat(64));
    expect(result).toMatchObject({ kind: 'refused', message: expect.stringContaining('not the bytes') });
  });
  test('a lying type: a PNG that is called a JPEG', async () => {
    const png = await sharp(await noisyPhoto(200))
      .png()
      .toBuffer();
    expect(await refusedWith(png)).toMatchObject({ message: 'It is no JPEG.' });
  });
  test('a JPEG that breaks off', async () => {
    const bytes = await noisyPhoto(600);
    expect(await refusedWith(bytes.subarray(0, bytes.length / 2))).toMatchObject({
      message: 'It cannot be decoded.',
    });
  });
  test('60 megapixels in a small file, which are never decoded', async () => {
    const bomb = await sharp({
      create: { width: 10_000, height: 6000, channels: 3, background: '#888' },
    })
      .jpeg({ quality: 10 })
      .toBuffer();
    expect(bomb.length).toBeLessThan(mostPhotoBytes);
    expect(await whyNoPhoto(bomb)).toBe('No side may be longer than 2048 pixels.');
  });
  test('one that says where it was taken', async () => {
    const bytes = await sharp(await noisyPhoto(200))
      .withExif({ IFD3: { GPSLatitude: '51/1 30/1 0/1' } })
      .jpeg()
      .toBuffer();
    expect(await refusedWith(bytes)).toMatchObject({
      message: expect.stringContaining('where it was taken'),
    });
  });
  test('one that is longer than it said', async () => {
    const one = await world();
    const bytes = await noisyPhoto(300);
    await one.say(photoTaken(bytes));
    expect(
      await takePiece(one.firm, {
        job: one.job,
        hash: hashOf(bytes),
        from: 0,
        total: 10,
        bytes: bytes.subarray(0, 100),
        burnt: null,
      }),
    ).toMatchObject({ kind: 'refused' });
  });
});

/** How much neighbours differ in a part of a picture, from 0 to 255. */
async function roughness(bytes: Buffer, left: number, top: number, size: number): Promise<number> {
  const { data } = await sharp(bytes)
    .extract({ left, top, width: size, height: size })
    .greyscale()
    .raw()
    .toBuffer({ resolveWithObject: true });
  let sum = 0;
  for (let at = 1; at < data.length; at += 1) sum += Math.abs((data[at] ?? 0) - (data[at - 1] ?? 0));
  return sum / data.length;
}

describe('what leaves the firm', () => {
  test('is blurred where somebody blurred it, and nowhere else; the firm keeps it as it is', async () => {
    const one = await world();
    const bytes = await noisyPhoto();
    const photo = v7();
    await one.say(photoTaken(bytes, photo));
    await sendAll(one, bytes);
    const before = await leavingPhoto(one.firm, one.job, photo, 'full');
    const [blur] = await one.say({
      kind: 'photo-marked',
      photo,
      drawn: v7(),
      shape: { form: 'blur', x: 0.1, y: 0.2, width: 0.3, height: 0.3 },
    });
    const after = await leavingPhoto(one.firm, one.job, photo, 'full');
    if (before === null || after === null) throw new Error('no photo left');
    expect(await roughness(before, 120, 200, 200)).toBeGreaterThan(20);
    expect(await roughness(after, 120, 200, 200)).toBeLessThan(5);
    expect(await roughness(after, 600, 600, 200)).toBeGreaterThan(20);
    expect(Buffer.from((await keptBytes(one.firm, hashOf(bytes)))?.bytes ?? []).equals(bytes)).toBe(true);
    // Taken back, it leaves as it is.
    await one.say({ kind: 'withdrawn', entries: [blur?.id ?? ''] });
    const again = await leavingPhoto(one.firm, one.job, photo, 'full');
    expect(await roughness(again as Buffer, 120, 200, 200)).toBeGreaterThan(20);
  });

  test('shows arrows, rings and words, whatever typefaces the server has', async () => {
    const plain = await sharp({ create: { width: 800, height: 600, channels: 3, background: '#777' } })
      .jpeg()
      .toBuffer();
    const drawn = await leavingPicture(plain, {
      side: 800,
      quality: 90,
      shapes: [
        { form: 'arrow', x: 0.1, y: 0.1, toX: 0.3, toY: 0.3 },
        { form: 'ring', x: 0.6, y: 0.3, radius: 0.1 },
        { form: 'text', x: 0.1, y: 0.5, words: 'Scorched – ½ in.' },
      ],
    });
    const blueAt = async (left: number, top: number, size: number): Promise<number> => {
      const { data } = await sharp(drawn)
        .extract({ left, top, width: size, height: size })
        .raw()
        .toBuffer({ resolveWithObject: true });
      let count = 0;
      for (let at = 0; at < data.length; at += 3) if ((data[at + 2] ?? 0) - (data[at] ?? 0) > 80) count += 1;
      return count;
    };
    expect(await blueAt(150, 150, 20)).toBeGreaterThan(20);
    expect(await blueAt(550, 230, 20)).toBeGreaterThan(20);
    expect(await blueAt(90, 400, 60)).toBeGreaterThan(60);
    expect(await blueAt(700, 500, 60)).toBe(0);
  });
});

test('bytes of a photo that was taken back go when the firm keeps it no longer, and not before', async () => {
  const one = await world();
  const bytes = await noisyPhoto(200);
  const [taken] = await one.say(photoTaken(bytes));
  await sendAll(one, bytes);
  const day = 86_400_000;
  expect(await sweepPhotos(one.firm, Date.now() + 400 * day)).toBe(0);
  const [back] = await one.say({ kind: 'withdrawn', entries: [taken?.id ?? ''] });
  expect(await sweepPhotos(one.firm, Date.now() + 89 * day)).toBe(0);
  // Taken up again, it stays.
  const [up] = await one.say({ kind: 'withdrawn', entries: [back?.id ?? ''] });
  expect(await sweepPhotos(one.firm, Date.now() + 400 * day)).toBe(0);
  await one.say({ kind: 'withdrawn', entries: [up?.id ?? ''] });
  await appendToKit(one.firm, { person: one.owner, role: 'owner' }, [
    {
      id: v7(),
      device: v7(),
      author: one.owner.id,
      at: new Date().toISOString(),
      kind: 'photo-keeping-chosen',
      days: 10,
    },
  ]);
  expect(await sweepPhotos(one.firm, Date.now() + 9 * day)).toBe(0);
  expect(await sweepPhotos(one.firm, Date.now() + 11 * day)).toBe(1);
  expect(await keptBytes(one.firm, hashOf(bytes))).toBeNull();
  expect(await photoStates(one.firm, one.job)).toEqual([]);
});

test('what began to arrive and never ended goes after two weeks', async () => {
  const one = await world();
  const bytes = await noisyPhoto(300);
  await one.say(photoTaken(bytes));
  await takePiece(one.firm, {
    job: one.job,
    hash: hashOf(bytes),
    from: 0,
    total: bytes.length,
    bytes: bytes.subarray(0, 100),
    burnt: null,
  });
  expect(await sweepPhotos(one.firm, Date.now() + 13 * 86_400_000)).toBe(0);
  expect(await sweepPhotos(one.firm, Date.now() + 15 * 86_400_000)).toBe(1);
});
