import { type Circuit, runOf, simulate } from '@fair-plug/core/circuit';
import type { Fault } from '@fair-plug/core/faults';
import type { Reading, Shown, Test } from '@fair-plug/core/instruments';

/** A circuit of the demo’s house with what is wrong on it, which only what was read there tells. */
export interface DemoCircuit {
  readonly breaker: string;
  /** From the panel outward. */
  readonly run: readonly string[];
  /** The breaker on the other leg with which it shares its neutral, and what that one feeds. */
  readonly shares?: { readonly breaker: string; readonly run: readonly string[] };
  readonly faults?: readonly Fault[];
  /** Watts that are on, by receptacle. */
  readonly loads?: Readonly<Record<string, number>>;
  /** What was read there besides lamps. */
  readonly tests?: readonly Test[];
  /** Volts at the panel while it was read, as a share of 120. */
  readonly supply?: number;
}

const numbered = (room: string, ...numbers: readonly number[]): readonly string[] =>
  numbers.map((number) => `${room} ${number}`);
const to = (receptacle: string): string => `to ${receptacle}`;
const loadTests = (...all: readonly string[]): readonly Test[] =>
  all.flatMap((at): Test[] => [
    { at, instrument: 'meter' },
    { at, instrument: 'loaded', amps: 12 },
  ]);

export const demoCircuits: readonly DemoCircuit[] = [
  { breaker: '5', run: numbered('Kitchen', 2, 3, 4, 5, 6, 7) },
  { breaker: '6', run: numbered('Kitchen', 1) },
  {
    // A neutral that two breakers share and that is open: both lamps lit, 135 V on one side and 104 on the other.
    breaker: '7',
    run: numbered('Front bedroom', 1, 2, 3, 4),
    shares: { breaker: '13', run: numbered('Main bedroom', 1, 2, 3, 4, 5, 6) },
    faults: [
      { kind: 'open', conductor: 'neutral', cable: to('Front bedroom 1') },
      { kind: 'open', conductor: 'ground', at: 'Main bedroom 2' },
    ],
    loads: { 'Front bedroom 2': 100, 'Main bedroom 4': 130 },
    tests: [
      { at: 'Front bedroom 1', instrument: 'meter' },
      { at: 'Front bedroom 4', instrument: 'meter' },
      { at: 'Main bedroom 1', instrument: 'meter' },
      { at: 'Main bedroom 5', instrument: 'meter' },
    ],
  },
  {
    // A neutral that is open midway.
    breaker: '8',
    run: numbered('Living room', 1, 2, 3, 4, 5, 6),
    faults: [{ kind: 'open', conductor: 'neutral', cable: to('Living room 5') }],
    tests: [
      { at: 'Living room 4', instrument: 'meter' },
      { at: 'Living room 5', instrument: 'meter-low' },
      { at: 'Living room 5', instrument: 'probe' },
    ],
  },
  {
    breaker: '9',
    run: numbered('Sunroom', 1, 2, 3, 4, 5),
    faults: [{ kind: 'swap', conductors: ['hot', 'ground'], at: 'Sunroom 4' }],
  },
  { breaker: '10', run: numbered('Laundry', 1, 2) },
  {
    // A poor splice on the way to the hall, that load tests on both sides of it show.
    breaker: '11',
    run: ['Entry 1', 'Entry 2', 'Hall 1', 'Hall 2', 'Bath 1'],
    faults: [{ kind: 'resistance', conductor: 'neutral', ohms: 0.55, cable: to('Hall 1') }],
    tests: loadTests('Entry 1', 'Entry 2', 'Hall 1', 'Hall 2'),
    supply: 1.01,
  },
  {
    breaker: '12',
    run: numbered('Family room', 1, 2, 3, 4, 5, 6, 7),
    faults: [{ kind: 'swap', conductors: ['hot', 'neutral'], cable: to('Family room 5') }],
    tests: [{ at: 'Family room 5', instrument: 'probe' }],
  },
  {
    breaker: '14',
    run: numbered('Dining room', 1, 2, 3, 4),
    faults: [{ kind: 'open', conductor: 'hot', at: 'Dining room 2' }],
  },
  { breaker: '15', run: numbered('Back bedroom', 1, 2, 3, 4) },
];

/** Meters of cable to the first receptacle, and from one to the next. */
const meters = { first: 14, next: 5 } as const;

/** A circuit of the demo as it is wired; the second of two that share a neutral leaves at the first receptacle. */
export function wiredAs({ run, shares, faults = [], loads = {} }: DemoCircuit): Circuit {
  const others = shares?.run ?? [];
  const whole = runOf([...run, ...others], {
    meters,
    cableName: to,
    legs: [...run.map(() => 'L1' as const), ...others.map(() => 'L2' as const)],
  });
  return {
    ...whole,
    cables: whole.cables.map((cable) =>
      cable.to === others[0] ? { ...cable, from: run[0] ?? cable.from } : cable,
    ),
    faults: [...faults],
    loads: Object.entries(loads).map(([at, watts]) => ({ at, watts, on: true })),
  };
}

const tenths = (value: number): number => Math.round(10 * value) / 10;

/** What an instrument shows: volts to a tenth, as its display has them. */
function asShown({ at: _, ...reading }: Reading, supply: number): Shown {
  return Object.fromEntries(
    Object.entries(reading).map(([name, value]) => [
      name,
      typeof value === 'number' && name !== 'amps' ? tenths(value * supply) : value,
    ]),
  ) as unknown as Shown;
}

/** All that was read on a circuit of the demo besides lamps: what the model shows, as an instrument would. */
export const readOn = (circuit: DemoCircuit): readonly { readonly at: string; readonly shown: Shown }[] =>
  simulate({ ...wiredAs(circuit), tests: [...(circuit.tests ?? [])] }).readings.map((reading) => ({
    at: reading.at,
    shown: asShown(reading, circuit.supply ?? 1),
  }));
