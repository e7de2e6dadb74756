import { type Reading, readingFrom, type WholeReading } from '../../instruments/index.ts';
import type { DiagnosisProblem } from '../evidence/problem.ts';
import type { Wrong } from '../evidence/weighing.ts';
import type { Misfit } from './foresight.ts';

/** One reading beside what the leading explanation predicts for it. */
export interface ReadingComparison {
  readonly position: number;
  readonly reading: Reading;
  /** The same reading as the leading explanation has it. */
  readonly predicted: WholeReading;
  readonly fits: boolean;
  /** How it is held to be wrong, where it does not fit and that is known. */
  readonly wrong: Wrong | null;
}

/** Every reading before repair beside its prediction, in the order in which they were taken. */
export function compareReadings(
  { evidence, network }: DiagnosisProblem,
  predicted: Float64Array,
  misfits: readonly Misfit[],
): readonly ReadingComparison[] {
  const misfitting = new Map(misfits.map(({ position, wrong }) => [position, wrong]));
  const devices = network.devices.map(({ id }) => id);
  return evidence.states
    .filter(({ repaired }) => !repaired)
    .flatMap(({ outlets }) => outlets.flatMap(({ readings }) => readings))
    .flatMap((compiled) => {
      const reading = evidence.readings[compiled.position];
      if (reading === undefined) return [];
      return [
        {
          position: compiled.position,
          reading,
          predicted: readingFrom(reading, predicted, compiled.first, devices),
          fits: !misfitting.has(compiled.position),
          wrong: misfitting.get(compiled.position) ?? null,
        },
      ];
    })
    .sort((a, b) => a.position - b.position);
}
