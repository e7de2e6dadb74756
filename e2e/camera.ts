import sharp from 'sharp';

interface TakenFile {
  readonly name: string;
  readonly mimeType: string;
  readonly buffer: Buffer;
}

/** Photos of nothing: noise, each other noise, which no encoding makes small. */
export async function noisyPhotos(count: number, width = 1000, height = 800): Promise<TakenFile[]> {
  const files: TakenFile[] = [];
  for (let index = 0; index < count; index += 1) {
    const pixels = Buffer.alloc(width * height * 3);
    let state = 12_345 + index;
    for (let at = 0; at < pixels.length; at += 1) {
      // A linear congruential generator, as in the C standard's example.
      state = (Math.imul(state, 1_103_515_245) + 12_345) & 0x7fffffff;
      pixels[at] = state >>> 16;
    }
    const buffer = await sharp(pixels, { raw: { width, height, channels: 3 } })
      .jpeg({ quality: 85 })
      .toBuffer();
    files.push({ name: `photo ${index + 1}.jpg`, mimeType: 'image/jpeg', buffer });
  }
  return files;
}
