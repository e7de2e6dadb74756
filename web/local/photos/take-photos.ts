import type { JobStatement } from '@fair-plug/core/log';
import { v7 } from 'uuid';
import type { NotTaken } from '@/workers/photo.worker';
import type { LocalDatabase, LogKey, PhotoFile, Photographed } from '../tables';
import { keepPhoto, makeRoom, photosLeft } from './kept';
import { photoMaker } from './maker';

export interface TakenPhotos {
  readonly taken: number;
  /** Files that were not, each with the reason. */
  readonly refused: readonly {
    readonly name: string;
    readonly why: NotTaken | 'no-room' | 'too-many';
  }[];
}

/** At most so many files at a time. */
const mostFiles = 30;

/** Keeps the entry of a photo in a job. */
export type SayPhoto = (job: LogKey, statement: JobStatement) => Promise<unknown>;

export interface TakingPhotos {
  readonly store: LocalDatabase;
  readonly job: LogKey;
  readonly subject: Photographed;
  readonly files: readonly File[];
  readonly say: SayPhoto;
}

/** One tab at a time makes photos ready, and one photo at a time: a phone has the memory for no more. */
const inTurn = <T>(work: () => Promise<T>): Promise<T> =>
  navigator.locks === undefined ? work() : navigator.locks.request('fair-plug photos', work);

/** Makes a file ready and keeps it with its entry. Answers why it is not taken; null where it was. */
async function makeReady(
  store: LocalDatabase,
  { id, log, subject, file }: PhotoFile,
  say: SayPhoto,
): Promise<NotTaken | null> {
  const made = await photoMaker().make(file);
  if (typeof made === 'string') return made;
  const { whole, small, hash, width, height, takenAt } = made;
  // The bytes first: an entry that is here has its photo here. Said twice, one id is one photo.
  await keepPhoto(store, log, { hash, whole, small });
  await say(log, {
    kind: 'photo-taken',
    photo: id,
    ...subject,
    hash,
    width,
    height,
    ...(takenAt === null ? {} : { takenAt }),
  });
  return null;
}

/** Keeps the files as they are at once, then makes them ready one after another, each with its entry. */
export async function takePhotos({ store, job, subject, files, say }: TakingPhotos): Promise<TakenPhotos> {
  const refused: { name: string; why: TakenPhotos['refused'][number]['why'] }[] = files
    .slice(mostFiles)
    .map(({ name }) => ({ name, why: 'too-many' }));
  const chosen: PhotoFile[] = [];
  for (const file of files.slice(0, mostFiles)) {
    if ((await photosLeft()) === 0) await makeRoom(store);
    if ((await photosLeft()) === 0) {
      refused.push({ name: file.name, why: 'no-room' });
      continue;
    }
    const one: PhotoFile = { id: v7(), log: job, subject, name: file.name, file };
    await store.photoFiles.put(one);
    chosen.push(one);
  }
  let taken = 0;
  for (const one of chosen) {
    const why = await inTurn(() => makeReady(store, one, say));
    await store.photoFiles.delete(one.id);
    if (why === null) taken += 1;
    else refused.push({ name: one.name, why });
  }
  return { taken, refused };
}

/** Goes on with files that a tab left behind when it was closed. */
export async function resumePhotos(store: LocalDatabase, say: SayPhoto): Promise<void> {
  for (const { id } of await store.photoFiles.toArray())
    await inTurn(async () => {
      // Another tab may have done it by now.
      const one = await store.photoFiles.get(id);
      if (one === undefined) return;
      await makeReady(store, one, say);
      await store.photoFiles.delete(id);
    });
}
