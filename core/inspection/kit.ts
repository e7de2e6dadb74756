import type { InstrumentId } from '../circuit/names.ts';
import type { TesterLayout } from '../instruments/tester-layout.ts';
import type { KitEntry } from './entry.ts';
import { type FirmSettings, foldFirm } from './firm.ts';
import { standing } from './order.ts';

/** The latest time that an instrument was tried on a receptacle known to be good. */
export interface LastProof {
  readonly at: string;
  readonly passed: boolean;
}

export interface Tester {
  readonly id: string;
  readonly name: string;
  readonly layout: TesterLayout;
  /** As printed on it: category and volts. */
  readonly rating: string | null;
  readonly lastProof: LastProof | null;
}

/** Rooms to begin a house with. */
export interface RoomTemplate {
  readonly id: string;
  readonly name: string;
  readonly rooms: readonly { readonly name: string; readonly expected: number | null }[];
}

export interface Kit {
  /** The latest described last. */
  readonly testers: readonly Tester[];
  /** In the order of their names. */
  readonly templates: readonly RoomTemplate[];
  /** Of the instruments that are no plug-in lamps. */
  readonly lastProofs: ReadonlyMap<InstrumentId, LastProof>;
  /** How the firm decides, words and signs its reports. */
  readonly firm: FirmSettings;
}

/** The kit that a set of entries describes; order and duplicates of the entries do not matter. */
export function foldKit(entries: Iterable<KitEntry>): Kit {
  const testers = new Map<string, Omit<Tester, 'lastProof'>>();
  const templates = new Map<string, RoomTemplate>();
  const ofTester = new Map<string, LastProof>();
  const lastProofs = new Map<InstrumentId, LastProof>();
  const said = standing(entries);
  for (const entry of said)
    switch (entry.kind) {
      case 'tester-described': {
        const { tester: id, name, layout, rating = testers.get(entry.tester)?.rating ?? null } = entry;
        testers.delete(id);
        testers.set(id, { id, name, layout, rating });
        break;
      }
      case 'tester-proved': {
        const proof = { at: entry.at, passed: entry.passed };
        if (entry.tester === undefined) lastProofs.set(entry.instrument, proof);
        else ofTester.set(entry.tester, proof);
        break;
      }
      case 'room-template-saved':
        templates.set(entry.template, { id: entry.template, name: entry.name, rooms: entry.rooms });
        break;
    }
  return {
    testers: [...testers.values()].map((tester) => ({
      ...tester,
      lastProof: ofTester.get(tester.id) ?? null,
    })),
    templates: [...templates.values()]
      .filter(({ rooms }) => rooms.length > 0)
      .sort((a, b) => a.name.localeCompare(b.name, 'en')),
    lastProofs,
    firm: foldFirm(said),
  };
}
