import { isGroundFaultType, type NotReachedReason } from '../knowledge/observations.ts';
import type { House, Receptacle, Room } from './house.ts';

/**
 * The chance that a random sample holds none of the faulty: C(N−K, n) / C(N, n), the hypergeometric distribution at
 * nought. Receptacles of one circuit are no random sample: where faults cluster, the chance is another.
 */
export function chanceOfMissing(receptacles: number, faulty: number, tested: number): number {
  if (faulty <= 0) return 1;
  if (tested > receptacles - faulty) return 0;
  let chance = 1;
  for (let drawn = 0; drawn < tested; drawn += 1)
    chance *= (receptacles - faulty - drawn) / (receptacles - drawn);
  return chance;
}

/** The smallest sample that holds one of the faulty with the wanted confidence; all of them where nothing less does. */
export function sampleFor(receptacles: number, faulty: number, confidence: number): number {
  for (let tested = 1; tested < receptacles; tested += 1)
    if (chanceOfMissing(receptacles, faulty, tested) <= 1 - confidence) return tested;
  return receptacles;
}

export interface RoomCoverage {
  readonly id: string | null;
  readonly name: string;
  /** Listed there, or looked for where that is more. */
  readonly expected: number;
  readonly tested: number;
  readonly notReached: number;
}

export interface Coverage {
  readonly rooms: readonly RoomCoverage[];
  readonly expected: number;
  readonly tested: number;
  /** Planned: all, or the sample and every ground-fault device besides. */
  readonly planned: number;
  readonly notReached: readonly { readonly name: string; readonly reason: NotReachedReason }[];
  /** Listed, neither read nor given a reason. */
  readonly left: readonly string[];
}

/** Something was shown there by an instrument. */
export const isTested = ({ readings }: Receptacle): boolean => readings.length > 0;

const sum = (counts: readonly number[]): number => counts.reduce((total, count) => total + count, 0);

/** What is covered of one room, and what is asked of it besides. */
interface Covered {
  readonly room: RoomCoverage;
  readonly devices: number;
  readonly notReached: Coverage['notReached'];
  readonly left: readonly string[];
}

const remembered = new WeakMap<Room, Covered>();

/** A house is asked about at every entry, and most of its rooms are as before. */
function coveredOf(room: Room): Covered {
  const covered = remembered.get(room) ?? coveredIn(room);
  remembered.set(room, covered);
  return covered;
}

function coveredIn({ id, name, expected, receptacles }: Room): Covered {
  const untested = receptacles.filter((one) => !isTested(one));
  const notReached = untested.flatMap((one) =>
    one.notReached === null ? [] : [{ name: one.name, reason: one.notReached }],
  );
  return {
    room: {
      id,
      name,
      expected: Math.max(expected ?? 0, receptacles.length),
      tested: receptacles.length - untested.length,
      notReached: notReached.length,
    },
    devices: receptacles.filter(({ type }) => type !== null && isGroundFaultType(type)).length,
    notReached,
    left: untested.filter((one) => one.notReached === null).map((one) => one.name),
  };
}

export function coverageOf(house: House): Coverage {
  const covered = house.rooms.map(coveredOf);
  const rooms = covered.map(({ room }) => room);
  const expected = sum(rooms.map((room) => room.expected));
  const devices = sum(covered.map((one) => one.devices));
  const sample = house.plan?.sample ?? null;
  return {
    rooms,
    expected,
    tested: sum(rooms.map((room) => room.tested)),
    planned: sample === null ? expected : Math.min(expected, sample + devices),
    notReached: covered.flatMap((one) => one.notReached),
    left: covered.flatMap((one) => one.left),
  };
}

/** For so many faulty receptacles among all, the chance that none was among those tested, one after another. */
export const missingCurve = (receptacles: number, tested: number, mostFaulty: number) =>
  Array.from({ length: Math.min(mostFaulty, receptacles) }, (_, index) => ({
    faulty: index + 1,
    chance: chanceOfMissing(receptacles, index + 1, tested),
  }));
