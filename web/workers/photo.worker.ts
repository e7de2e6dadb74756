import { longestSide, longestSideSmall } from '@fair-plug/core/knowledge/photos.ts';
import { bytesHash } from '@fair-plug/core/log/chain.ts';
import { expose, transfer } from 'comlink';
import { parse } from 'exifr';
import { imageSize } from 'image-size';

/** More than that is not decoded: a phone has not the memory. In pixels; the largest that cameras make by themselves. */
const mostPixels = 52_000_000;
const quality = 0.82;

/** Why a file is no photo that can be taken. */
export type NotTaken = 'not-decoded' | 'too-large';

/** A photo made ready: turned as its camera held it, made smaller, with nothing of the file but what is seen. */
export interface Made {
  readonly whole: ArrayBuffer;
  readonly small: ArrayBuffer;
  /** SHA-256 of the whole. */
  readonly hash: string;
  readonly width: number;
  readonly height: number;
  /** ISO time, as its camera says. */
  readonly takenAt: string | null;
}

async function encoded(picture: ImageBitmap, longest: number): Promise<OffscreenCanvas> {
  const scale = Math.min(1, longest / Math.max(picture.width, picture.height));
  const width = Math.max(1, Math.round(picture.width * scale));
  const height = Math.max(1, Math.round(picture.height * scale));
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d', { alpha: false });
  if (context === null) throw new Error('no canvas');
  context.fillStyle = '#fff';
  context.fillRect(0, 0, width, height);
  context.imageSmoothingQuality = 'high';
  context.drawImage(picture, 0, 0, width, height);
  return canvas;
}

const jpegOf = async (canvas: OffscreenCanvas): Promise<ArrayBuffer> =>
  (await canvas.convertToBlob({ type: 'image/jpeg', quality })).arrayBuffer();

/** Pixels that a file claims to have; 0 where it claims nothing that is known. */
function claimed(bytes: Uint8Array): number {
  try {
    const { width, height } = imageSize(bytes);
    return width * height;
  } catch {
    return 0;
  }
}

async function takenAt(file: Blob): Promise<string | null> {
  try {
    const said = await parse(file, ['DateTimeOriginal']);
    const at = said?.DateTimeOriginal;
    return at instanceof Date && !Number.isNaN(at.getTime()) ? at.toISOString() : null;
  } catch {
    return null;
  }
}

async function make(file: Blob): Promise<Made | NotTaken> {
  // What a file says of its size stands in its first part.
  const head = new Uint8Array(await file.slice(0, 512 * 1024).arrayBuffer());
  if (claimed(head) > mostPixels) return 'too-large';
  let picture: ImageBitmap;
  try {
    picture = await createImageBitmap(file, { imageOrientation: 'from-image' });
  } catch {
    return 'not-decoded';
  }
  try {
    if (picture.width * picture.height > mostPixels) return 'too-large';
    const canvas = await encoded(picture, longestSide);
    const [whole, small] = await Promise.all([
      jpegOf(canvas),
      encoded(picture, longestSideSmall).then(jpegOf),
    ]);
    const { width, height } = canvas;
    const hash = bytesHash(new Uint8Array(whole));
    const made = { whole, small, hash, width, height, takenAt: await takenAt(file) };
    return transfer(made, [whole, small]);
  } finally {
    picture.close();
  }
}

/** The small one of a photo that was made ready elsewhere; null where it cannot be decoded. */
async function smallOf(photo: Blob): Promise<ArrayBuffer | null> {
  const head = new Uint8Array(await photo.slice(0, 512 * 1024).arrayBuffer());
  if (claimed(head) > longestSide * longestSide) return null;
  try {
    const picture = await createImageBitmap(photo);
    const small = await jpegOf(await encoded(picture, longestSideSmall));
    picture.close();
    return transfer(small, [small]);
  } catch {
    return null;
  }
}

const api = { make, smallOf };
export type PhotoMaker = typeof api;

expose(api);
