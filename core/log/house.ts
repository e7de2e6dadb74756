import type { Lamps } from '../instruments/lamps.ts';
import type { AdapterTab, RemedyInPlace } from '../knowledge/house-parts.ts';
import type {
  CloseOutItem,
  ConductorMetal,
  DeviceMarking,
  Insulation,
  JacketMark,
  Look,
  NotReachedReason,
  ProtectionLabel,
  ReceptacleType,
} from '../knowledge/observations.ts';
import type { Region } from '../knowledge/regions.ts';
import type { OfCircuits } from './circuits-said.ts';
import type { HouseParts } from './house-parts.ts';
import type {
  FindingEntry,
  GroundFaultTested,
  Noted,
  PeopleWarned,
  ReadingTaken,
  Signed,
  TesterDropped,
  TesterProved,
  WentDead,
} from './kept.ts';
import type { Photo } from './photos.ts';

export interface Receptacle {
  readonly id: string;
  readonly name: string;
  /** Ids under which it was entered besides; left out where there are none. */
  readonly mergedFrom?: readonly string[];
  /** What every instrument showed, as far as it stands, oldest first. */
  readonly readings: readonly ReadingTaken[];
  /** The breaker that feeds it, where that was found out. */
  readonly breaker: string | null;
  /** Its place along the run, counted from the panel. */
  readonly place: number | null;
  /** The receptacle that feeds it, where that is not the one before it along the run; left out where nobody said so. */
  readonly fedFrom?: string;
  readonly type: ReceptacleType | null;
  /** A three-to-two adapter is in use. */
  readonly adapter: boolean;
  /** What its tab was found to be; left out where nobody said it. */
  readonly adapterTab?: AdapterTab;
  /** Share of the way round the room's walls, clockwise from the corner at the top left. */
  readonly spot: number | null;
  /** The receptacle whose lower half this is. */
  readonly halfOf: string | null;
  /** Whether both halves were tried, when, and whether they read alike; left out where nobody said. */
  readonly halves?: { readonly alike: boolean; readonly at: string };
  /** What stands of its looks, in the order of `looks`. */
  readonly looks: readonly Look[];
  readonly coverOff: CoverOff | null;
  readonly notReached: NotReachedReason | null;
  readonly protection: Protection;
  readonly groundFaultTests: readonly GroundFaultTested[];
  readonly warnings: readonly PeopleWarned[];
  readonly notes: readonly Noted[];
}

/** What was seen inside the box. */
export interface CoverOff {
  readonly metal?: ConductorMetal | undefined;
  readonly jacket?: JacketMark | undefined;
  readonly awg?: number | undefined;
  readonly breakerAmps?: number | undefined;
  readonly insulation?: Insulation | undefined;
  readonly jumper?: boolean | undefined;
  readonly pushIn?: boolean | undefined;
  readonly marking?: DeviceMarking | undefined;
  /** What was done before to its aluminum. */
  readonly remedy?: RemedyInPlace | undefined;
  /** Whether a ground arrives in the box. */
  readonly ground?: boolean | undefined;
  /** A conductor is nicked or snapped. */
  readonly nicked?: boolean | undefined;
  /** Year on its jacket. */
  readonly jacketYear?: number | undefined;
}

export interface Protection {
  /** null: nobody looked. */
  readonly labels: readonly ProtectionLabel[] | null;
  readonly resetAt: string | null;
  readonly lockedOut: boolean;
  readonly madeIn: number | null;
}

export interface Room {
  /** null gathers receptacles that were read but never described. */
  readonly id: string | null;
  readonly name: string;
  /** How many receptacles are looked for there; null: not said. */
  readonly expected: number | null;
  readonly door: number;
  readonly receptacles: readonly Receptacle[];
}

export interface Alteration {
  readonly year: number;
  readonly what: string;
}

/** What is said of the job as a whole; null where it was not said. */
export interface Described {
  readonly address: string | null;
  readonly client: string | null;
  readonly yearBuilt: number | null;
  readonly about: string | null;
  /** Whether the branch wiring has grounds; null: not known. */
  readonly groundedWiring: boolean | null;
  readonly storeys: number | null;
  readonly region: Region;
  readonly alterations: readonly Alteration[];
  /** Whether breakers may be switched; null: not asked. */
  readonly breakerLeave: boolean | null;
  readonly leaveFrom: string | null;
  readonly keepPowered: readonly string[];
  readonly utilityOn: boolean | null;
  readonly breakersFoundOff: string | null;
  readonly devicesFoundTripped: string | null;
  readonly present: string | null;
  /** Houses of the same subdivision are known to have aluminum branch wiring. */
  readonly aluminumNearby: boolean | null;
  /** Where the house's clocks stand, as the time zone database names it; left out where nobody said it. */
  readonly timeZone?: string;
}

/** What was done in the house as a whole. */
export interface Done extends OfCircuits {
  /** Testers tried on a receptacle known to be good, oldest first. */
  readonly proofs: readonly TesterProved[];
  /** Testers that were dropped, oldest first; left out where none was. */
  readonly drops?: readonly TesterDropped[];
  /** How many are to be tested (null: all that can be reached); absent where nobody chose. */
  readonly plan: { readonly sample: number | null } | null;
  /** What was known to be dead with a device or a breaker, time by time, oldest first. */
  readonly wentDead: readonly WentDead[];
  /** What was seen to before leaving. */
  readonly left: readonly CloseOutItem[];
  /** What was decided on findings, oldest first. */
  readonly findingEntries: readonly FindingEntry[];
  /** Names of authors who came in with a file from another firm, by id; left out where there are none. */
  readonly authors?: Readonly<Record<string, string>>;
  /** In their order; left out where none was taken. */
  readonly photos?: readonly Photo[];
  /** Who signed the report, each role's latest. */
  readonly signatures: readonly Signed[];
}

export interface House extends Described, Done {
  /** What is no receptacle; left out where nobody spoke of it. */
  readonly parts?: HouseParts;
  /** In the order of the walk. */
  readonly rooms: readonly Room[];
  /** Time of the first and the last standing reading. */
  readonly firstReadAt: string | null;
  readonly lastReadAt: string | null;
  /** By role, the time of the latest entry after that signature; left out where nothing was changed since. */
  readonly changedSince?: Readonly<Partial<Record<Signed['role'], string>>>;
}

/** Lamps as they light with the circuit as it is: neither its loads nor its breaker switched off. */
export const isPlainLamps = ({ shown }: ReadingTaken): boolean =>
  shown.instrument === 'lamps' && shown.state?.loadsOff !== true && shown.state?.breakerOff !== true;

/** The lamps that count: the latest that were read plain. */
export function currentLamps({ readings }: Receptacle): Lamps | null {
  const shown = readings.findLast(isPlainLamps)?.shown;
  return shown?.instrument === 'lamps' ? { hn: shown.hn, hg: shown.hg, ng: shown.ng } : null;
}

/** How many receptacles had both halves tried: said of them, or the lower half read by itself. */
export function halvesTriedIn(house: House): number {
  const all = receptaclesOf(house);
  const read = new Set(all.flatMap(({ halfOf, readings }) => (readings.length > 0 ? [halfOf] : [])));
  return all.filter(({ id, halves }) => halves !== undefined || read.has(id)).length;
}

const listed = new WeakMap<readonly Room[], readonly Receptacle[]>();

/** All receptacles of a house, room by room. */
export function receptaclesOf({ rooms }: House): readonly Receptacle[] {
  const all = listed.get(rooms) ?? rooms.flatMap((room) => room.receptacles);
  listed.set(rooms, all);
  return all;
}

/** A room that was described. */
export type NamedRoom = Room & { readonly id: string };

/** Rooms that were described: those that can be walked. */
export const namedRooms = (house: House): readonly NamedRoom[] =>
  house.rooms.filter((room): room is NamedRoom => room.id !== null);

/** A receptacle with the room that it is in; null where no described room has one of that id. */
export function whereIs(
  house: House,
  id: string,
): { readonly room: NamedRoom; readonly receptacle: Receptacle } | null {
  for (const room of namedRooms(house)) {
    const receptacle = room.receptacles.find((one) => one.id === id);
    if (receptacle !== undefined) return { room, receptacle };
  }
  return null;
}

/** "Den 5": the room's name and the first number that none of its receptacles has. */
export function nextReceptacleName(room: Room): string {
  const taken = new Set(room.receptacles.map((receptacle) => receptacle.name));
  let number = room.receptacles.length + 1;
  while (taken.has(`${room.name} ${number}`)) number += 1;
  return `${room.name} ${number}`;
}
