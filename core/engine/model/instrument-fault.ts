import type { InstrumentId, Pair, Reading } from '../../instruments/index.ts';

/** An instrument that does not work, or a breaker that was another one. */
export type InstrumentFault =
  /** It shows nothing, whatever it is held to. */
  | { readonly instrument: 'lamps' | 'meter' | 'probe'; readonly kind: 'dead' }
  /** One lamp is burned out. */
  | { readonly instrument: 'lamps'; readonly kind: 'lamp-out'; readonly lamp: Pair }
  /** It sounds wherever it is held. */
  | { readonly instrument: 'probe'; readonly kind: 'always-sounds' }
  /** What was switched off did not feed this circuit. */
  | { readonly instrument: 'breaker'; readonly kind: 'another' };

/** Odds that an instrument in use does not work (common practice: proved before and after, they fail seldom, but do). */
export const instrumentOdds = {
  'lamps-dead': 0.001,
  'lamp-out': 0.0004,
  'meter-dead': 0.001,
  'probe-dead': 0.004,
  'probe-always-sounds': 0.002,
  // Directories of panels are wrong as often as not.
  'another-breaker': 0.03,
} as const;

export const instrumentFaults: readonly {
  readonly prior: keyof typeof instrumentOdds;
  readonly fault: InstrumentFault;
}[] = [
  { prior: 'lamps-dead', fault: { instrument: 'lamps', kind: 'dead' } },
  { prior: 'lamp-out', fault: { instrument: 'lamps', kind: 'lamp-out', lamp: 'hn' } },
  { prior: 'lamp-out', fault: { instrument: 'lamps', kind: 'lamp-out', lamp: 'hg' } },
  { prior: 'lamp-out', fault: { instrument: 'lamps', kind: 'lamp-out', lamp: 'ng' } },
  { prior: 'meter-dead', fault: { instrument: 'meter', kind: 'dead' } },
  { prior: 'probe-dead', fault: { instrument: 'probe', kind: 'dead' } },
  { prior: 'probe-always-sounds', fault: { instrument: 'probe', kind: 'always-sounds' } },
  { prior: 'another-breaker', fault: { instrument: 'breaker', kind: 'another' } },
];

/** Which of them reads an instrument: whoever loads a receptacle measures with the meter. */
const readBy: Readonly<Partial<Record<InstrumentId, InstrumentFault['instrument']>>> = {
  lamps: 'lamps',
  meter: 'meter',
  'earth-meter': 'meter',
  loaded: 'meter',
  probe: 'probe',
};

/** True where a fault could have shown in what was read. */
export const mayShowIn = ({ instrument }: InstrumentFault, readings: readonly Reading[]): boolean =>
  readings.some((reading) =>
    instrument === 'breaker' ? reading.state?.breakerOff === true : readBy[reading.instrument] === instrument,
  );

const pairIndex: Readonly<Record<Pair, number>> = { hn: 0, hg: 1, ng: 2 };

/** What an instrument that does not work makes of what it should show, in the channels from `first` to `end`. */
export function spoil(
  faults: readonly InstrumentFault[],
  instrument: InstrumentId | 'tripped-before',
  predicted: Float64Array,
  adrift: Uint8Array,
  first: number,
  end: number,
): void {
  for (const fault of faults) {
    if (instrument === 'tripped-before' || readBy[instrument] !== fault.instrument) continue;
    const [from, to] =
      fault.kind === 'lamp-out'
        ? [first + pairIndex[fault.lamp], first + pairIndex[fault.lamp] + 1]
        : [first, end];
    predicted.fill(fault.kind === 'always-sounds' ? alwaysSounds : 0, from, to);
    adrift.fill(0, from, to);
  }
}

/** Volts at which any probe sounds. */
const alwaysSounds = 1e3;
