import type { Circuit } from '../../circuit/index.ts';
import type { LampState, Reading } from '../../instruments/index.ts';
import type { Leg } from '../../physics/index.ts';

/** A breaker's neutral is shared with another one on the other leg once in so many (common practice). */
export const sharedShare = 0.12;

/** What stands for everything on the other leg that nobody listed. */
export const elsewhere = '@other-leg';

const otherLeg: Readonly<Record<Leg, Leg>> = { L1: 'L2', L2: 'L1' };

/** A neutral that stands off by so many volts is tried, this way and that. */
const shifts = [0.5, 1, 2, 3, 4, ...Array.from({ length: 57 }, (_, index) => 2 * (index + 3))];
/** A value counts for so many volts off at the most. */
const most = 3;
/** Scatter of volts that hang on how the supply stands, and of a difference within one reading, which does not. */
const sigma = 2.5;
const sigmaOfDifference = 0.7;
/** Hot stands whole against ground where it is no further off than any supply. */
const wholeShare = 0.13;
const dimFrom = 0.54;

const lit = (share: number): LampState => (share >= 0.7 ? 'lit' : share >= dimFrom ? 'dim' : 'off');

/** How badly readings fit a receptacle whose neutral stands so many volts off, hot against it and it against ground. */
function misfit(readings: readonly Reading[], nominal: number, neutral: number): number {
  const expected = { hn: nominal - neutral, hg: nominal, ng: Math.abs(neutral) };
  let sum = 0;
  const off = (z: number): number => Math.min(most, 0.5 * z * z);
  for (const reading of readings) {
    if (reading.state !== undefined) continue;
    if (reading.instrument === 'meter' || reading.instrument === 'meter-low') {
      const { hn, hg, ng } = reading;
      const isWhole = hg !== undefined && Math.abs(hg - nominal) < wholeShare * nominal;
      if (hn !== undefined)
        sum += isWhole ? off((hn - hg + neutral) / sigmaOfDifference) : off((hn - expected.hn) / sigma);
      if (ng !== undefined) sum += off((ng - expected.ng) / (isWhole ? sigmaOfDifference : sigma));
      continue;
    }
    for (const pair of ['hn', 'ng'] as const) {
      if (reading.instrument === 'lamps' && reading[pair] !== lit(expected[pair] / nominal)) sum += most / 2;
    }
  }
  return sum;
}

/**
 * On which leg each outlet stands, were the neutral shared and lost: over all volts by which it may stand off, the one
 * under which the outlets fit best, each on the leg on which it fits better. What fits a sound neutral better on either
 * stays on its own.
 */
export function legsByReadings(circuit: Circuit, readings: readonly Reading[]): readonly Leg[] {
  const { nominalVolts } = circuit;
  const at = circuit.outlets.map(({ id }) => readings.filter((reading) => reading.at === id));
  let best: readonly Leg[] = circuit.outlets.map(({ leg }) => leg);
  let least = Number.POSITIVE_INFINITY;
  for (const shift of [...shifts, ...shifts.map((one) => -one)]) {
    let sum = 0;
    const legs = circuit.outlets.map(({ leg }, outlet): Leg => {
      const own = misfit(at[outlet] ?? [], nominalVolts, shift);
      const other = misfit(at[outlet] ?? [], nominalVolts, -shift);
      const sound = misfit(at[outlet] ?? [], nominalVolts, 0);
      sum += Math.min(own, other, sound);
      return other < own && other < sound ? otherLeg[leg] : leg;
    });
    if (sum >= least) continue;
    least = sum;
    best = legs;
  }
  return best;
}

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
export function sharedCircuit(circuit: Circuit, readings: readonly Reading[]): Circuit | null {
  const end = farthest(circuit);
  if (end === null) return null;
  const legs = legsByReadings(circuit, readings);
  const last = legs[circuit.outlets.findIndex(({ id }) => id === end)] ?? 'L1';
  return {
    ...circuit,
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
