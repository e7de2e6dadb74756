import { type House, type JobEntry, whereIs } from '@fair-plug/core/log';
import type { Spoken } from '@fair-plug/core/words';
import type { CurrentPlace } from './walk-order';

/** What an undo takes back in a few words, and where that is. */
export function touched(
  house: House,
  entries: readonly JobEntry[],
  ids: readonly string[],
  { undone }: Spoken,
): { readonly name: string; readonly place: CurrentPlace | null } {
  const gone = entries.filter((entry) => ids.includes(entry.id));
  const about = gone.findLast((entry) => 'receptacle' in entry);
  if (about !== undefined && 'receptacle' in about) {
    const at = whereIs(house, about.receptacle);
    if (at !== null)
      return {
        name: `${undone[about.kind] ?? 'the last entry at'} ${at.receptacle.name}`,
        place: { room: at.room.id, receptacle: at.receptacle.id },
      };
  }
  const [room] = gone.flatMap((entry) => (entry.kind === 'room-described' ? [entry.name] : []));
  const last = gone.at(-1);
  const words = last === undefined ? null : undone[last.kind];
  return { name: room ?? words ?? 'the last entry', place: null };
}
