import sharp, { type Sharp } from 'sharp';

/** A mark is printed an inch high: more than this makes it no sharper, and printing slow. */
const mostWide = 640;
const mostHigh = 320;
/** What is decoded at all: what a camera makes, and not what was made to fill memory. */
const mostPixels = 24_000_000;
/** An entry takes a data address so long (see letterhead-described). */
const longestAddress = 80_000;

const address = /^data:image\/(png|jpeg);base64,([A-Za-z0-9+/]+={0,2})$/;

/** Decodes a data address to the end, within limits; null where it is no picture, or not of the kind it says. */
async function decoded(picture: string, most: number): Promise<Sharp | null> {
  const [, kind, base64 = ''] = address.exec(picture) ?? [];
  if (kind === undefined) return null;
  const image = sharp(Buffer.from(base64, 'base64'), { limitInputPixels: most, failOn: 'error' });
  try {
    const { format } = await image.metadata();
    if (format !== kind) return null;
    // To the last pixel: a picture that breaks off is none.
    await image.clone().raw().toBuffer();
    return image;
  } catch {
    return null;
  }
}

/**
 * A mark as it is kept: the picture and nothing else of the file, turned as its camera held it, no larger than it is
 * printed. A data address of a PNG; null where it is no picture.
 */
export async function markFrom(picture: string): Promise<string | null> {
  const image = await decoded(picture, mostPixels);
  if (image === null) return null;
  for (const share of [1, 0.7, 0.5, 0.35]) {
    const png = await image
      .clone()
      .rotate()
      .resize({
        width: Math.round(share * mostWide),
        height: Math.round(share * mostHigh),
        fit: 'inside',
        withoutEnlargement: true,
      })
      .png({ palette: true, compressionLevel: 9 })
      .toBuffer();
    const kept = `data:image/png;base64,${png.toString('base64')}`;
    if (kept.length <= longestAddress) return kept;
  }
  return null;
}

/** Whether a mark in an entry is a picture that prints: one that the server made, or an older one of its size. */
export async function isPrintable(mark: string): Promise<boolean> {
  const image = await decoded(mark, 1_000_000);
  if (image === null) return false;
  const { width, height } = await image.metadata();
  return width <= 1000 && height <= 1000;
}
