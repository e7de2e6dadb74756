import type { PhotoSubject } from '@fair-plug/core/knowledge';
import type { JobStatement } from '@fair-plug/core/log';
import { v7 } from 'uuid';
import type { NotTaken } from '@/workers/photo.worker';
import type { LocalDatabase } from '../tables';
import { keepPhoto, makeRoom, photosLeft } from './kept';
import { photoMaker } from './maker';

/** What photos are taken of. */
export interface Photographed {
  readonly of: PhotoSubject;
  /** The id of what it is; left out for the house. */
  readonly about?: string;
}

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

export interface TakingPhotos {
  readonly store: LocalDatabase;
  readonly job: string;
  readonly subject: Photographed;
  readonly files: readonly File[];
  /** Keeps the entry of a photo. */
  readonly say: (statement: JobStatement) => Promise<unknown>;
}

/** Makes files of photos ready and keeps them here, one after another, each with its entry. */
export async function takePhotos({ store, job, subject, files, say }: TakingPhotos): Promise<TakenPhotos> {
  const refused: { name: string; why: TakenPhotos['refused'][number]['why'] }[] = files
    .slice(mostFiles)
    .map(({ name }) => ({ name, why: 'too-many' }));
  let taken = 0;
  for (const file of files.slice(0, mostFiles)) {
    if ((await photosLeft()) === 0) await makeRoom(store);
    if ((await photosLeft()) === 0) {
      refused.push({ name: file.name, why: 'no-room' });
      continue;
    }
    const made = await photoMaker().make(file);
    if (typeof made === 'string') {
      refused.push({ name: file.name, why: made });
      continue;
    }
    const { whole, small, hash, width, height, takenAt } = made;
    // The bytes first: an entry that is here has its photo here.
    await keepPhoto(store, job, { hash, whole, small });
    await say({
      kind: 'photo-taken',
      photo: v7(),
      ...subject,
      hash,
      width,
      height,
      ...(takenAt === null ? {} : { takenAt }),
    });
    taken += 1;
  }
  return { taken, refused };
}
