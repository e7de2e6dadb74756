import type { PhotoSubject } from '@fair-plug/core/knowledge';
import type { JobStatement } from '@fair-plug/core/log';
import { useCallback } from 'react';
import { v7 } from 'uuid';
import type { NotTaken } from '@/workers/photo.worker';
import { useLocal } from '../local-store';
import { useKeep } from '../use-logs';
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
  readonly refused: readonly { readonly name: string; readonly why: NotTaken | 'no-room' }[];
}

/** At most so many files at a time. */
export const mostFiles = 30;

/**
 * Makes files of photos ready and keeps them here, one after another, each with its entry; they are sent like anything
 * else. null for readers.
 */
export function useTakePhotos(
  job: string,
): ((subject: Photographed, files: readonly File[]) => Promise<TakenPhotos>) | null {
  const { store, sync, unsent } = useLocal();
  const keep = useKeep();
  const take = useCallback(
    async (subject: Photographed, files: readonly File[]): Promise<TakenPhotos> => {
      const refused: { name: string; why: NotTaken | 'no-room' }[] = [];
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
        await keep?.inJob(job, {
          kind: 'photo-taken',
          photo: v7(),
          ...subject,
          hash,
          width,
          height,
          ...(takenAt === null ? {} : { takenAt }),
        } satisfies JobStatement);
        taken += 1;
      }
      sync.wakeSoon();
      return { taken, refused };
    },
    [store, sync, keep, job],
  );
  const during = useCallback(
    (subject: Photographed, files: readonly File[]) => unsent.during(take(subject, files)),
    [unsent, take],
  );
  return keep === null ? null : during;
}
