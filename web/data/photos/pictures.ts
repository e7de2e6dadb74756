import { longestSide, longestSideSmall } from '@fair-plug/core/knowledge';
import { arrowHead, type Shape } from '@fair-plug/core/log';
import sharp, { type OverlayOptions, type Sharp } from 'sharp';
import { outlinesOf, widthOf } from './lettering.ts';

/** A photo that is kept has no more: what claims more is never decoded. */
const mostPixels = longestSide * longestSide;

/** Says why bytes are no photo that may be kept; null where they are one. Decodes them to the end, within limits. */
export async function whyNoPhoto(bytes: Uint8Array): Promise<string | null> {
  try {
    // What it claims to be, which decodes nothing.
    const claimed = sharp(bytes, { limitInputPixels: false });
    const { format, width, height, exif, xmp, iptc } = await claimed.metadata();
    if (format !== 'jpeg') return 'It is no JPEG.';
    if (width > longestSide || height > longestSide)
      return `No side may be longer than ${longestSide} pixels.`;
    if (exif !== undefined || xmp !== undefined || iptc !== undefined)
      return 'It says more than what is seen: where it was taken, or by which camera.';
    // To the last pixel: a picture that breaks off is none.
    await sharp(bytes, { limitInputPixels: mostPixels, failOn: 'error' }).raw().toBuffer();
    return null;
  } catch {
    return 'It cannot be decoded.';
  }
}

/** The small one of a photo. */
export const smallOf = (bytes: Uint8Array): Promise<Buffer> =>
  sharp(bytes, { limitInputPixels: mostPixels })
    .resize({ width: longestSideSmall, height: longestSideSmall, fit: 'inside', withoutEnlargement: true })
    .jpeg({ quality: 75, mozjpeg: true })
    .toBuffer();

/** How a photo leaves the firm. */
export interface Leaving {
  /** Pixels of its longer side, at most. */
  readonly side: number;
  readonly quality: number;
  readonly shapes: readonly Shape[];
}

interface Size {
  readonly width: number;
  readonly height: number;
}

/** The bytes of a photo as it leaves: its blurs burnt in, all else that is drawn on it drawn. */
export async function leavingPicture(bytes: Uint8Array, { side, quality, shapes }: Leaving): Promise<Buffer> {
  const { data, info } = await sharp(bytes, { limitInputPixels: mostPixels })
    .resize({ width: side, height: side, fit: 'inside', withoutEnlargement: true })
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const { width, height, channels } = info;
  const image = (): Sharp => sharp(data, { raw: { width, height, channels } });
  const blurs = await Promise.all(
    shapes.flatMap((shape) => (shape.form === 'blur' ? [blurred(image(), shape, info)] : [])),
  );
  const drawn = shapes.filter(({ form }) => form !== 'blur');
  const layers = blurs.filter((layer) => layer !== null);
  if (drawn.length > 0) layers.push({ input: Buffer.from(drawingOf(drawn, info)), left: 0, top: 0 });
  return image().composite(layers).jpeg({ quality, progressive: false }).toBuffer();
}

/** No more than so many spots are left of a blurred part, each way. */
const spots = 5;

/** A part of a picture of which nothing can be made out any more; null where it covers no pixel. */
async function blurred(
  image: Sharp,
  { x, y, width, height }: Extract<Shape, { form: 'blur' }>,
  size: Size,
): Promise<OverlayOptions | null> {
  const side = Math.max(size.width, size.height);
  const left = Math.floor(x * side);
  const top = Math.floor(y * side);
  const part = {
    left,
    top,
    width: Math.min(Math.ceil(width * side), size.width - left),
    height: Math.min(Math.ceil(height * side), size.height - top),
  };
  if (part.width < 1 || part.height < 1) return null;
  // By what is left and no more: a smooth blur can be undone.
  const few = await image
    .extract(part)
    .resize({ width: Math.min(spots, part.width), height: Math.min(spots, part.height), fit: 'fill' })
    .png()
    .toBuffer();
  const input = await sharp(few)
    .resize({ width: part.width, height: part.height, fit: 'fill', kernel: 'cubic' })
    .png()
    .toBuffer();
  return { input, left: part.left, top: part.top };
}

const ink = '#1450b4';
const halo = '#ffffff';

/** What is drawn on a photo, as an SVG of its size. */
function drawingOf(shapes: readonly Shape[], { width, height }: Size): string {
  const side = Math.max(width, height);
  const body = shapes.map((shape) => drawn(shape, side)).join('');
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}">${body}</svg>`;
}

function drawn(shape: Shape, side: number): string {
  const line = Math.max(2, side * 0.006);
  const stroked = (what: string): string =>
    `<g fill="none" stroke-linecap="round" stroke-linejoin="round"><g stroke="${halo}" stroke-width="${2.2 * line}">${what}</g><g stroke="${ink}" stroke-width="${line}">${what}</g></g>`;
  switch (shape.form) {
    case 'arrow': {
      const { x, y, toX, toY } = shape;
      const head = arrowHead(shape)
        .map(([atX, atY]) => `${atX * side},${atY * side}`)
        .join(' ');
      return stroked(
        `<path d="M${x * side} ${y * side}L${toX * side} ${toY * side}"/><polyline points="${head}"/>`,
      );
    }
    case 'ring':
      return stroked(`<circle cx="${shape.x * side}" cy="${shape.y * side}" r="${shape.radius * side}"/>`);
    case 'text':
      return written(shape, side);
    case 'blur':
      return '';
  }
}

/** Words on a ground of their own. */
function written({ x, y, words }: Extract<Shape, { form: 'text' }>, side: number): string {
  const size = textSize(side);
  const [left, top] = [x * side, y * side];
  const box = `<rect x="${left}" y="${top}" width="${widthOf(words, size) + size}" height="${1.6 * size}" rx="${size / 5}" fill="${halo}"/>`;
  return box + outlinesOf(words, { x: left + size / 2, y: top + 1.15 * size, size, ink });
}

/** Height of letters on a photo, in pixels of its longer side. */
const textSize = (side: number): number => 0.032 * side;
