import { createHash } from 'node:crypto';
import type { JobStatement } from '@fair-plug/core/log';
import type { APIRequestContext } from 'playwright-core';
import sharp from 'sharp';
import { v7 } from 'uuid';
import { author } from '../demo/ids.ts';

const device = v7();

/** A picture with the size and the weight of a photo: a slope of colour, and grain. */
async function picture(index: number, width: number, height: number): Promise<Buffer> {
  const pixels = Buffer.alloc(width * height * 3);
  let state = 77 + index;
  for (let at = 0; at < pixels.length; at += 1) {
    // A linear congruential generator, as in the C standard's example.
    state = (Math.imul(state, 1_103_515_245) + 12_345) & 0x7fffffff;
    pixels[at] = ((at / pixels.length) * 200 + ((state >>> 16) % 24) + index) & 0xff;
  }
  return sharp(pixels, { raw: { width, height, channels: 3 } })
    .jpeg({ quality: 82 })
    .toBuffer();
}

export interface OfPhotos {
  /** What each is of, by its number; the house where left out. */
  readonly about?: (index: number) => Pick<Extract<JobStatement, { kind: 'photo-taken' }>, 'of' | 'about'>;
  /** How each is printed; left out: as usual. */
  readonly sizeOf?: (index: number) => 'small' | 'large';
  readonly width?: number;
  readonly height?: number;
}

/** Photos of a job, said and sent as a browser does. Answers their bytes altogether. */
export async function uploadedPhotos(
  request: APIRequestContext,
  origin: string,
  job: string,
  count: number,
  { about = () => ({ of: 'house' }), sizeOf, width = 640, height = 480 }: OfPhotos = {},
): Promise<number> {
  let bytes = 0;
  for (let index = 0; index < count; index += 1) {
    const photo = await picture(index, width, height);
    bytes += photo.length;
    const hash = createHash('sha256').update(photo).digest('hex');
    const id = v7();
    const said: JobStatement[] = [
      { kind: 'photo-taken', photo: id, ...about(index), hash, width, height },
      ...(sizeOf === undefined
        ? []
        : [
            {
              kind: 'photo-described' as const,
              photo: id,
              caption: `Photo ${index + 1}`,
              size: sizeOf(index),
            },
          ]),
    ];
    const entries = said.map((one) => ({ id: v7(), device, author, at: new Date().toISOString(), ...one }));
    const told = await request.post(`${origin}/api/jobs/${job}/entries`, {
      data: { entries },
      headers: { origin },
    });
    if (!told.ok()) throw new Error(await told.text());
    const piece = 512 * 1024;
    for (let from = 0; from < photo.length; from += piece) {
      const sent = await request.put(
        `${origin}/api/jobs/${job}/photos/${hash}?from=${from}&total=${photo.length}`,
        {
          data: photo.subarray(from, from + piece),
          headers: { origin, 'Content-Type': 'application/octet-stream' },
        },
      );
      if (!sent.ok()) throw new Error(await sent.text());
    }
  }
  return bytes;
}
