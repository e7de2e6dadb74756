import { clockAt } from './clock.ts';
import type { Stamped } from './kept.ts';

const byText = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** What an entry is ordered by. One with a clock that can be nobody's counts from when it was received. */
export const clockOf = ({ clock, at, received }: Pick<Stamped, 'clock' | 'at' | 'received'>): string =>
  received === undefined ? (clock ?? clockAt(at)) : clockAt(received);

/** The one order of all entries: by clock, then device, then id. */
export const inOrder = (a: Stamped, b: Stamped): number =>
  byText(clockOf(a), clockOf(b)) || byText(a.device, b.device) || byText(a.id, b.id);
