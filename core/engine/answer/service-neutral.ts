import type { Reading } from '../../instruments/index.ts';

/** Volts high on one leg and low on the other, in the whole house: the service neutral is lost or loose. */
export interface LostServiceNeutral {
  readonly kind: 'lost-service-neutral';
  readonly high: readonly string[];
  readonly low: readonly string[];
  readonly highVolts: number;
  readonly lowVolts: number;
}

/** Beyond what mains voltage varies by itself: 5 % of nominal either way (ANSI C84.1 range A, from memory). */
const beyondRange = 0.05;
/** The two legs add up to twice nominal within so much. */
const sumTolerance = 0.03;
const fewest = 2;

const median = (values: readonly number[]): number =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)] ?? Number.NaN;

/**
 * Looks over the hot–neutral volts of all circuits, read without a load. Neutral to ground stays near nought and lamps
 * read correct, so nothing but the volts shows it. `circuitOf` names each receptacle's circuit: one that shares its own
 * neutral explains high and low within itself, so both sides must come from several circuits. null where nothing speaks
 * for it.
 */
export function lostServiceNeutral(
  readings: readonly Reading[],
  circuitOf: (outlet: string) => string,
  nominalVolts = 120,
): LostServiceNeutral | null {
  const plain = readings.flatMap((reading) => {
    if (reading.instrument !== 'meter') return [];
    const { at, hn, ng } = reading;
    return hn !== undefined && ng !== undefined && ng < beyondRange * nominalVolts ? [{ at, volts: hn }] : [];
  });
  const high = plain.filter(({ volts }) => volts > (1 + beyondRange) * nominalVolts);
  const low = plain.filter(
    ({ volts }) => volts < (1 - beyondRange) * nominalVolts && volts > 0.3 * nominalVolts,
  );
  if (high.length < fewest || low.length < fewest) return null;
  const circuits = new Set([...high, ...low].map(({ at }) => circuitOf(at)));
  const highVolts = median(high.map(({ volts }) => volts));
  const lowVolts = median(low.map(({ volts }) => volts));
  const isWhole = Math.abs(highVolts + lowVolts - 2 * nominalVolts) <= sumTolerance * 2 * nominalVolts;
  if (circuits.size < 2 || !isWhole) return null;
  return {
    kind: 'lost-service-neutral',
    high: high.map(({ at }) => at),
    low: low.map(({ at }) => at),
    highVolts,
    lowVolts,
  };
}
