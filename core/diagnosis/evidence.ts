import {
  type Network,
  type Reading,
  type TestState,
  usualButtonMilliamps,
  usualLoadAmps,
} from '../circuit/index.ts';
import { pairs } from '../instruments/index.ts';

/** What one number of a reading is. */
export const channelKinds = ['lamp', 'volts', 'sounds', 'milliamps', 'trips', 'button'] as const;
export type ChannelKind = (typeof channelKinds)[number];

/** Codes under which observed words are kept: a lamp's state, a button's result; true is 1. */
export const lampCode = { off: 0, dim: 1, lit: 2 } as const;
export const buttonCode = { trips: 0, 'no-power': 1, nothing: 2 } as const;

/** One reading as a run of channels. */
export interface ReadingEvidence {
  /** Counts all readings, what tripped before among them. */
  readonly index: number;
  /** Its position in the readings file; -1 for what tripped before any instrument was used. */
  readonly position: number;
  readonly outlet: number;
  readonly instrument: Reading['instrument'] | 'tripped-before';
  /** Amperes of a load, milliamperes of a button; nought elsewhere. */
  readonly setting: number;
  readonly first: number;
  readonly end: number;
}

/** Readings of one outlet in one state. */
export interface OutletEvidence {
  readonly outlet: number;
  /** Counts all outlets of all states. */
  readonly slot: number;
  /** True where what is read follows from the outlet's three terminals alone, not from what devices do elsewhere. */
  readonly isLocal: boolean;
  readonly readings: readonly ReadingEvidence[];
}

/** Readings that see the circuit in one and the same state. */
export interface StateEvidence {
  readonly state: TestState | undefined;
  /** After repair: some of the causes may be gone. */
  readonly repaired: boolean;
  readonly trippedBefore: ReadingEvidence | null;
  readonly outlets: readonly OutletEvidence[];
}

/** All readings of a circuit as channels, gathered by state and outlet. */
export interface Evidence {
  readonly readings: readonly Reading[];
  readonly states: readonly StateEvidence[];
  readonly kinds: readonly ChannelKind[];
  readonly observed: Float64Array;
  readonly slots: number;
  readonly readingCount: number;
  /** First channel of the readings after repair; they come last. */
  readonly firstRepaired: number;
}

/** How the readings were taken. */
export interface Taken {
  readonly readings: readonly Reading[];
  /** Devices that tripped by themselves before any instrument was used; null where nobody looked. */
  readonly trippedBefore: readonly string[] | null;
  readonly afterRepair: readonly Reading[];
}

const stateKey = (reading: Reading, repaired: boolean): string =>
  `${repaired}${reading.state === undefined ? '' : JSON.stringify(reading.state)}`;

/** Compiles readings for a network. The outlets they name must be the network's. */
export function evidenceOf(network: Network, taken: Taken): Evidence {
  const kinds: ChannelKind[] = [];
  const observed: number[] = [];
  const { outletIndex } = network.topology;
  const put = (kind: ChannelKind, value: number): void => {
    kinds.push(kind);
    observed.push(value);
  };

  const putReading = (reading: Reading): void => {
    switch (reading.instrument) {
      case 'lamps':
        for (const pair of pairs) put('lamp', lampCode[reading[pair]]);
        return;
      case 'meter':
      case 'meter-low':
      case 'loaded':
        for (const pair of pairs) put('volts', reading[pair]);
        return;
      case 'earth-meter':
        for (const contact of ['hot', 'neutral', 'ground'] as const) put('volts', reading[contact]);
        return;
      case 'probe':
        for (const contact of ['hot', 'neutral', 'ground'] as const) put('sounds', reading[contact] ? 1 : 0);
        return;
      case 'gfci-button':
        put('milliamps', reading.milliamps);
        for (const device of network.devices) put('trips', reading.trips.includes(device.id) ? 1 : 0);
        return;
      case 'own-button':
        put('button', buttonCode[reading.result]);
        return;
    }
  };
  const settingOf = (reading: Reading): number => {
    if (reading.instrument === 'loaded') return reading.amps ?? usualLoadAmps;
    return reading.instrument === 'gfci-button' ? (reading.buttonMilliamps ?? usualButtonMilliamps) : 0;
  };

  let slots = 0;
  const nextSlot = (): number => {
    slots += 1;
    return slots - 1;
  };
  let readingCount = 0;
  const nextReading = (): number => {
    readingCount += 1;
    return readingCount - 1;
  };
  const all = [...taken.readings, ...taken.afterRepair];
  const groups = new Map<string, number[]>();
  all.forEach((reading, position) => {
    const key = stateKey(reading, position >= taken.readings.length);
    const group = groups.get(key);
    if (group) group.push(position);
    else groups.set(key, [position]);
  });
  const states = [...groups.values()].map((positions): StateEvidence => {
    const [first = 0] = positions;
    const { state, trippedBefore: own } = all[first] as Reading;
    const repaired = first >= taken.readings.length;
    const looked = taken.trippedBefore !== null && network.devices.length > 0;
    const tripped = new Set(state === undefined && !repaired ? taken.trippedBefore : (own ?? []));
    const start = observed.length;
    if (looked) for (const device of network.devices) put('trips', tripped.has(device.id) ? 1 : 0);
    const trippedBefore: ReadingEvidence | null = !looked
      ? null
      : {
          index: nextReading(),
          position: -1,
          outlet: -1,
          instrument: 'tripped-before',
          setting: 0,
          first: start,
          end: observed.length,
        };
    const byOutlet = new Map<number, ReadingEvidence[]>();
    for (const position of positions) {
      const reading = all[position] as Reading;
      const outlet = outletIndex.get(reading.at);
      if (outlet === undefined) throw new Error(`no outlet ${reading.at}`);
      const begin = observed.length;
      putReading(reading);
      const compiled: ReadingEvidence = {
        index: nextReading(),
        position,
        outlet,
        instrument: reading.instrument,
        setting: settingOf(reading),
        first: begin,
        end: observed.length,
      };
      const others = byOutlet.get(outlet);
      if (others) others.push(compiled);
      else byOutlet.set(outlet, [compiled]);
    }
    return {
      state,
      repaired,
      trippedBefore,
      outlets: [...byOutlet].map(([outlet, readings]) => ({
        outlet,
        slot: nextSlot(),
        isLocal:
          network.devices.length === 0 ||
          readings.every(({ instrument }) => instrument !== 'gfci-button' && instrument !== 'own-button'),
        readings,
      })),
    };
  });
  const firstRepaired = Math.min(
    observed.length,
    ...states.filter(({ repaired }) => repaired).map((state) => firstChannel(state)),
  );
  return {
    readings: all,
    states,
    kinds,
    observed: Float64Array.from(observed),
    slots,
    readingCount,
    firstRepaired,
  };
}

const firstChannel = ({ trippedBefore, outlets }: StateEvidence): number =>
  trippedBefore?.first ?? Math.min(...outlets.flatMap(({ readings }) => readings.map(({ first }) => first)));
