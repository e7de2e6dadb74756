import type { Reading } from '../circuit/index.ts';
import { contacts, dimFrom, type LampState, litFrom, probeVolts } from '../instruments/index.ts';
import { buttonCode } from './evidence.ts';
import type { Misfit } from './posterior.ts';
import type { DiagnosisProblem } from './problem.ts';

/** One reading beside what the leading explanation predicts for it. */
export interface ReadingComparison {
  readonly position: number;
  readonly reading: Reading;
  /** The same reading as the leading explanation has it. */
  readonly predicted: Reading;
  readonly fits: boolean;
}

const glow = (share: number): LampState => (share >= litFrom ? 'lit' : share >= dimFrom ? 'dim' : 'off');
const buttonResults = [
  'trips',
  'no-power',
  'nothing',
] as const satisfies readonly (keyof typeof buttonCode)[];

/** A reading with its values replaced by predicted ones, which begin at the channel `first`. */
export function predictedReading(
  reading: Reading,
  first: number,
  predicted: Float64Array,
  devices: readonly string[],
): Reading {
  const at = (index: number): number => predicted[first + index] ?? 0;
  switch (reading.instrument) {
    case 'lamps':
      return { ...reading, hn: glow(at(0)), hg: glow(at(1)), ng: glow(at(2)) };
    case 'meter':
    case 'meter-low':
    case 'loaded':
      return { ...reading, hn: at(0), hg: at(1), ng: at(2) };
    case 'earth-meter':
      return { ...reading, hot: at(0), neutral: at(1), ground: at(2) };
    case 'probe': {
      const [hot, neutral, ground] = contacts.map((_, index) => at(index) >= probeVolts);
      return { ...reading, hot: hot === true, neutral: neutral === true, ground: ground === true };
    }
    case 'gfci-button': {
      const { seconds: _, ...rest } = reading;
      return { ...rest, milliamps: at(0), trips: devices.filter((_device, index) => at(1 + index) === 1) };
    }
    case 'own-button':
      return {
        ...reading,
        result: buttonResults.find((result) => buttonCode[result] === at(0)) ?? 'no-power',
      };
  }
}

/** Every reading before repair beside its prediction, in the order in which they were taken. */
export function compareReadings(
  { evidence, network }: DiagnosisProblem,
  predicted: Float64Array,
  misfits: readonly Misfit[],
): readonly ReadingComparison[] {
  const misfitting = new Set(misfits.map(({ position }) => position));
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
          predicted: predictedReading(reading, compiled.first, predicted, devices),
          fits: !misfitting.has(compiled.position),
        },
      ];
    })
    .sort((a, b) => a.position - b.position);
}
