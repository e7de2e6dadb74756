import type { Entry } from './entry.ts';
import { inOrder } from './entry-order.ts';

export type Withdrawal = Extract<Entry, { kind: 'withdrawn' }>;

/** What withdrawals come to. */
export interface Withdrawn {
  /** Ids of what counts no longer, withdrawals that were taken back among them. */
  readonly gone: ReadonlySet<string>;
  /** The withdrawals that count. */
  readonly by: readonly Withdrawal[];
}

/**
 * A withdrawal counts unless a later one takes it back, so that an undo can be undone and what was taken back taken up
 * again; whoever came last in the one order of all entries has the last word.
 */
export function withdrawnIn(entries: Iterable<Entry>): Withdrawn {
  const gone = new Set<string>();
  const by: Withdrawal[] = [];
  const withdrawals = [...entries].filter((entry) => entry.kind === 'withdrawn');
  for (const one of withdrawals.sort((a, b) => inOrder(b, a))) {
    if (gone.has(one.id)) continue;
    by.push(one);
    for (const id of one.entries) gone.add(id);
  }
  return { gone, by };
}
