import { Unzip, UnzipInflate } from 'fflate';

/** Bytes that are unpacked at a time: a packed byte may come to a thousand. */
const step = 16_384;

/**
 * Whether the files of a zip archive unpack to at most so many bytes together. They are unpacked and counted piece by
 * piece, since what an archive says of their sizes may be a lie. Throws where it is no archive.
 */
export async function unpacksWithin(file: Blob, most: number): Promise<boolean> {
  let bytes = 0;
  let failed: Error | null = null;
  const unzip = new Unzip((one) => {
    one.ondata = (error, piece) => {
      if (error !== null) failed = error;
      else bytes += piece.length;
    };
    one.start();
  });
  unzip.register(UnzipInflate);
  for (let at = 0; at < file.size && bytes <= most && failed === null; at += step) {
    const piece = new Uint8Array(await file.slice(at, at + step).arrayBuffer());
    unzip.push(piece, at + step >= file.size);
  }
  if (failed !== null) throw failed;
  return bytes <= most;
}
