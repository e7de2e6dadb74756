import { type Circuit, simulate } from '../circuit/index.ts';
import { scaleAt } from '../engine/index.ts';
import type { Fault } from '../faults/index.ts';
import {
  askedIn,
  type InstrumentId,
  instruments,
  isOfDevice,
  type Reading,
  scaled,
  type Test,
  type WholeReading,
} from '../instruments/index.ts';
import type { CircuitExplanation } from './judged.ts';

/** What is supposed of a circuit: what is wrong, what is on, and how high the supply stands. */
export type Supposition = Pick<CircuitExplanation, 'faults' | 'loads' | 'scales'>;

/** Volts at which the engine reasons; what is shown is scaled to the region's. */
const engineVolts = 120;

const supposed = (circuit: Circuit, { faults, loads }: Supposition, tests: readonly Test[]): Circuit => ({
  ...circuit,
  faults: [...faults],
  loads: [...loads],
  tests: [...tests],
});

/** What each of some tests shows on a circuit as it is supposed to be, in the region's volts. */
export function shownUnder(
  circuit: Circuit,
  supposition: Supposition,
  tests: readonly Test[],
  nominalVolts = engineVolts,
): readonly WholeReading[] {
  const [first] = circuit.outlets;
  const onOtherLeg = new Set(circuit.outlets.filter(({ leg }) => leg !== first?.leg).map(({ id }) => id));
  return simulate(supposed(circuit, supposition, tests)).readings.map((reading) =>
    scaled(reading, (scaleAt(supposition.scales, onOtherLeg.has(reading.at)) * nominalVolts) / engineVolts),
  );
}

/** Volts, and share of what is read, by which a prediction may miss and still fit: supply, meter and what is plugged in wander. */
const nearVolts = 2.5;
const nearShare = 0.025;

/** A reading beside what is supposed. */
export interface Compared {
  readonly reading: Reading;
  readonly shown: WholeReading;
  readonly fits: boolean;
}

function differs(read: unknown, shown: unknown): boolean {
  if (read === undefined) return false;
  if (typeof read === 'number' && typeof shown === 'number')
    return Math.abs(read - shown) > Math.max(nearVolts, nearShare * Math.abs(read));
  if (Array.isArray(read) && Array.isArray(shown)) return read.join() !== shown.join();
  return read !== shown;
}

const shownFields = ({ instrument }: Reading): readonly string[] =>
  Object.keys(instruments[instrument].reads?.fields ?? {});

const fieldOf = (reading: Reading, name: string): unknown =>
  (reading as unknown as Readonly<Record<string, unknown>>)[name];

/** Every reading that was taken beside what it would show on a circuit as it is supposed to be. */
export function comparedUnder(
  circuit: Circuit,
  supposition: Supposition,
  taken: readonly Reading[],
  nominalVolts = engineVolts,
): readonly Compared[] {
  const shown = shownUnder(circuit, supposition, taken.map(askedIn), nominalVolts);
  return taken.flatMap((reading, position) => {
    const here = shown[position];
    if (here === undefined) return [];
    const fits = !shownFields(reading).some((name) => differs(fieldOf(reading, name), fieldOf(here, name)));
    return [{ reading, shown: here, fits }];
  });
}

/** A test that shows one thing under the one supposition, and another under the other. */
export interface TellingTest {
  readonly at: string;
  readonly instrument: InstrumentId;
  readonly first: WholeReading;
  readonly second: WholeReading;
}

/** What takes least time and risk first (common practice). */
const inTurn: readonly InstrumentId[] = [
  'lamps',
  'probe',
  'meter',
  'meter-low',
  'earth-meter',
  'loaded',
  'gfci-button',
];
/** Volts by which two suppositions must part for a meter to tell them. */
const tellingVolts = 5;

/** How far apart two readings of one test are: whole steps of what lights or sounds count more than volts do. */
function apart(first: WholeReading, second: WholeReading): number {
  let steps = 0;
  let volts = 0;
  for (const name of shownFields(first)) {
    const [a, b] = [fieldOf(first, name), fieldOf(second, name)];
    if (typeof a === 'number' && typeof b === 'number') volts = Math.max(volts, Math.abs(a - b));
    else if (String(a) !== String(b)) steps += 1;
  }
  return steps > 0 ? 1000 * steps : volts >= tellingVolts ? volts : 0;
}

/**
 * The one test that tells two suppositions apart: of the instruments that can, the one that takes least, where it shows
 * most. `mayUse` says where an instrument may be used as things stand; null where no test that may be made tells them.
 */
export function tellingTest(
  circuit: Circuit,
  [one, other]: readonly [Supposition, Supposition],
  kit: readonly InstrumentId[],
  mayUse: (at: string, instrument: InstrumentId) => boolean,
): TellingTest | null {
  for (const instrument of inTurn) {
    if (!kit.includes(instrument) || isOfDevice(instrument)) continue;
    const tests = circuit.outlets
      .filter(({ id }) => mayUse(id, instrument))
      .map(({ id }) => ({ at: id, instrument }) as Test);
    const first = shownUnder(circuit, one, tests);
    const second = shownUnder(circuit, other, tests);
    let best: TellingTest | null = null;
    let most = 0;
    tests.forEach(({ at }, position) => {
      const [a, b] = [first[position], second[position]];
      if (a === undefined || b === undefined) return;
      const by = apart(a, b);
      if (by <= most) return;
      most = by;
      best = { at, instrument, first: a, second: b };
    });
    if (best !== null) return best;
  }
  return null;
}

/** The same circuit with a fault in it that was not, or without one that was. */
export const withFault = (faults: readonly Fault[], fault: Fault, isIn: boolean): readonly Fault[] =>
  isIn ? [...faults, fault] : faults.filter((one) => one !== fault);
