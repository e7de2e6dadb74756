import { type Reading, usualLoadAmps } from '../../instruments/index.ts';
import { conductorOhms, type Metal } from '../../physics/index.ts';

/** How far an outlet is from the panel along the conductors, by what a load test loses there. */
export interface RunLength {
  readonly at: string;
  /** Ohms of hot and neutral together, source included. */
  readonly loopOhms: number;
  /** Ohms of the neutral alone, where the ground tells it. */
  readonly neutralOhms: number;
  /** Metres of one conductor. */
  readonly meters: number;
}

interface Conductor {
  readonly metal: Metal;
  readonly awg: number;
  readonly celsius: number;
}

const usualConductor: Conductor = { metal: 'copper', awg: 14, celsius: 20 };
/** Volts below which neutral to ground under load says nothing: a jumper makes it nought. */
const leastNeutralVolts = 0.3;

/**
 * Conductor length of each outlet to the panel from its load test beside its meter reading, the nearest first: on one
 * run without a bad connection, that is the likely order. Ohm's law: the load's own ohms tell its current.
 */
export function runLengths(
  readings: readonly Reading[],
  nominalVolts = 120,
  conductor: Conductor = usualConductor,
): readonly RunLength[] {
  const perMeter = conductorOhms(
    { metal: conductor.metal, awg: conductor.awg, meters: 1 },
    conductor.celsius,
  );
  const plain = new Map<string, number>();
  for (const reading of readings)
    if (reading.instrument === 'meter' && reading.hn !== undefined) plain.set(reading.at, reading.hn);
  return readings
    .flatMap((reading): RunLength[] => {
      const { hn, ng } = reading.instrument === 'loaded' ? reading : {};
      if (reading.instrument !== 'loaded' || hn === undefined || ng === undefined) return [];
      const unloaded = plain.get(reading.at) ?? nominalVolts;
      const loadOhms = nominalVolts / (reading.amps ?? usualLoadAmps);
      const amps = hn / loadOhms;
      if (amps <= 0 || ng < leastNeutralVolts || hn >= unloaded) return [];
      const neutralOhms = ng / amps;
      return [
        {
          at: reading.at,
          loopOhms: (unloaded - hn) / amps,
          neutralOhms,
          meters: neutralOhms / perMeter,
        },
      ];
    })
    .sort((a, b) => a.meters - b.meters);
}
