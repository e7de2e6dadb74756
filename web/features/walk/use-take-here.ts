import type { TakenPhotos } from '@/local/photos/take-photos';
import { useTakePhotos } from '@/local/photos/use-take-photos';
import type { WalkRecord } from './use-walk';

type TakeHere = (of: 'receptacle' | 'box', files: readonly File[]) => Promise<TakenPhotos>;

/**
 * Takes photos of the receptacle in hand: of the one that was shown when they were chosen, wherever the walk has gone by
 * the time they are ready. One that is new is described first. null for readers.
 */
export function useTakeHere(job: string, name: string, statement: WalkRecord['statement']): TakeHere | null {
  const take = useTakePhotos(job);
  if (take === null) return null;
  return (of, files) =>
    new Promise((done, failed) => {
      statement((about) => {
        take({ of, about }, files).then(done, failed);
        return [];
      }, `Photo: ${name}`);
    });
}
