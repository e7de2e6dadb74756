'use client';

import { type JobEntry, type JobStatement, latestAction } from '@fair-plug/core/log';
import { useWords } from '@/components/region-words';
import { useDrawn } from '@/components/use-drawn';
import { useLocal } from '@/local/local-store';
import { deviceId } from '@/local/store';
import { type JobPart, useKeep } from '@/local/use-logs';
import { touched } from './undone';
import type { CurrentPlace } from './walk-order';

/** One withdrawal takes back so many entries at the most. */
const mostWithdrawn = 20;

export interface Undone {
  /** null: there was nothing to undo. */
  readonly name: string | null;
  readonly place: CurrentPlace | null;
}

/** Takes back the latest action of this device that still stands: pressed twice, the latest two. */
export function useUndo(job: string, onUndone: (undone: Undone) => void): () => void {
  const words = useWords();
  const keep = useKeep();
  const { store } = useLocal();
  return useDrawn(() => {
    if (keep === null) return;
    let undone: Undone = { name: null, place: null };
    const takenBack =
      (device: string): JobPart =>
      ({ house, entries }) => {
        const log = entries as readonly JobEntry[];
        const ids = latestAction(log, device);
        if (ids.length === 0) return [];
        undone = touched(house, log, ids, words);
        return Array.from(
          { length: Math.ceil(ids.length / mostWithdrawn) },
          (_, part): JobStatement => ({
            kind: 'withdrawn',
            entries: ids.slice(part * mostWithdrawn, (part + 1) * mostWithdrawn),
          }),
        );
      };
    void deviceId(store)
      .then((device) => keep.inJob(job, takenBack(device)))
      .then(() => onUndone(undone));
  });
}
