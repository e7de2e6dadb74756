import { instruments, type Reading, readingFrom, type WholeReading } from '../../instruments/index.ts';
import { inducedVolts } from '../evidence/likelihood.ts';
import type { DiagnosisProblem } from '../evidence/problem.ts';
import type { Wrong } from '../evidence/slips.ts';
import type { Foreseen, Misfit } from './foresight.ts';

/** One reading beside what the leading explanation predicts for it. */
export interface ReadingComparison {
  readonly position: number;
  readonly reading: Reading;
  /** The same reading as the leading explanation has it. */
  readonly predicted: WholeReading;
  /** Its fields that nothing holds there: a meter shows any volts, a probe sounds or does not. */
  readonly floats: readonly string[];
  readonly fits: boolean;
  /** How it is held to be wrong, where it does not fit and that is known. */
  readonly wrong: Wrong | null;
}

/** The channels of an explanation from one on, and which of them nothing holds. */
export interface Expected {
  readonly predicted: ArrayLike<number>;
  /** 1 where nothing holds what a channel is read at. */
  readonly adrift: ArrayLike<number>;
  readonly first: number;
}

/** A reading as it is expected, and its fields that nothing holds. */
export function expectedOf(
  reading: Reading,
  { predicted, adrift, first }: Expected,
  devices: readonly string[],
): Pick<ReadingComparison, 'predicted' | 'floats'> {
  const { reads } = instruments[reading.instrument];
  const floats = Object.keys(reads?.fields ?? {}).filter(
    (_, index) =>
      adrift[first + index] === 1 &&
      // A probe is silent all the same where nothing near it is live.
      (reads?.value.channel !== 'sounds' || (predicted[first + index] ?? 0) > inducedVolts),
  );
  return { predicted: readingFrom(reading, predicted, first, devices), floats };
}

/** Every reading before repair beside its prediction, in the order in which they were taken. */
export function compareReadings(
  { evidence, network }: DiagnosisProblem,
  { predicted, adrift }: Pick<Foreseen, 'predicted' | 'adrift'>,
  misfits: readonly Misfit[],
): readonly ReadingComparison[] {
  const misfitting = new Map(misfits.map(({ position, wrong }) => [position, wrong]));
  const devices = network.devices.map(({ id }) => id);
  return evidence.states
    .filter(({ repaired }) => !repaired)
    .flatMap(({ outlets }) => outlets.flatMap(({ readings }) => readings))
    .flatMap(({ position, first }) => {
      const reading = evidence.readings[position];
      if (reading === undefined) return [];
      return [
        {
          position,
          reading,
          ...expectedOf(reading, { predicted, adrift, first }, devices),
          fits: !misfitting.has(position),
          wrong: misfitting.get(position) ?? null,
        },
      ];
    })
    .sort((a, b) => a.position - b.position);
}
