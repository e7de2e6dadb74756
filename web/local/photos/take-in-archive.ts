import { type JobFile, jobArchiveName, mostArchiveBytes, photoOfFile } from '@fair-plug/core/exchange';
import { mostPhotoBytes } from '@fair-plug/core/knowledge';
import { foldHouse } from '@fair-plug/core/log';
import { bytesHash } from '@fair-plug/core/log/chain.ts';
import {
  BlobReader,
  configure,
  type FileEntry,
  TextWriter,
  Uint8ArrayWriter,
  ZipReader,
} from '@zip.js/zip.js';
import type { Local } from '../local-store';
import { keepPhoto } from './kept';
import { photoMaker } from './maker';

configure({ useWebWorkers: false });

/** More files than that has no job. */
const mostFiles = 2000;
const longestText = 200_000_000;

/** A job's archive: its file's text, and where in it its photos stand. */
export interface OpenedArchive {
  readonly text: string;
  readonly photos: readonly FileEntry[];
}

const tooLarge = 'This file is larger than a job with its photos can be.';

/** Opens a job's archive without unpacking its photos. Throws an error whose message says what is wrong with the file. */
export async function openArchive(file: Blob): Promise<OpenedArchive> {
  if (file.size > mostArchiveBytes) throw new Error(tooLarge);
  const entries = await new ZipReader(new BlobReader(file)).getEntries().catch(() => {
    throw new Error('This is no ZIP file that can be read.');
  });
  if (entries.length > mostFiles) throw new Error(tooLarge);
  const files = entries.flatMap((entry): FileEntry[] => (entry.directory ? [] : [entry]));
  const job = files.find(({ filename }) => filename === jobArchiveName);
  if (job === undefined) throw new Error('There is no job in this ZIP file.');
  // By what it claims, before anything is unpacked; more than that is never read.
  if (job.uncompressedSize > longestText) throw new Error(tooLarge);
  return {
    text: await job.getData(new TextWriter()),
    photos: files.filter(({ filename }) => photoOfFile(filename) !== null),
  };
}

/**
 * Keeps the photos of a job's archive here, to be sent like any other: whole ones only where they are the bytes that an
 * entry names. Throws where one was altered; nothing of the job was taken in then.
 */
export async function takeInPhotos(
  { store }: Pick<Local, 'store'>,
  { job, entries }: JobFile,
  { photos }: OpenedArchive,
): Promise<void> {
  const { photos: said = [] } = foldHouse(entries);
  const spokenOf = new Set([
    ...said.map(({ hash }) => hash),
    ...entries.flatMap((entry) => (entry.kind === 'photo-taken' ? [entry.hash] : [])),
  ]);
  for (const entry of photos) {
    const named = photoOfFile(entry.filename);
    if (named === null || !spokenOf.has(named.hash)) continue;
    if (entry.uncompressedSize > mostPhotoBytes)
      throw new Error('A photo in this file is larger than photos are. Nothing was taken.');
    const bytes = await entry.getData(new Uint8ArrayWriter());
    const isAltered = !named.isBlurred && bytesHash(bytes) !== named.hash;
    if (isAltered) throw new Error('A photo in this file was altered. Nothing was taken.');
    const whole = bytes.slice().buffer;
    const small = await photoMaker().smallOf(new Blob([whole], { type: 'image/jpeg' }));
    if (small === null) throw new Error('A photo in this file cannot be decoded. Nothing was taken.');
    const burnt = named.isBlurred ? entry.comment.split(',').filter((id) => id !== '') : null;
    await keepPhoto(store, job, { hash: named.hash, whole, small, burnt });
  }
}
