import { blursOf, type Photo } from '@fair-plug/core/log';
import { LRUCache } from 'lru-cache';
import type { FirmData } from '../firm-data.ts';
import { readJob } from '../read-jobs.ts';
import { leavingPicture } from './pictures.ts';
import { photoStore } from './store.ts';

/** Pixels of the longer side and quality of what leaves: in a report, and in a file of the whole job. */
const sizes = {
  small: { side: 560, quality: 70 },
  large: { side: 1200, quality: 72 },
  full: { side: 2048, quality: 88 },
} as const;
export type LeavingSize = keyof typeof sizes;
export const leavingSizes = Object.keys(sizes) as [LeavingSize, ...LeavingSize[]];

/** What was made last: a report is printed more than once. Bytes. */
const made = new LRUCache<string, Buffer>({
  maxSize: 48 * 1024 * 1024,
  sizeCalculation: (bytes) => bytes.length,
});

/** A stream's bytes. */
export const bytesOf = async (stream: ReadableStream<Uint8Array>): Promise<Uint8Array> =>
  new Uint8Array(await new Response(stream as ReadableStream<Uint8Array<ArrayBuffer>>).arrayBuffer());

/** Bytes of a photo and the ids of the blurs that are burnt into them; null where the server has none. */
export async function keptBytes(
  firm: FirmData,
  hash: string,
): Promise<{ readonly bytes: Uint8Array; readonly burnt: readonly string[] | null } | null> {
  const store = photoStore();
  const whole = await store.get(firm, { hash, version: 'whole' });
  if (whole !== null) return { bytes: await bytesOf(whole), burnt: null };
  const standIn = await store.get(firm, { hash, version: 'stand-in' });
  if (standIn === null) return null;
  const row = await firm.transaction((transaction) =>
    transaction
      .selectFrom('photo')
      .select('burnt')
      .where('organization', '=', firm.id)
      .where('hash', '=', hash)
      .executeTakeFirst(),
  );
  return { bytes: await bytesOf(standIn), burnt: row?.burnt ?? [] };
}

/** A photo of a job as it may leave the firm: what is blurred is blurred, and what is drawn is drawn. */
export async function leavingPhoto(
  firm: FirmData,
  job: string,
  id: string,
  size: LeavingSize,
): Promise<Buffer | null> {
  const read = await readJob(firm, job);
  const photo = read?.fold.house.photos?.find((one) => one.id === id);
  return photo === undefined ? null : leaving(firm, photo, size);
}

async function leaving(firm: FirmData, photo: Photo, size: LeavingSize): Promise<Buffer | null> {
  const name = JSON.stringify([firm.id, photo.hash, photo.marks, size]);
  const before = made.get(name);
  if (before !== undefined) return before;
  const kept = await keptBytes(firm, photo.hash);
  if (kept === null) return null;
  const shapes = photo.marks
    .filter(({ id, shape }) => shape.form !== 'blur' || kept.burnt?.includes(id) !== true)
    .map(({ shape }) => shape);
  const bytes = await leavingPicture(kept.bytes, { ...sizes[size], shapes });
  made.set(name, bytes);
  return bytes;
}

/** What of a photo goes into a file of the whole job: its own bytes, or, where something is blurred, a stand-in. */
export async function archivedPhoto(
  firm: FirmData,
  photo: Photo,
): Promise<{ readonly bytes: Uint8Array; readonly burnt: readonly string[] | null } | null> {
  const kept = await keptBytes(firm, photo.hash);
  if (kept === null) return null;
  const blurs = photo.marks.filter(({ shape }) => shape.form === 'blur');
  const missing = blurs.filter(({ id }) => kept.burnt?.includes(id) !== true);
  if (missing.length === 0) return kept;
  const bytes = await leavingPicture(kept.bytes, { ...sizes.full, shapes: blursOf({ marks: missing }) });
  return { bytes, burnt: [...(kept.burnt ?? []), ...missing.map(({ id }) => id)] };
}
