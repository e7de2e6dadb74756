import { type LeavingItem, type Look, leavingItems, looks } from '../conditions/observations.ts';
import type { FindingEntry, JobEntry, JobEntryOf } from './entry.ts';
import type { Described, Done, House, Receptacle, Room } from './house.ts';
import { inOrder } from './order.ts';

const unnamed = { room: 'Unnamed room', receptacle: 'Unnamed receptacle', unplaced: 'Not placed in a room' };

type Said = Exclude<JobEntry, { kind: 'withdrawn' }>;

/** What one thing – the job, a room, a receptacle – was said to be, in order, without what was withdrawn. */
class Subject<T> {
  readonly entries: Said[] = [];
  private built: T | null = null;
  private readonly build: (entries: readonly Said[]) => T;

  constructor(build: (entries: readonly Said[]) => T) {
    this.build = build;
  }

  get state(): T {
    this.built ??= this.build(this.entries);
    return this.built;
  }

  get first(): Said {
    return this.entries[0] as Said;
  }

  add(entry: Said): void {
    let at = this.entries.length;
    // New entries are the latest, as a rule.
    while (at > 0 && inOrder(this.entries[at - 1] as Said, entry) > 0) at -= 1;
    this.entries.splice(at, 0, entry);
    this.built = null;
  }

  remove(id: string): void {
    const at = this.entries.findIndex((entry) => entry.id === id);
    if (at === -1) return;
    this.entries.splice(at, 1);
    this.built = null;
  }
}

/** Where a door is drawn until somebody says where it is: in the middle of the lower wall. */
const usualDoor = 0.64;

const nothingSaid: Described = {
  address: 'Address not entered',
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
};

interface Job extends Described, Done {
  readonly order: readonly string[];
}

function jobOf(entries: readonly Said[]): Job {
  const described: Record<string, unknown> = { ...nothingSaid };
  const proofs: JobEntryOf<'tester-proved'>[] = [];
  const wentDead: JobEntryOf<'went-dead'>[] = [];
  const left = new Set<LeavingItem>();
  const findingsSaid: FindingEntry[] = [];
  const signatures = new Map<string, JobEntryOf<'signed'>>();
  let plan: Done['plan'] = null;
  let order: readonly string[] = [];
  for (const entry of entries)
    switch (entry.kind) {
      case 'job-described':
        for (const field of Object.keys(nothingSaid) as (keyof Described)[])
          if (entry[field] !== undefined) described[field] = entry[field];
        break;
      case 'tester-proved':
        proofs.push(entry);
        break;
      case 'went-dead':
        wentDead.push(entry);
        break;
      case 'plan-chosen':
        plan = { sample: entry.sample };
        break;
      case 'left-as-found':
        if (entry.done) left.add(entry.item);
        else left.delete(entry.item);
        break;
      case 'rooms-ordered':
        order = entry.rooms;
        break;
      case 'signed':
        signatures.set(entry.role, entry);
        break;
      case 'finding-decided':
      case 'finding-edited':
      case 'finding-added':
      case 'finding-split':
      case 'finding-merged':
      case 'findings-ordered':
        findingsSaid.push(entry);
        break;
    }
  return {
    ...(described as unknown as Described),
    proofs,
    wentDead,
    plan,
    left: leavingItems.filter((item) => left.has(item)),
    findingsSaid,
    signatures: [...signatures.values()],
    order,
  };
}

type RoomSaid = Pick<Room, 'name' | 'expected' | 'door'>;
const unnamedRoom: RoomSaid = { name: unnamed.room, expected: null, door: usualDoor };

function roomOf(entries: readonly Said[]): RoomSaid {
  let room = unnamedRoom;
  for (const entry of entries)
    if (entry.kind === 'room-described') {
      const { name, expected = room.expected, door = room.door } = entry;
      room = { name, expected, door };
    }
  return room;
}

interface Placed {
  readonly room: string | null;
  /** The receptacle that it was found to be the same as. */
  readonly into: string | null;
  readonly receptacle: Receptacle;
}

const untouched: Omit<Receptacle, 'id'> = {
  name: unnamed.receptacle,
  readings: [],
  taken: [],
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

type Changed = { -readonly [K in keyof Receptacle]: Receptacle[K] };

/** Without what entries are ordered by and what they are about. */
const said = <E extends Said & { readonly receptacle: string }>(entry: E) => {
  const { id: _, device: _d, author: _a, at: _at, clock: _c, kind: _k, receptacle: _r, ...rest } = entry;
  return rest;
};

type Defined<T> = { readonly [K in keyof T]?: Exclude<T[K], undefined> };

const defined = <T extends object>(fields: T): Defined<T> =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as Defined<T>;

function receptacleOf(id: string, entries: readonly Said[]): Placed {
  const one: Changed = { id, ...untouched };
  let room: string | null = null;
  let into: string | null = null;
  const seen = new Set<Look>();
  for (const entry of entries)
    switch (entry.kind) {
      case 'receptacle-described': {
        const { room: inRoom, ...rest } = said(entry);
        room = inRoom;
        Object.assign(one, defined(rest));
        break;
      }
      case 'receptacle-merged':
        into = entry.into;
        break;
      case 'lamps-read':
        one.readings = [...one.readings, entry];
        break;
      case 'reading-taken':
        one.taken = [...one.taken, entry];
        break;
      case 'receptacle-fed':
        one.breaker = entry.breaker;
        one.place = entry.place;
        break;
      case 'look-noted':
        if (entry.seen) seen.add(entry.look);
        else seen.delete(entry.look);
        break;
      case 'cover-off': {
        const { provedDead: _, ...rest } = said(entry);
        one.coverOff = { ...one.coverOff, ...defined(rest) };
        break;
      }
      case 'not-reached':
        one.notReached = entry.reason;
        break;
      case 'protection-noted':
        one.protection = { ...one.protection, ...defined(said(entry)) };
        break;
      case 'ground-fault-tested':
        one.groundFaultTests = [...one.groundFaultTests, entry];
        break;
      case 'people-warned':
        one.warnings = [...one.warnings, entry];
        break;
      case 'noted':
        one.notes = [...one.notes, entry];
        break;
    }
  one.looks = looks.filter((look) => seen.has(look));
  return { room, into, receptacle: one };
}

interface Gathered {
  readonly places: readonly { readonly entries: readonly Said[]; readonly state: Placed }[];
  /** Some were entered twice. */
  readonly isMerged: boolean;
}

const isReading = ({ kind }: Said): boolean => kind === 'lamps-read' || kind === 'reading-taken';

/** Entries of a subject that are readings: the first of them in order, or the last. */
const readingOf = (entries: readonly Said[], which: 'find' | 'findLast'): Said | undefined =>
  entries[which](isReading);

const byFirst = ([, a]: [string, Subject<unknown>], [, b]: [string, Subject<unknown>]): number =>
  inOrder(a.first, b.first);

/**
 * The house that a growing set of entries describes. Order and duplicates of the entries do not matter: fields take the
 * latest statement, readings gather, withdrawn entries do not count, and nothing that still stands is left out – a
 * reading whose receptacle or room has not arrived yet shows under a stand-in name. One entry more costs what its own
 * subject costs; what it does not touch stays the same object.
 */
export class HouseFold {
  private readonly byId = new Map<string, JobEntry>();
  private readonly gone = new Set<string>();
  private readonly job = new Subject(jobOf);
  private readonly rooms = new Map<string, Subject<RoomSaid>>();
  private readonly receptacles = new Map<string, Subject<Placed>>();
  /** The latest entry that is no signature, withdrawals among them. */
  private latest: JobEntry | null = null;
  private folded: House | null = null;

  add(entries: Iterable<JobEntry>): this {
    for (const entry of entries) this.addOne(entry);
    return this;
  }

  /** Every entry that was added, each once. */
  get entries(): Iterable<JobEntry> {
    return this.byId.values();
  }

  get house(): House {
    this.folded ??= this.fold();
    return this.folded;
  }

  private addOne(entry: JobEntry): void {
    if (this.byId.has(entry.id)) return;
    this.byId.set(entry.id, entry);
    this.folded = null;
    if (entry.kind !== 'signed' && (this.latest === null || inOrder(entry, this.latest) > 0))
      this.latest = entry;
    if (entry.kind !== 'withdrawn') {
      if (!this.gone.has(entry.id)) this.subjectOf(entry).add(entry);
      return;
    }
    for (const id of entry.entries) {
      this.gone.add(id);
      const withdrawn = this.byId.get(id);
      if (withdrawn !== undefined && withdrawn.kind !== 'withdrawn') this.subjectOf(withdrawn).remove(id);
    }
  }

  private subjectOf(entry: Said): Subject<unknown> {
    if ('receptacle' in entry) return this.subjectIn(this.receptacles, entry.receptacle, receptacleOf);
    if (entry.kind === 'room-described')
      return this.subjectIn(this.rooms, entry.room, (_, entries) => roomOf(entries));
    return this.job;
  }

  private subjectIn<T>(
    subjects: Map<string, Subject<T>>,
    id: string,
    build: (id: string, entries: readonly Said[]) => T,
  ): Subject<unknown> {
    let subject = subjects.get(id);
    if (subject === undefined) {
      subject = new Subject<T>((entries) => build(id, entries));
      subjects.set(id, subject);
    }
    return subject as Subject<unknown>;
  }

  /** What an id stands for in the end, after all merging; itself where that leads nowhere or in a circle. */
  private meant(id: string): string {
    const passed = new Set<string>();
    for (let at = id; !passed.has(at); ) {
      passed.add(at);
      const subject = this.receptacles.get(at);
      if (subject === undefined || subject.entries.length === 0) return id;
      const { into } = subject.state;
      if (into === null) return at;
      at = into;
    }
    return id;
  }

  /** Receptacles as they stand, those that were entered twice as one. */
  private placed(): Gathered {
    const all = described(this.receptacles);
    if (all.every(([, { state }]) => state.into === null))
      return { places: all.map(([, { entries, state }]) => ({ entries, state })), isMerged: false };
    const gathered = new Map<string, Said[]>();
    const others = new Map<string, string[]>();
    for (const [id, { entries }] of all) {
      const to = this.meant(id);
      if (to !== id) others.set(to, [...(others.get(to) ?? []), id]);
      const about = to === id ? entries : entries.filter(({ kind }) => kind !== 'receptacle-described');
      gathered.set(to, [...(gathered.get(to) ?? []), ...about]);
    }
    const places = [...gathered].map(([id, entries]) => {
      const own = this.receptacles.get(id);
      const inTurn = entries.toSorted(inOrder);
      const state = own?.entries.length === entries.length ? own.state : receptacleOf(id, inTurn);
      const { halfOf } = state.receptacle;
      const mergedFrom = others.get(id);
      if (mergedFrom === undefined && (halfOf === null || this.meant(halfOf) === halfOf))
        return { entries: inTurn, state };
      const receptacle = {
        ...state.receptacle,
        halfOf: halfOf === null ? null : this.meant(halfOf),
        ...(mergedFrom === undefined ? {} : { mergedFrom }),
      };
      return { entries: inTurn, state: { ...state, receptacle } };
    });
    return { places, isMerged: true };
  }

  /** What is said of several receptacles, with those that became others under their new ids. */
  private renamed(job: Pick<Job, 'wentDead' | 'findingsSaid'>): Pick<Job, 'wentDead' | 'findingsSaid'> {
    const all = (ids: readonly string[]): string[] => [...new Set(ids.map((id) => this.meant(id)))];
    return {
      wentDead: job.wentDead.map((entry) => ({
        ...entry,
        by:
          entry.by.kind === 'device'
            ? { ...entry.by, receptacle: this.meant(entry.by.receptacle) }
            : entry.by,
        dead: all(entry.dead),
      })),
      findingsSaid: job.findingsSaid.map((entry): FindingEntry => {
        if (entry.kind === 'finding-added' || entry.kind === 'finding-split')
          return { ...entry, receptacles: all(entry.receptacles) };
        if (entry.kind === 'finding-decided' && entry.decision !== 'open')
          return { ...entry, held: { ...entry.held, receptacles: all(entry.held.receptacles) } };
        return entry;
      }),
    };
  }

  private changedSince(signatures: House['signatures']): Pick<House, 'changedSince'> {
    const { latest } = this;
    if (latest === null) return {};
    const stale = signatures.filter((signed) => inOrder(latest, signed) > 0);
    return stale.length === 0
      ? {}
      : { changedSince: Object.fromEntries(stale.map(({ role }) => [role, latest.at])) };
  }

  private fold(): House {
    const { order, ...job } = this.job.state;
    const rank = new Map(order.map((id, index) => [id, index]));
    const rankOf = (id: string): number => rank.get(id) ?? order.length;
    const rooms = described(this.rooms).sort(([a], [b]) => rankOf(a) - rankOf(b));
    const known = new Map<string, RoomSaid>(rooms.map(([id, { state }]) => [id, state]));
    const byRoom = new Map<string | null, Receptacle[]>(rooms.map(([id]) => [id, []]));
    let first: Said | undefined;
    let last: Said | undefined;
    const { places, isMerged } = this.placed();
    for (const { entries, state } of places) {
      const inRoom = byRoom.get(state.room);
      if (inRoom === undefined) byRoom.set(state.room, [state.receptacle]);
      else inRoom.push(state.receptacle);
      const earliest = readingOf(entries, 'find');
      const latest = readingOf(entries, 'findLast');
      if (earliest !== undefined && (first === undefined || inOrder(earliest, first) < 0)) first = earliest;
      if (latest !== undefined && (last === undefined || inOrder(latest, last) > 0)) last = latest;
    }
    const saidOf = (id: string | null): RoomSaid =>
      id === null ? { ...unnamedRoom, name: unnamed.unplaced } : (known.get(id) ?? unnamedRoom);
    return {
      ...job,
      ...(isMerged ? this.renamed(job) : {}),
      ...this.changedSince(job.signatures),
      rooms: [...byRoom].map(([id, receptacles]): Room => ({ id, ...saidOf(id), receptacles })),
      firstReadAt: first?.at ?? null,
      lastReadAt: last?.at ?? null,
    };
  }
}

/** Those of which something still stands, in the order in which they were first spoken of. */
const described = <T>(subjects: Map<string, Subject<T>>) =>
  [...subjects].filter(([, { entries }]) => entries.length > 0).sort(byFirst);

/** The house that a set of entries describes. */
export const foldHouse = (entries: Iterable<JobEntry>): House => new HouseFold().add(entries).house;
