import type { JobEntry, LampsRead, ReadingTaken } from './entry.ts';
import { standing } from './order.ts';

export interface Receptacle {
  readonly id: string;
  readonly name: string;
  /** Every standing reading, oldest first. */
  readonly readings: readonly LampsRead[];
  /** What other instruments showed, oldest first. */
  readonly taken: readonly ReadingTaken[];
  /** The breaker that feeds it, where that was found out. */
  readonly breaker: string | null;
  /** Its place along the run, counted from the panel. */
  readonly place: number | null;
}

export interface Room {
  /** null gathers receptacles that were read but never described. */
  readonly id: string | null;
  readonly name: string;
  readonly receptacles: readonly Receptacle[];
}

export interface House {
  readonly address: string;
  readonly client: string | null;
  readonly yearBuilt: number | null;
  readonly about: string | null;
  /** Whether the branch wiring has grounds; null: not known. */
  readonly groundedWiring: boolean | null;
  /** In the order in which they were first described. */
  readonly rooms: readonly Room[];
  /** Time of the first and the last standing reading. */
  readonly firstReadAt: string | null;
  readonly lastReadAt: string | null;
}

interface Draft {
  readonly id: string;
  name: string;
  room: string | null;
  readonly readings: LampsRead[];
  readonly taken: ReadingTaken[];
  breaker: string | null;
  place: number | null;
}

const unnamed = { room: 'Unnamed room', receptacle: 'Unnamed receptacle', unplaced: 'Not placed in a room' };

function claim<T>(known: Map<string, T>, id: string, make: () => T): T {
  const found = known.get(id);
  if (found !== undefined) return found;
  const made = make();
  known.set(id, made);
  return made;
}

/**
 * The house that a set of entries describes. Order and duplicates of the entries do not matter: fields take
 * the latest statement, readings gather, withdrawn entries do not count, and nothing that still stands is
 * left out – a reading whose receptacle or room has not arrived yet shows under a stand-in name.
 */
export function foldHouse(entries: Iterable<JobEntry>): House {
  const job: {
    address?: string;
    client?: string;
    yearBuilt?: number;
    about?: string;
    groundedWiring?: boolean | null;
  } = {};
  const roomNames = new Map<string, string>();
  const receptacles = new Map<string, Draft>();
  const draft = (id: string): Draft =>
    claim(receptacles, id, () => ({
      id,
      name: unnamed.receptacle,
      room: null,
      readings: [],
      taken: [],
      breaker: null,
      place: null,
    }));
  let firstReadAt: string | null = null;
  let lastReadAt: string | null = null;

  for (const entry of standing(entries)) {
    switch (entry.kind) {
      case 'job-described': {
        if (entry.address !== undefined) job.address = entry.address;
        if (entry.client !== undefined) job.client = entry.client;
        if (entry.yearBuilt !== undefined) job.yearBuilt = entry.yearBuilt;
        if (entry.about !== undefined) job.about = entry.about;
        if (entry.groundedWiring !== undefined) job.groundedWiring = entry.groundedWiring;
        break;
      }
      case 'room-described': {
        roomNames.set(entry.room, entry.name);
        break;
      }
      case 'receptacle-described': {
        const described = draft(entry.receptacle);
        described.name = entry.name;
        described.room = entry.room;
        break;
      }
      case 'lamps-read': {
        draft(entry.receptacle).readings.push(entry);
        firstReadAt ??= entry.at;
        lastReadAt = entry.at;
        break;
      }
      case 'reading-taken': {
        draft(entry.receptacle).taken.push(entry);
        firstReadAt ??= entry.at;
        lastReadAt = entry.at;
        break;
      }
      case 'receptacle-fed': {
        const fed = draft(entry.receptacle);
        fed.breaker = entry.breaker;
        fed.place = entry.place;
        break;
      }
    }
  }

  const byRoom = new Map<string | null, Receptacle[]>([...roomNames.keys()].map((id) => [id, []]));
  for (const { room, ...receptacle } of receptacles.values()) {
    const inRoom = byRoom.get(room) ?? [];
    inRoom.push(receptacle);
    byRoom.set(room, inRoom);
  }
  const nameOf = (id: string | null): string =>
    id === null ? unnamed.unplaced : (roomNames.get(id) ?? unnamed.room);

  return {
    address: job.address ?? 'Address not entered',
    client: job.client ?? null,
    yearBuilt: job.yearBuilt ?? null,
    about: job.about ?? null,
    groundedWiring: job.groundedWiring ?? null,
    rooms: [...byRoom].map(([id, inRoom]) => ({ id, name: nameOf(id), receptacles: inRoom })),
    firstReadAt,
    lastReadAt,
  };
}

/** The reading that counts: the latest that stands. */
export const currentReading = (receptacle: Receptacle): LampsRead | null =>
  receptacle.readings.at(-1) ?? null;

/** All receptacles of a house, room by room. */
export const receptaclesOf = (house: House): readonly Receptacle[] =>
  house.rooms.flatMap((room) => room.receptacles);

/** "Den 5": the room's name and the first number that none of its receptacles has. */
export function nextReceptacleName(room: Room): string {
  const taken = new Set(room.receptacles.map((receptacle) => receptacle.name));
  let number = room.receptacles.length + 1;
  while (taken.has(`${room.name} ${number}`)) number += 1;
  return `${room.name} ${number}`;
}

/**
 * The ids that one press of "undo" takes back: all standing entries that this device made in its latest
 * action (entries of one action share their time). Empty when nothing is left but the opening of the job.
 */
export function latestAction(entries: Iterable<JobEntry>, device: string): readonly string[] {
  const own = standing(entries).filter((entry) => entry.device === device);
  const action = own.filter((entry) => entry.at === own.at(-1)?.at);
  return action.some((entry) => entry.kind === 'job-described') ? [] : action.map((entry) => entry.id);
}
