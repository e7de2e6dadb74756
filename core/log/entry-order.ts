import { clockAt } from './clock.ts';
import type { Stamped } from './kept.ts';

const byText = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

export const clockOf = (entry: Stamped): string => entry.clock ?? clockAt(entry.at);

/** The one order of all entries: by clock, then device, then id. */
export const inOrder = (a: Stamped, b: Stamped): number =>
  byText(clockOf(a), clockOf(b)) || byText(a.device, b.device) || byText(a.id, b.id);
