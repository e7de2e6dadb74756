import { type House, type JobEntry, whereIs } from '@fair-plug/core/inspection';
import type { InHand } from './walk-order';

const undone: Partial<Record<JobEntry['kind'], string>> = {
  'lamps-read': 'the reading of',
  'reading-taken': 'the reading of',
  'receptacle-fed': 'the breaker of',
  'look-noted': 'a look of',
  'cover-off': 'what was seen inside',
  'not-reached': 'not reached:',
  'protection-noted': 'the labels of',
  'ground-fault-tested': 'the ground-fault test at',
  'people-warned': 'the warning at',
  noted: 'a note on',
  'receptacle-merged': 'the merging of',
  'receptacle-described': 'the description of',
};

/** What an undo takes back in a few words, and where that is. */
export function touched(
  house: House,
  entries: readonly JobEntry[],
  ids: readonly string[],
): { readonly name: string; readonly place: InHand | null } {
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
  return { name: room ?? 'the last entry', place: null };
}
