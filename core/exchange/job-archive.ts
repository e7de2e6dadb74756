/** Names in the file of a whole job with its photos. */
export const jobArchiveName = 'job.json';

/** Where a photo stands: by its hash; under another name where something is blurred in it. */
export const photoFileName = (hash: string, burnt: readonly string[] | null): string =>
  `photos/${hash}${burnt === null ? '' : '-blurred'}.jpg`;

const photoFile = /^photos\/([0-9a-f]{64})(-blurred)?\.jpg$/;

/** What the name of a file says; null where it is no photo's. */
export function photoOfFile(name: string): { readonly hash: string; readonly isBlurred: boolean } | null {
  const [, hash, blurred] = photoFile.exec(name) ?? [];
  return hash === undefined ? null : { hash, isBlurred: blurred !== undefined };
}

/** A file of a whole job is no larger, in bytes: two hundred photos of a megabyte each, and their log. */
export const mostArchiveBytes = 800_000_000;
