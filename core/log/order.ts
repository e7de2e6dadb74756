import { clockAt } from './clock.ts';
import type { Entry, JobEntry } from './entry.ts';
import type { Stamped } from './kept.ts';

const byText = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

export const clockOf = (entry: Stamped): string => entry.clock ?? clockAt(entry.at);

/** The one order of all entries: by clock, then device, then id. */
export const inOrder = (a: Stamped, b: Stamped): number =>
  byText(clockOf(a), clockOf(b)) || byText(a.device, b.device) || byText(a.id, b.id);

/** Each entry once, in order, without those that were withdrawn and without the withdrawals. */
export function standing<E extends Entry>(entries: Iterable<E>): Exclude<E, { kind: 'withdrawn' }>[] {
  const byId = new Map<string, E>();
  const gone = new Set<string>();
  for (const entry of entries) {
    byId.set(entry.id, entry);
    if (entry.kind === 'withdrawn') for (const id of entry.entries) gone.add(id);
  }
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
