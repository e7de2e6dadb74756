import { crc32, deflateSync } from 'node:zlib';
import sharp from 'sharp';
import { describe, expect, test } from 'vitest';
import { isPrintable, markFrom } from './pictures.ts';

const addressOf = (bytes: Buffer, kind = 'png'): string =>
  `data:image/${kind};base64,${bytes.toString('base64')}`;
const plain = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#246' } });
const sizeOf = (address: string | null) =>
  sharp(Buffer.from((address ?? '').split(',')[1] ?? '', 'base64')).metadata();

function chunk(name: string, data: Buffer): Buffer {
  const body = Buffer.concat([Buffer.from(name, 'latin1'), data]);
  const ends = Buffer.alloc(8);
  ends.writeUInt32BE(data.length, 0);
  ends.writeUInt32BE(crc32(body), 4);
  return Buffer.concat([ends.subarray(0, 4), body, ends.subarray(4)]);
}

/** A valid PNG (ISO/IEC 15948, from memory) of black one-bit pixels: 16,000 by 16,000 in some thirty kilobytes. */
function bomb(): Buffer {
  const side = 16_000;
  const header = Buffer.alloc(13);
  header.writeUInt32BE(side, 0);
  header.writeUInt32BE(side, 4);
  header.writeUInt8(1, 8);
  const rows = deflateSync(Buffer.alloc(side * (1 + side / 8)));
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk('IHDR', header),
    chunk('IDAT', rows),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

describe('the mark of a letterhead', () => {
  test('is encoded anew, no larger than it is printed, with nothing else of the file', async () => {
    const photo = await plain(4000, 3000)
      .withExif({ IFD0: { Copyright: 'somebody' } })
      .jpeg()
      .toBuffer();
    const mark = await markFrom(addressOf(photo, 'jpeg'));
    expect(mark).toMatch(/^data:image\/png;base64,/);
    const { width, height, exif } = await sizeOf(mark);
    expect([width, height, exif]).toEqual([427, 320, undefined]);
    expect(await isPrintable(mark ?? '')).toBe(true);
    // Noise does not shrink well: smaller until an entry takes it.
    const noise = await sharp({
      create: {
        width: 900,
        height: 900,
        channels: 3,
        background: '#fff',
        noise: { type: 'gaussian', mean: 128, sigma: 60 },
      },
    })
      .png()
      .toBuffer();
    expect((await markFrom(addressOf(noise)))?.length).toBeLessThanOrEqual(80_000);
  });

  test.each([
    ['HTML', Buffer.from('<html><script>1</script></html>')],
    ['a drawing that runs', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>')],
    ['nothing', Buffer.from([0])],
  ])('%s is none, whatever it says it is', async (_, bytes) => {
    expect(await markFrom(addressOf(bytes))).toBeNull();
    expect(await isPrintable(addressOf(bytes))).toBe(false);
  });

  test('one that breaks off, one of another kind, and one that unpacks to a quarter of a gigabyte are none', async () => {
    const whole = await plain(300, 200).png().toBuffer();
    expect(await isPrintable(addressOf(whole))).toBe(true);
    expect(await isPrintable(addressOf(whole.subarray(0, whole.length - 40)))).toBe(false);
    expect(await isPrintable(addressOf(whole, 'jpeg'))).toBe(false);
    const small = bomb();
    expect(small.length).toBeLessThan(60_000);
    expect((await sharp(small).metadata()).width).toBe(16_000);
    expect(await markFrom(addressOf(small))).toBeNull();
    expect(await isPrintable(addressOf(small))).toBe(false);
  });

  test('one that is no bomb and yet larger than anybody prints is not stored', async () => {
    expect(await isPrintable(addressOf(await plain(1200, 700).png().toBuffer()))).toBe(false);
  });
});
