import type { InstrumentId } from '../instruments/index.ts';
import { inOrder } from './entry-order.ts';
import type { House, Room } from './house.ts';
import type { ReadingTaken, TesterDropped, TesterProved } from './kept.ts';

/** A tester of the kit, or an instrument of which there is one. */
export interface UsedInstrument {
  readonly instrument: InstrumentId;
  readonly tester: string | null;
}

/** How a tester stands: what it shows counts only between two proofs that it passed. */
export type FunctionCheckState =
  | 'not-proved'
  /** Before the first reading, not yet after the last. */
  | 'proved-before'
  /** After the last reading, but not before the first. */
  | 'proved-after'
  | 'proved'
  /** It was dropped, and not tried since. */
  | 'dropped'
  | 'failed';

export interface FunctionCheck extends UsedInstrument {
  readonly state: FunctionCheckState;
  readonly readings: number;
  readonly proofs: readonly TesterProved[];
  /** Times at which it was dropped. */
  readonly dropped: readonly string[];
  /** Ids of readings since the last proof it passed, where it failed afterwards or was dropped in between. */
  readonly doubted: readonly string[];
}

const nameOf = (instrument: InstrumentId, tester: string | null | undefined): string =>
  instrument === 'lamps' ? `lamps:${tester ?? ''}` : instrument;

/** A load tester and a meter on low impedance are instruments of their own; the rest of a plug-in tester is its lamps. */
const instrumentOf = ({ shown }: ReadingTaken): InstrumentId => shown.instrument;

/** The first and the last of some readings. */
interface Bounds {
  readonly first: ReadingTaken;
  readonly last: ReadingTaken;
}

const widened = (known: Bounds, { first, last }: Bounds): Bounds => ({
  first: inOrder(first, known.first) < 0 ? first : known.first,
  last: inOrder(last, known.last) > 0 ? last : known.last,
});

/** What was read with one instrument in one room. */
interface ReadWith {
  readonly instrument: InstrumentId;
  readonly tester: string | undefined;
  readonly read: ReadingTaken[];
  bounds: Bounds;
}

const remembered = new WeakMap<Room, readonly ReadWith[]>();

/** The readings in a room by instrument: a house is asked about at every entry, and most of it is as before. */
function readIn(room: Room): readonly ReadWith[] {
  const known = remembered.get(room);
  if (known !== undefined) return known;
  const byName = new Map<string, ReadWith>();
  for (const { readings } of room.receptacles)
    for (const reading of readings) {
      const instrument = instrumentOf(reading);
      const { tester } = reading;
      const name = nameOf(instrument, tester);
      const bounds = { first: reading, last: reading };
      const before = byName.get(name);
      if (before === undefined) byName.set(name, { instrument, tester, read: [reading], bounds });
      else {
        before.read.push(reading);
        before.bounds = widened(before.bounds, bounds);
      }
    }
  const all = [...byName.values()];
  remembered.set(room, all);
  return all;
}

/** Every instrument that something was read with or that was proved, the first used first. */
export function functionChecksOf(house: House): readonly FunctionCheck[] {
  const byName = new Map<
    string,
    UsedInstrument & {
      readonly parts: (readonly ReadingTaken[])[];
      readonly proofs: TesterProved[];
      readonly drops: TesterDropped[];
      bounds: Bounds | null;
    }
  >();
  const of = (instrument: InstrumentId, tester: string | undefined) => {
    const name = nameOf(instrument, tester);
    const known = byName.get(name) ?? {
      instrument,
      tester: instrument === 'lamps' ? (tester ?? null) : null,
      parts: [],
      proofs: [],
      drops: [],
      bounds: null,
    };
    byName.set(name, known);
    return known;
  };
  for (const room of house.rooms)
    for (const { instrument, tester, read, bounds } of readIn(room)) {
      const known = of(instrument, tester);
      known.parts.push(read);
      known.bounds = known.bounds === null ? bounds : widened(known.bounds, bounds);
    }
  for (const proof of house.proofs) of(proof.instrument, proof.tester).proofs.push(proof);
  for (const drop of house.drops ?? []) of(drop.instrument, drop.tester).drops.push(drop);
  return [...byName.values()].map(({ instrument, tester, parts, proofs, drops, bounds }) => ({
    instrument,
    tester,
    proofs,
    readings: parts.reduce((count, part) => count + part.length, 0),
    dropped: drops.map(({ at }) => at),
    ...standingOf({ parts, proofs, drops, bounds }),
  }));
}

interface Tried {
  /** What was read with it, room by room. */
  readonly parts: readonly (readonly ReadingTaken[])[];
  readonly proofs: readonly TesterProved[];
  readonly drops: readonly TesterDropped[];
  readonly bounds: Bounds | null;
}

/** Whether nobody tried it between its fall and a reading, nor found it good after that. */
const isSinceDrop = (reading: ReadingTaken, { proofs, drops }: Tried): boolean =>
  drops.some(
    (drop) =>
      inOrder(drop, reading) < 0 &&
      !proofs.some((proof) => inOrder(drop, proof) < 0 && (inOrder(proof, reading) < 0 || proof.passed)),
  );

function standingOf(tried: Tried): Pick<FunctionCheck, 'state' | 'doubted'> {
  const { parts, proofs, drops, bounds } = tried;
  const hasFailed = proofs.some(({ passed }) => !passed);
  // A long log is gone through only where something was wrong with the tester.
  const read = hasFailed || drops.length > 0 ? parts.flat() : [];
  const failed = (hasFailed ? read : []).filter((reading) => {
    const next = proofs.find((proof) => inOrder(proof, reading) > 0);
    return next?.passed === false;
  });
  const fallen = (drops.length > 0 ? read : []).filter((reading) => isSinceDrop(reading, tried));
  const doubted = [...new Set([...failed, ...fallen].map(({ id }) => id))];
  const failedLast = proofs.at(-1)?.passed === false;
  if (failed.length > 0 || failedLast) return { state: 'failed', doubted };
  const lastDrop = drops.at(-1);
  const isFallen = lastDrop !== undefined && !proofs.some((proof) => inOrder(lastDrop, proof) < 0);
  if (fallen.length > 0 || isFallen) return { state: 'dropped', doubted };
  const passed = proofs.filter((proof) => proof.passed);
  const isBefore = passed.some((proof) => bounds === null || inOrder(proof, bounds.first) < 0);
  const isAfter = bounds !== null && passed.some((proof) => inOrder(proof, bounds.last) > 0);
  const state = isBefore ? (isAfter ? 'proved' : 'proved-before') : isAfter ? 'proved-after' : 'not-proved';
  return { state, doubted: [] };
}

/** Ids of all readings that a failed proof puts in doubt. */
export const doubtedReadings = (proofs: readonly FunctionCheck[]): ReadonlySet<string> =>
  new Set(proofs.flatMap(({ doubted }) => doubted));
