import type { TesterLayout } from '../instruments/tester-layout.ts';
import type { KitEntry } from './entry.ts';
import { standing } from './order.ts';

export interface Tester {
  readonly id: string;
  readonly name: string;
  readonly layout: TesterLayout;
}

/** The testers of a kit, the latest described last; order and duplicates of the entries do not matter. */
export function foldKit(entries: Iterable<KitEntry>): readonly Tester[] {
  const testers = new Map<string, Tester>();
  for (const entry of standing(entries)) {
    testers.delete(entry.tester);
    testers.set(entry.tester, { id: entry.tester, name: entry.name, layout: entry.layout });
  }
  return [...testers.values()];
}
