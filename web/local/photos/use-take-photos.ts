import { useCallback } from 'react';
import { useLocal } from '../local-store';
import type { Photographed } from '../tables';
import { useKeep } from '../use-logs';
import type { SayPhoto, TakenPhotos } from './take-photos';

/** Takes files as photos of something. */
export type TakePhotosOf = (subject: Photographed, files: readonly File[]) => Promise<TakenPhotos>;

/** Photos of a job are kept here and sent like anything else; null for readers. What makes them ready is loaded with the first. */
export function useTakePhotos(job: string): TakePhotosOf | null {
  const { store, sync, unsent } = useLocal();
  const keep = useKeep();
  const take = useCallback<TakePhotosOf>(
    (subject, files) =>
      unsent.during(
        import('./take-photos').then(async ({ takePhotos }) => {
          const say: SayPhoto = async (log, statement) => keep?.inJob(log, statement);
          const taken = await takePhotos({ store, job, subject, files, say });
          sync.wakeSoon();
          return taken;
        }),
      ),
    [store, sync, unsent, keep, job],
  );
  return keep === null ? null : take;
}
