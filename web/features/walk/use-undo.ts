'use client';

import { type JobEntry, type JobStatement, latestAction, latestUndo } from '@fair-plug/core/log';
import { useWords } from '@/components/region-words';
import { useDrawn } from '@/components/use-drawn';
import { useLocal } from '@/local/local-store';
import { deviceId } from '@/local/store';
import { useKeep } from '@/local/use-logs';
import { touched } from './undone';
import type { CurrentPlace } from './walk-order';

/** One withdrawal takes back so many entries at the most. */
const mostWithdrawn = 20;

const withdrawals = (ids: readonly string[]): readonly JobStatement[] =>
  Array.from(
    { length: Math.ceil(ids.length / mostWithdrawn) },
    (_, part): JobStatement => ({
      kind: 'withdrawn',
      entries: ids.slice(part * mostWithdrawn, (part + 1) * mostWithdrawn),
    }),
  );

export interface Undone {
  /** null: there was nothing to undo, or to take up again. */
  readonly name: string | null;
  readonly place: CurrentPlace | null;
  /** Something that was taken back can be taken up again. */
  readonly mayRedo: boolean;
}

/** Which entries a press takes back, and which it speaks of. */
type Choice = (
  log: readonly JobEntry[],
  device: string,
) => { readonly back: readonly string[]; readonly about: readonly string[] };

const undoing: Choice = (log, device) => {
  const back = latestAction(log, device);
  return { back, about: back };
};

const redoing: Choice = (log, device) => {
  const back = latestUndo(log, device);
  const about = log.flatMap((one) => (one.kind === 'withdrawn' && back.includes(one.id) ? one.entries : []));
  return { back, about };
};

/**
 * Takes back the latest action of this device that still stands (pressed twice, the latest two), or takes the latest
 * one up again that was taken back.
 */
export function useUndo(
  job: string,
  on: { readonly undone: (undone: Undone) => void; readonly redone: (redone: Undone) => void },
): { readonly undo: () => void; readonly redo: () => void } {
  const words = useWords();
  const keep = useKeep();
  const { store } = useLocal();
  const press = (choice: Choice, then: (done: Undone) => void): void => {
    if (keep === null) return;
    let done: Omit<Undone, 'mayRedo'> = { name: null, place: null };
    const pressed = async (): Promise<void> => {
      const device = await deviceId(store);
      const { entries: after } = await keep.inJob(job, ({ house, entries }) => {
        const log = entries as readonly JobEntry[];
        const { back, about } = choice(log, device);
        if (back.length > 0) done = touched(house, log, about, words);
        return withdrawals(back);
      });
      then({ ...done, mayRedo: latestUndo(after as readonly JobEntry[], device).length > 0 });
    };
    void pressed();
  };
  return {
    undo: useDrawn(() => press(undoing, on.undone)),
    redo: useDrawn(() => press(redoing, on.redone)),
  };
}
