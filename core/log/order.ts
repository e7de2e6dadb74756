import type { Entry, JobEntry } from './entry.ts';
import { inOrder } from './entry-order.ts';
import { withdrawnIn } from './withdrawals.ts';

/** Each entry once, in order, without those that were withdrawn and without the withdrawals. */
export function standing<E extends Entry>(entries: Iterable<E>): Exclude<E, { kind: 'withdrawn' }>[] {
  const byId = new Map<string, E>();
  for (const entry of entries) byId.set(entry.id, entry);
  const { gone } = withdrawnIn(byId.values());
  return [...byId.values()]
    .filter((entry) => entry.kind !== 'withdrawn' && !gone.has(entry.id))
    .sort(inOrder) as Exclude<E, { kind: 'withdrawn' }>[];
}

/**
 * The ids that one press of "undo" takes back: all standing entries that this device made in its latest
 * action (entries of one action share their time). Empty when nothing is left but the opening of the job.
 */
export function latestAction(entries: Iterable<JobEntry>, device: string): readonly string[] {
  const all = standing(entries);
  const own = all.filter((entry) => entry.device === device);
  const action = own.filter((entry) => entry.at === own.at(-1)?.at);
  const opening = all.find((entry) => entry.kind === 'job-described');
  return action.some((entry) => entry === opening) ? [] : action.map((entry) => entry.id);
}

/**
 * The withdrawals that one press of "redo" takes back: those of this device's latest undo, for as long as it has said
 * nothing else since. Empty where there is nothing to take up again.
 */
export function latestUndo(entries: Iterable<JobEntry>, device: string): readonly string[] {
  const all = [...entries];
  const kinds = new Map(all.map(({ id, kind }) => [id, kind]));
  const { gone, by } = withdrawnIn(all);
  const own = all.filter((entry) => entry.device === device).sort(inOrder);
  const said = own.filter((entry) => entry.kind !== 'withdrawn' && !gone.has(entry.id)).at(-1);
  const undone = by
    .filter(
      (one) =>
        one.device === device &&
        one.entries.some((id) => kinds.get(id) !== 'withdrawn') &&
        (said === undefined || inOrder(one, said) > 0),
    )
    .sort(inOrder);
  return undone.filter(({ at }) => at === undone.at(-1)?.at).map(({ id }) => id);
}
