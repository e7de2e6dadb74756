import { afterEach, beforeEach, expect, test } from 'vitest';
import type { FirmApi } from '../api.ts';
import { RequestFailed } from '../request-failed.ts';
import { LocalDatabase } from '../tables.ts';
import { keepPhoto } from './kept.ts';
import { PhotoSender } from './sender.ts';

let store: LocalDatabase;
let count = 0;
const [job, hash] = ['a job', 'a'.repeat(64)];
const total = 1_200_000;

beforeEach(async () => {
  count += 1;
  store = new LocalDatabase(`photos ${count}`);
  await keepPhoto(store, job, { hash, whole: new ArrayBuffer(total), small: new ArrayBuffer(10) });
});
afterEach(() => store.delete());

type Send = FirmApi['sendPiece'];

/** A sender whose server answers so; and where each piece began. */
function sender(
  answer: (from: number, length: number) => { have: number; isThere: boolean } | RequestFailed,
) {
  const began: number[] = [];
  const sendPiece: Send = async (_job, _hash, { from }, bytes) => {
    began.push(from);
    const answered = answer(from, bytes.byteLength);
    if (answered instanceof RequestFailed) throw answered;
    return answered;
  };
  return { began, photos: new PhotoSender(store, { sendPiece } as FirmApi) };
}
const kept = () => store.photos.get([job, hash]);

test('a photo is sent piece by piece, each from where the server says that it goes on', async () => {
  const { began, photos } = sender((from, length) => ({
    have: from + length,
    isThere: from + length === total,
  }));
  expect(await photos.sendOne(() => false)).toBe(true);
  expect(began).toEqual([0, 524_288, 1_048_576]);
  expect(await kept()).toMatchObject({ sent: 1, have: total });
  expect(await photos.sendOne(() => false)).toBe(false);
});

test('what broke off goes on from there at the next try', async () => {
  let isCut = true;
  const { began, photos } = sender((from, length) => {
    if (isCut && from > 0) return new RequestFailed('server-away', 'The server does not answer.');
    return { have: from + length, isThere: from + length === total };
  });
  await expect(photos.sendOne(() => false)).rejects.toThrow('does not answer');
  isCut = false;
  await photos.sendOne(() => false);
  expect(began).toEqual([0, 524_288, 524_288, 1_048_576]);
});

test('a server that takes no more is asked again later, not for ever', async () => {
  const { began, photos } = sender(() => ({ have: total, isThere: false }));
  await expect(photos.sendOne(() => false)).rejects.toMatchObject({ isPassing: true });
  expect(began).toEqual([0, total - 1]);
});

test('one that the server refuses stays here with the reason; one whose entry is not there yet waits', async () => {
  const early = sender(() => new RequestFailed('waits', 'No entry yet.'));
  expect(await early.photos.sendOne(() => false)).toBe(true);
  expect(await early.photos.sendOne(() => false)).toBe(false);
  expect(await kept()).toMatchObject({ sent: 0, refused: null });
  const { photos } = sender(() => new RequestFailed('refused', 'It is no JPEG.'));
  await photos.sendOne(() => false);
  expect(await kept()).toMatchObject({ sent: 0, refused: 'It is no JPEG.' });
});
