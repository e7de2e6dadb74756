import type { Circuit } from '../../circuit/index.ts';
import { lampAcross, type Reading } from '../../instruments/index.ts';
import type { Leg } from '../../physics/index.ts';

/** A breaker's neutral is shared with another one on the other leg once in so many (common practice). */
export const sharedShare = 0.12;

/** Two legs are two of three phases once in so many, mostly in large buildings (common practice). */
export const threePhaseShare = 0.02;

/** What stands for everything on the other leg that nobody listed. */
export const elsewhere = '@other-leg';

const otherLeg: Readonly<Record<Leg, Leg>> = { L1: 'L2', L2: 'L1' };

/** A neutral that stands off by so many volts is tried, this way and that. */
const shifts = [0.5, 1, 2, 3, 4, ...Array.from({ length: 57 }, (_, index) => 2 * (index + 3))];
/** Places between two of three phases that are tried, about a volt apart. */
const steps = 200;
/** A value counts for so many volts off at the most. */
const most = 3;
/** Scatter of volts that hang on how the supply stands, and of a difference within one reading, which does not. */
const sigma = 2.5;
const sigmaOfDifference = 0.7;
/** Hot stands whole against ground where it is no further off than any supply. */
const wholeShare = 0.13;

/** Volts against a neutral that stands off: from the own leg's hot, from the other's, and from ground. */
interface Standing {
  readonly own: number;
  readonly other: number;
  readonly ground: number;
}

/**
 * Where a lost neutral may stand: anywhere on the line between both hots (two loads in series), which meet at ground
 * half a turn apart, and pass it at half the volts of one where they are two of three phases.
 */
const standings: Readonly<Record<120 | 180, (nominal: number) => readonly Standing[]>> = {
  180: (nominal) =>
    [...shifts, ...shifts.map((one) => -one)].map((shift) => ({
      own: nominal - shift,
      other: nominal + shift,
      ground: Math.abs(shift),
    })),
  120: (nominal) =>
    Array.from({ length: steps + 1 }, (_, step) => {
      const across = Math.sqrt(3) * nominal;
      const along = (across * step) / steps;
      return { own: along, other: across - along, ground: Math.hypot(nominal / 2, along - across / 2) };
    }),
};

/** How badly readings fit a receptacle whose neutral stands so, hot against it and it against ground. */
function misfit(readings: readonly Reading[], nominal: number, hot: number, ground: number): number {
  const expected = { hn: hot, hg: nominal, ng: ground };
  let sum = 0;
  const off = (z: number): number => Math.min(most, 0.5 * z * z);
  for (const reading of readings) {
    if (reading.state !== undefined) continue;
    if (reading.instrument === 'meter' || reading.instrument === 'meter-low') {
      const { hn, hg, ng } = reading;
      const isWhole = hg !== undefined && Math.abs(hg - nominal) < wholeShare * nominal;
      if (hn !== undefined)
        sum += isWhole ? off((hn - hg + nominal - hot) / sigmaOfDifference) : off((hn - expected.hn) / sigma);
      if (ng !== undefined) sum += off((ng - expected.ng) / (isWhole ? sigmaOfDifference : sigma));
      continue;
    }
    for (const pair of ['hn', 'ng'] as const) {
      if (reading.instrument === 'lamps' && reading[pair] !== lampAcross(expected[pair] / nominal))
        sum += most / 2;
    }
  }
  return sum;
}

/**
 * On which leg each outlet stands, were the neutral shared and lost: over all volts by which it may stand off, the one
 * under which the outlets fit best, each on the leg on which it fits better. What fits a sound neutral better on either
 * stays on its own. `nats`: by which they fit badly so.
 */
export function legsByReadings(
  circuit: Circuit,
  readings: readonly Reading[],
  degreesApart: 120 | 180,
): { readonly legs: readonly Leg[]; readonly nats: number } {
  const { nominalVolts } = circuit;
  const at = circuit.outlets.map(({ id }) => readings.filter((reading) => reading.at === id));
  let best: readonly Leg[] = circuit.outlets.map(({ leg }) => leg);
  let least = Number.POSITIVE_INFINITY;
  for (const standing of standings[degreesApart](nominalVolts)) {
    let sum = 0;
    const legs = circuit.outlets.map(({ leg }, outlet): Leg => {
      const read = at[outlet] ?? [];
      const own = misfit(read, nominalVolts, standing.own, standing.ground);
      const other = misfit(read, nominalVolts, standing.other, standing.ground);
      const sound = misfit(read, nominalVolts, nominalVolts, 0);
      sum += Math.min(own, other, sound);
      return other < own && other < sound ? otherLeg[leg] : leg;
    });
    if (sum >= least) continue;
    least = sum;
    best = legs;
  }
  return { legs: best, nats: least };
}

/** True where readings fit a neutral lost between two of three phases so much better than half a turn apart that it pays for being rare. */
export const asksForThreePhases = (circuit: Circuit, readings: readonly Reading[]): boolean =>
  legsByReadings(circuit, readings, 120).nats - Math.log(threePhaseShare) <
  legsByReadings(circuit, readings, 180).nats;

/** The outlet farthest from the panel by cables: whatever is cut before it is cut off from the panel too. */
function farthest({ outlets, cables }: Circuit): string | null {
  const depthOf = (id: string, seen = 0): number => {
    const into = cables.find(({ to }) => to === id);
    return into === undefined || into.from === 'panel' || seen > outlets.length
      ? 1
      : 1 + depthOf(into.from, seen + 1);
  };
  let found: string | null = null;
  let depth = 0;
  for (const { id } of outlets) {
    const here = depthOf(id);
    if (here <= depth) continue;
    depth = here;
    found = id;
  }
  return found;
}

/** The circuit as it were with its neutral shared: outlets on their legs, and something else on the other one at its end. */
export function sharedCircuit(
  circuit: Circuit,
  legs: readonly Leg[],
  degreesApart: 120 | 180,
): Circuit | null {
  const end = farthest(circuit);
  if (end === null) return null;
  const last = legs[circuit.outlets.findIndex(({ id }) => id === end)] ?? 'L1';
  return {
    ...circuit,
    degreesApart,
    outlets: [
      ...circuit.outlets.map((outlet, index) => ({ ...outlet, leg: legs[index] ?? outlet.leg })),
      { id: elsewhere, wiring: 'pigtail', leg: otherLeg[last] },
    ],
    cables: [
      ...circuit.cables,
      { id: elsewhere, from: end, to: elsewhere, meters: 1, metal: 'copper', awg: 14, ground: true },
    ],
  };
}
