import { circuitsRenamed } from './circuits-said.ts';
import type { JobEntry } from './entry.ts';
import { inOrder } from './entry-order.ts';
import {
  aboutOf,
  type Job,
  jobOf,
  type Placed,
  type RoomSaid,
  receptacleOf,
  roomOf,
  roomsInOrder,
  unnamedRoom,
} from './fold-subjects.ts';
import type { House, Receptacle, Room } from './house.ts';
import type { HouseParts } from './house-parts.ts';
import type { FindingEntry } from './kept.ts';
import { NamesApart } from './names-apart.ts';
import { type Standing, Subject, Subjects } from './subject.ts';
import { type Withdrawal, withdrawnIn } from './withdrawals.ts';

/** Gathers what is in no room. */
const unplaced: RoomSaid = { ...unnamedRoom, name: 'Not placed in a room' };

interface Gathered {
  readonly places: readonly { readonly entries: readonly Standing[]; readonly state: Placed }[];
  /** Some were entered twice. */
  readonly isMerged: boolean;
}

/** What is said of several receptacles. */
type Renamed = 'wentDead' | 'findingEntries' | 'photos' | 'circuits' | 'behindCovers' | 'apart';

const isReading = ({ kind }: Standing): boolean => kind === 'lamps-read' || kind === 'reading-taken';

/**
 * The house that a growing set of entries describes. Order and duplicates of the entries do not matter: fields take the
 * latest statement, readings gather, withdrawn entries do not count, and nothing that still stands is left out – a
 * reading whose receptacle or room has not arrived yet shows under a stand-in name. One entry more costs what its own
 * subject costs; what it does not touch stays the same object.
 */
export class HouseFold {
  private readonly byId = new Map<string, JobEntry>();
  private readonly gone = new Set<string>();
  private readonly withdrawals: Withdrawal[] = [];
  private readonly job = new Subject(jobOf);
  private readonly rooms = new Subjects<RoomSaid>((_, entries) => roomOf(entries));
  private readonly receptacles = new Subjects<Placed>(receptacleOf);
  /** The latest entry that is no signature, withdrawals among them. */
  private latest: JobEntry | null = null;
  private folded: House | null = null;
  /** By id, in the house that was put together last, and what was said of them then. */
  private readonly roomsBefore = new Map<string | null, { readonly said: RoomSaid; readonly room: Room }>();
  private readonly namesApart = new NamesApart();
  /** By id, where its merging ends, in the house that is being put together; null where that is nowhere. */
  private readonly ends = new Map<string, string | null>();

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
    this.withdrawals.push(entry);
    const isOfWithdrawals =
      this.gone.has(entry.id) || entry.entries.some((id) => this.byId.get(id)?.kind === 'withdrawn');
    if (isOfWithdrawals) this.withdrawAnew();
    else for (const id of entry.entries) this.withdraw(id);
  }

  private withdraw(id: string): void {
    this.gone.add(id);
    const entry = this.byId.get(id);
    if (entry !== undefined && entry.kind !== 'withdrawn') this.subjectOf(entry).remove(id);
  }

  /** Where withdrawals take back withdrawals, what counts is looked up as a whole. */
  private withdrawAnew(): void {
    const { gone } = withdrawnIn(this.withdrawals);
    for (const id of [...this.gone].filter((before) => !gone.has(before))) {
      this.gone.delete(id);
      const entry = this.byId.get(id);
      if (entry !== undefined && entry.kind !== 'withdrawn') this.subjectOf(entry).add(entry);
    }
    for (const id of gone) if (!this.gone.has(id)) this.withdraw(id);
  }

  private subjectOf(entry: Standing): Pick<Subject<unknown>, 'add' | 'remove'> {
    switch (aboutOf(entry)) {
      case 'receptacle':
        return this.receptacles.of((entry as Standing & { readonly receptacle: string }).receptacle);
      case 'room':
        return this.rooms.of((entry as Standing & { readonly room: string }).room);
      case 'job':
        return this.job;
    }
  }

  /** What an id stands for in the end, after all merging; itself where that leads nowhere or in a circle. */
  private meant(id: string): string {
    const passed: string[] = [];
    let end: string | null | undefined;
    for (let at: string | null = id; at !== null; ) {
      // What lies further on was followed before; a circle comes back to what leads nowhere so far.
      end = this.ends.get(at);
      if (end !== undefined) break;
      this.ends.set(at, null);
      passed.push(at);
      const into: string | null | undefined = this.receptacles.find(at)?.state.into;
      end = into === null ? at : null;
      at = into ?? null;
    }
    for (const one of passed) this.ends.set(one, end ?? null);
    return this.ends.get(id) ?? id;
  }

  /** Receptacles as they stand, those that were entered twice as one. */
  private placed(): Gathered {
    const all = this.receptacles.inOrder();
    if (all.every(([, { state }]) => state.into === null))
      return { places: all.map(([, { entries, state }]) => ({ entries, state })), isMerged: false };
    const gathered = new Map<string, Standing[]>();
    const others = new Map<string, string[]>();
    for (const [id, { entries }] of all) {
      const to = this.meant(id);
      if (to !== id) others.set(to, [...(others.get(to) ?? []), id]);
      const about = to === id ? entries : entries.filter(({ kind }) => kind !== 'receptacle-described');
      gathered.set(to, [...(gathered.get(to) ?? []), ...about]);
    }
    const places = [...gathered].map(([id, entries]) => this.asOne(id, entries, others.get(id)));
    return { places, isMerged: true };
  }

  /** A receptacle of all that was said of it under any of its ids. */
  private asOne(id: string, entries: readonly Standing[], mergedFrom: readonly string[] | undefined) {
    const own = this.receptacles.find(id);
    const inTurn = entries.toSorted(inOrder);
    const state = own?.entries.length === entries.length ? own.state : receptacleOf(id, inTurn);
    const { halfOf, fedFrom } = state.receptacle;
    const isAsBefore = (other: string | null | undefined): boolean =>
      other === null || other === undefined || this.meant(other) === other;
    if (mergedFrom === undefined && isAsBefore(halfOf) && isAsBefore(fedFrom))
      return { entries: inTurn, state };
    const receptacle = {
      ...state.receptacle,
      halfOf: halfOf === null ? null : this.meant(halfOf),
      ...(fedFrom === undefined ? {} : { fedFrom: this.meant(fedFrom) }),
      ...(mergedFrom === undefined ? {} : { mergedFrom }),
    };
    return { entries: inTurn, state: { ...state, receptacle } };
  }

  /** What is said of several receptacles, with those that became others under their new ids. */
  private renamed(job: Job): Pick<Job, Renamed> {
    const all = (ids: readonly string[]): string[] => [...new Set(ids.map((id) => this.meant(id)))];
    const { photos } = job;
    return {
      ...circuitsRenamed(job, (id) => this.meant(id)),
      ...(photos === undefined
        ? {}
        : {
            photos: photos.map((one) =>
              one.about === undefined ? one : { ...one, about: this.meant(one.about) },
            ),
          }),
      wentDead: job.wentDead.map((entry) => ({
        ...entry,
        by:
          entry.by.kind === 'device'
            ? { ...entry.by, receptacle: this.meant(entry.by.receptacle) }
            : entry.by,
        dead: all(entry.dead),
      })),
      findingEntries: job.findingEntries.map((entry): FindingEntry => {
        if (entry.kind === 'finding-added' || entry.kind === 'finding-split')
          return { ...entry, receptacles: all(entry.receptacles) };
        if (entry.kind === 'finding-decided' && entry.decision !== 'open')
          return { ...entry, held: { ...entry.held, receptacles: all(entry.held.receptacles) } };
        return entry;
      }),
    };
  }

  /** What is no receptacle, its receptacles under the ids that they have by now. */
  private partsOf(parts: HouseParts, isMerged: boolean): Pick<House, 'parts'> {
    if (Object.keys(parts).length === 0) return {};
    if (!isMerged || parts.points === undefined) return { parts };
    const points = parts.points.map((point) => ({
      ...point,
      receptacles: [...new Set(point.receptacles.map((id) => this.meant(id)))],
    }));
    return { parts: { ...parts, points } };
  }

  private changedSince(signatures: House['signatures']): Pick<House, 'changedSince'> {
    const { latest } = this;
    if (latest === null) return {};
    const stale = signatures.filter((signed) => inOrder(latest, signed) > 0);
    return stale.length === 0
      ? {}
      : { changedSince: Object.fromEntries(stale.map(({ role }) => [role, latest.at])) };
  }

  /** Described rooms in the order of the walk; then those that were never described, and what is in no room. */
  private inRooms(places: Gathered['places'], orders: Job['roomOrders']): readonly Room[] {
    const known = new Map(this.rooms.inOrder().map(([id, { state }]) => [id, state]));
    const byRoom = new Map<string | null, Receptacle[]>(
      roomsInOrder([...known.keys()], orders).map((id) => [id, []]),
    );
    for (const { state } of places) {
      const inRoom = byRoom.get(state.room);
      if (inRoom === undefined) byRoom.set(state.room, [state.receptacle]);
      else inRoom.push(state.receptacle);
    }
    const saidOf = (id: string | null): RoomSaid => (id === null ? unplaced : (known.get(id) ?? unnamedRoom));
    return [...byRoom].map(([id, receptacles]) => this.roomOf(id, saidOf(id), receptacles));
  }

  /** A room; the same object as in the house before where nothing of it has changed. */
  private roomOf(id: string | null, said: RoomSaid, receptacles: readonly Receptacle[]): Room {
    const before = this.roomsBefore.get(id);
    const isAsBefore =
      before?.said === said &&
      before.room.receptacles.length === receptacles.length &&
      receptacles.every((one, at) => one === before.room.receptacles[at]);
    if (isAsBefore) return before.room;
    const room = { id, ...said, receptacles };
    this.roomsBefore.set(id, { said, room });
    return room;
  }

  private fold(): House {
    this.ends.clear();
    const { roomOrders, parts, ...job } = this.job.state;
    const { places, isMerged } = this.placed();
    let first: Standing | undefined;
    let last: Standing | undefined;
    for (const { entries } of places) {
      const earliest = entries.find(isReading);
      const latest = entries.findLast(isReading);
      if (earliest !== undefined && (first === undefined || inOrder(earliest, first) < 0)) first = earliest;
      if (latest !== undefined && (last === undefined || inOrder(latest, last) > 0)) last = latest;
    }
    return {
      ...job,
      ...(isMerged ? this.renamed(this.job.state) : {}),
      ...this.partsOf(parts, isMerged),
      ...this.changedSince(job.signatures),
      rooms: this.inRooms(this.namesApart.of(places), roomOrders),
      firstReadAt: first?.at ?? null,
      lastReadAt: last?.at ?? null,
    };
  }
}

/** The house that a set of entries describes. */
export const foldHouse = (entries: Iterable<JobEntry>): House => new HouseFold().add(entries).house;
