import type { InstrumentId } from '../circuit/names.ts';
import type { Shown } from '../circuit/tests-and-readings.ts';
import type { ConditionId, Urgency } from '../conditions/condition.ts';
import type {
  ConductorMetal,
  Danger,
  DeviceMarking,
  Insulation,
  JacketMark,
  LeavingItem,
  Look,
  NotReachedReason,
  ProtectionLabel,
  ReceptacleType,
} from '../conditions/observations.ts';
import type { Region } from '../conditions/regions.ts';
import type { Worker } from '../corrections/ways.ts';
import type { Lamps } from '../instruments/lamps.ts';

/** Who said something, with which device, and when. */
export interface Stamped {
  readonly id: string;
  readonly device: string;
  readonly author: string;
  /** The device's own time. */
  readonly at: string;
  readonly clock?: string | undefined;
}

/** What an instrument showed at a receptacle: plain lamps, lamps in another state of the circuit, and all others. */
export interface ReadingTaken extends Stamped {
  readonly kind: 'reading-taken';
  readonly receptacle: string;
  readonly tester?: string | undefined;
  readonly shown: Shown;
  /** Of a probe: whether the plate screw sounds. */
  readonly plateScrew?: boolean | undefined;
}

export interface GroundFaultTested extends Stamped {
  readonly kind: 'ground-fault-tested';
  readonly receptacle: string;
  readonly tester?: string | undefined;
  readonly by: 'tester-button' | 'own-button';
  readonly result: 'tripped' | 'no-trip' | 'power-stays-on' | 'no-power';
  readonly heldSeconds?: number | undefined;
}

export interface PeopleWarned extends Stamped {
  readonly kind: 'people-warned';
  readonly receptacle: string;
  readonly danger: Danger;
}

export interface Noted extends Stamped {
  readonly kind: 'noted';
  readonly receptacle: string;
  readonly text: string;
}

export interface TesterProved extends Stamped {
  readonly kind: 'tester-proved';
  readonly instrument: InstrumentId;
  readonly tester?: string | undefined;
  readonly passed: boolean;
}

/** What took the power from receptacles. */
export type LostBy =
  | { readonly kind: 'device'; readonly receptacle: string }
  | { readonly kind: 'breaker'; readonly breaker: string };

/** What was known to be dead with a device or a breaker at one time. */
export interface WentDead extends Stamped {
  readonly kind: 'went-dead';
  readonly by: LostBy;
  readonly dead: readonly string[];
  readonly powerBack: boolean;
  /** It was tried, and the power did not come back. */
  readonly willNotReset?: boolean;
}

export interface Signed extends Stamped {
  readonly kind: 'signed';
  readonly role: 'inspector' | 'client';
  readonly name: string;
  readonly strokes: readonly (readonly number[])[];
}

/** Words of a finding. */
export interface Wording {
  readonly urgency: Urgency;
  readonly headline: string;
  readonly what: string;
  readonly why: string;
  readonly correction: string;
  readonly by: Worker;
}

/** A finding as it stood when somebody took it over. */
export interface Held extends Wording {
  readonly condition: ConditionId | null;
  readonly isSuspected?: boolean | undefined;
  /** What it said, apart from its words; left out by older applications. */
  readonly code?: string | undefined;
  /** Where its cause sits, apart from its words. */
  readonly place?: string | undefined;
  readonly receptacles: readonly string[];
  readonly where: string | null;
}

interface OnFinding extends Stamped {
  readonly finding: string;
}
export type FindingDecided = OnFinding & { readonly kind: 'finding-decided' } & (
    | { readonly decision: 'accepted'; readonly held: Held }
    | { readonly decision: 'refused'; readonly reason: string; readonly held: Held }
    | { readonly decision: 'open' }
  );
/** Words in place of the proposal's; null gives the proposal's back. */
export type FindingEdited = OnFinding & { readonly kind: 'finding-edited' } & {
  readonly [K in keyof Wording]?: Wording[K] | null | undefined;
} & { readonly note?: string | null | undefined };
export interface FindingAdded extends OnFinding, Wording {
  readonly kind: 'finding-added';
  readonly receptacles: readonly string[];
}
export interface FindingSplit extends OnFinding {
  readonly kind: 'finding-split';
  readonly part: string;
  readonly receptacles: readonly string[];
}
export interface FindingMerged extends OnFinding {
  readonly kind: 'finding-merged';
  readonly into: string | null;
}
export interface FindingsOrdered extends Stamped {
  readonly kind: 'findings-ordered';
  readonly findings: readonly string[];
}
/** What was decided on findings. */
export type FindingEntry =
  | FindingDecided
  | FindingEdited
  | FindingAdded
  | FindingSplit
  | FindingMerged
  | FindingsOrdered;

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
  readonly type: ReceptacleType | null;
  /** A three-to-two adapter is in use. */
  readonly adapter: boolean;
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
}

/** What was done in the house as a whole. */
export interface Done {
  /** Testers tried on a receptacle known to be good, oldest first. */
  readonly proofs: readonly TesterProved[];
  /** How many are to be tested (null: all that can be reached); absent where nobody chose. */
  readonly plan: { readonly sample: number | null } | null;
  /** What was known to be dead with a device or a breaker, time by time, oldest first. */
  readonly wentDead: readonly WentDead[];
  /** What was seen to before leaving. */
  readonly left: readonly LeavingItem[];
  /** What was decided on findings, oldest first. */
  readonly findingsSaid: readonly FindingEntry[];
  /** Names of authors who came in with a file from another firm, by id; left out where there are none. */
  readonly authors?: Readonly<Record<string, string>>;
  /** Who signed the report, each role's latest. */
  readonly signatures: readonly Signed[];
}

export interface House extends Described, Done {
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

/** All receptacles of a house, room by room. */
export const receptaclesOf = (house: House): readonly Receptacle[] =>
  house.rooms.flatMap((room) => room.receptacles);

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
