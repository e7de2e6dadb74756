import type { JobDraft, ReceptacleDraft, RoomDraft, RoomOrder } from './drafts.ts';
import { jobChanges } from './entry.ts';
import type { Described, Done, Receptacle } from './house.ts';
import type { HouseParts } from './house-parts.ts';
import type { Standing } from './subject.ts';

const unnamed = { room: 'Unnamed room', receptacle: 'Unnamed receptacle' };

/** Where a door is drawn until somebody says where it is: in the middle of the lower wall. */
const usualDoor = 0.64;

const nothingSaid: Described & Done = {
  address: null,
  client: null,
  yearBuilt: null,
  about: null,
  groundedWiring: null,
  storeys: null,
  region: 'north-america',
  alterations: [],
  breakerLeave: null,
  leaveFrom: null,
  keepPowered: [],
  utilityOn: null,
  breakersFoundOff: null,
  devicesFoundTripped: null,
  present: null,
  aluminumNearby: null,
  proofs: [],
  wentDead: [],
  plan: null,
  left: [],
  findingEntries: [],
  signatures: [],
};

const untouched: Omit<Receptacle, 'id'> = {
  name: unnamed.receptacle,
  readings: [],
  breaker: null,
  place: null,
  type: null,
  adapter: false,
  spot: null,
  halfOf: null,
  looks: [],
  coverOff: null,
  notReached: null,
  protection: { labels: null, resetAt: null, lockedOut: false, madeIn: null },
  groundFaultTests: [],
  warnings: [],
  notes: [],
};

/** What entries are about, and so where they are gathered. */
export type About = 'job' | 'room' | 'receptacle';

const about = new Map(
  [...jobChanges].map(([kind, { room, receptacle }]): [string, About] => [
    kind,
    receptacle !== undefined ? 'receptacle' : room !== undefined ? 'room' : 'job',
  ]),
);
export const aboutOf = ({ kind }: Standing): About => about.get(kind) ?? 'job';

/** Every entry changes what it is about, as its kind has it. */
function changed<D>(to: About, draft: D, entries: readonly Standing[]): D {
  for (const entry of entries) {
    const change = jobChanges.get(entry.kind)?.[to] as ((draft: D, entry: Standing) => void) | undefined;
    change?.(draft, entry);
  }
  return draft;
}

export interface Job extends Described, Done {
  readonly roomOrders: readonly RoomOrder[];
  readonly parts: HouseParts;
}
export const jobOf = (entries: readonly Standing[]): Job =>
  changed<JobDraft>('job', { ...nothingSaid, roomOrders: [], parts: {} }, entries);

export type RoomSaid = Readonly<RoomDraft>;
export const unnamedRoom: RoomSaid = { name: unnamed.room, expected: null, door: usualDoor };
export const roomOf = (entries: readonly Standing[]): RoomSaid =>
  changed<RoomDraft>('room', { ...unnamedRoom }, entries);

/** A receptacle, and where it was said to be. */
export interface Placed {
  readonly room: string | null;
  readonly into: string | null;
  readonly receptacle: Receptacle;
}
export function receptacleOf(id: string, entries: readonly Standing[]): Placed {
  const draft: ReceptacleDraft = { id, ...untouched, room: null, into: null };
  const { room, into, ...receptacle } = changed('receptacle', draft, entries);
  return { room, into, receptacle };
}

/** Rooms as they are walked: ordered as a whole or moved one by one, those left out behind. */
export function roomsInOrder(ids: readonly string[], orders: readonly RoomOrder[]): readonly string[] {
  let order = ids;
  for (const one of orders) {
    if ('rooms' in one) {
      const rank = new Map(one.rooms.map((id, index) => [id, index]));
      const rankOf = (id: string): number => rank.get(id) ?? one.rooms.length;
      // Every order starts anew from the rooms as they were first spoken of.
      order = ids.toSorted((a, b) => rankOf(a) - rankOf(b));
      continue;
    }
    const { room, after } = one;
    if (!order.includes(room)) continue;
    const others = order.filter((id) => id !== room);
    const at = after === null ? 0 : others.indexOf(after) + 1;
    // Behind a room that is not there: where it is.
    if (after === null || at > 0) order = others.toSpliced(at, 0, room);
  }
  return order;
}
