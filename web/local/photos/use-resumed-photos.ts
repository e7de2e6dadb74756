import { useEffect } from 'react';
import { useLocal } from '../local-store';
import { useKeep } from '../use-logs';

/** Once a page stands: photos that a tab left behind half way are made ready and kept. */
export function useResumedPhotos(): void {
  const { store, sync, unsent } = useLocal();
  const keep = useKeep();
  useEffect(() => {
    if (keep === null) return;
    const resume = async (): Promise<void> => {
      if ((await store.photoFiles.count()) === 0) return;
      const { resumePhotos } = await import('./take-photos');
      await unsent.during(resumePhotos(store, (job, statement) => keep.inJob(job, statement)));
      sync.wakeSoon();
    };
    const timer = setTimeout(() => void resume().catch(() => {}), 1500);
    return () => clearTimeout(timer);
  }, [store, sync, unsent, keep]);
}
