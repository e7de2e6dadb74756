import { clockAt } from './clock.ts';
import type { Entry } from './entry.ts';

const byText = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

export const clockOf = (entry: Entry): string => entry.clock ?? clockAt(entry.at);

/** The one order of all entries: by clock, then device, then id. */
export const inOrder = (a: Entry, b: Entry): number =>
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
