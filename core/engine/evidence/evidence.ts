import {
  type Channel,
  type ChannelKind,
  channelsOf,
  type Hookup,
  hookupOf,
  type Reading,
  settingOf,
  type TestState,
  unplugged,
} from '../../instruments/index.ts';
import type { Network } from '../../physics/index.ts';
import { lampScaleAt, type Scales, scaleAt } from '../model/scales.ts';
import { shownElsewhere } from './elsewhere.ts';

/** One reading as a run of channels. */
export interface ReadingEvidence {
  /** Counts all readings, what tripped before among them. */
  readonly index: number;
  /** Its position in the readings file; -1 for what tripped before any instrument was used. */
  readonly position: number;
  readonly outlet: number;
  /** Of an outlet that is not on the leg of the first one. */
  readonly isOnOtherLeg: boolean;
  readonly instrument: Reading['instrument'] | 'tripped-before';
  readonly hookup: Hookup;
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
  /** 1 of a channel that is read on the other leg. */
  readonly onOtherLeg: Uint8Array;
  readonly slots: number;
  readonly readingCount: number;
  /** How often a receptacle shows the volts of a reading that was taken at another one, by the reading's index. */
  readonly elsewhere: Float64Array;
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

const tripFlags = (network: Network, tripped: ReadonlySet<string>): readonly Channel[] =>
  network.devices.map(({ id }) => ['trips', tripped.has(id) ? 1 : 0]);

/** Positions of readings, gathered by the state of the circuit in which they were taken. */
function byState(all: readonly Reading[], firstRepaired: number): readonly (readonly number[])[] {
  const groups = new Map<string, number[]>();
  all.forEach((reading, position) => {
    const key = stateKey(reading, position >= firstRepaired);
    const group = groups.get(key);
    if (group) group.push(position);
    else groups.set(key, [position]);
  });
  return [...groups.values()];
}

/** Lays readings out as channels, one after the other. */
class Compiler {
  readonly kinds: ChannelKind[] = [];
  readonly observed: number[] = [];
  readonly onOtherLeg: number[] = [];
  readonly all: readonly Reading[];
  slots = 0;
  readingCount = 0;
  private readonly network: Network;
  private readonly devices: readonly string[];
  private readonly taken: Taken;

  constructor(network: Network, taken: Taken) {
    this.network = network;
    this.devices = network.devices.map(({ id }) => id);
    this.taken = taken;
    this.all = [...taken.readings, ...taken.afterRepair];
  }

  private put(
    channels: readonly Channel[],
    of: Omit<ReadingEvidence, 'index' | 'first' | 'end'>,
  ): ReadingEvidence {
    const first = this.observed.length;
    for (const [kind, observed] of channels) {
      this.kinds.push(kind);
      this.observed.push(observed);
      this.onOtherLeg.push(of.isOnOtherLeg ? 1 : 0);
    }
    this.readingCount += 1;
    return { index: this.readingCount - 1, ...of, first, end: this.observed.length };
  }

  /** What tripped by itself in a state; null where nobody looked. */
  private trippedBefore(reading: Reading, repaired: boolean): ReadingEvidence | null {
    if (this.taken.trippedBefore === null || this.network.devices.length === 0) return null;
    const isAsFound = reading.state === undefined && !repaired;
    const tripped = new Set(isAsFound ? this.taken.trippedBefore : (reading.trippedBefore ?? []));
    const nowhere = {
      position: -1,
      outlet: -1,
      isOnOtherLeg: false,
      instrument: 'tripped-before',
      hookup: unplugged,
    } as const;
    return this.put(tripFlags(this.network, tripped), nowhere);
  }

  state(positions: readonly number[]): StateEvidence {
    const [first = 0] = positions;
    const reading = this.all[first] as Reading;
    const repaired = first >= this.taken.readings.length;
    const trippedBefore = this.trippedBefore(reading, repaired);
    const byOutlet = new Map<number, ReadingEvidence[]>();
    for (const position of positions) {
      const compiled = this.reading(position);
      const others = byOutlet.get(compiled.outlet);
      if (others) others.push(compiled);
      else byOutlet.set(compiled.outlet, [compiled]);
    }
    return {
      state: reading.state,
      repaired,
      trippedBefore,
      outlets: [...byOutlet].map(([outlet, readings]) => {
        this.slots += 1;
        return { outlet, slot: this.slots - 1, isLocal: this.areLocal(readings), readings };
      }),
    };
  }

  private reading(position: number): ReadingEvidence {
    const reading = this.all[position] as Reading;
    const outlet = this.network.topology.outletIndex.get(reading.at);
    if (outlet === undefined) throw new Error(`no outlet ${reading.at}`);
    const { instrument } = reading;
    const { outlets } = this.network.circuit;
    return this.put(channelsOf(reading, this.devices), {
      position,
      outlet,
      isOnOtherLeg: outlets[outlet]?.leg !== outlets[0]?.leg,
      instrument,
      hookup: hookupOf(instrument, settingOf(reading), this.network.circuit.nominalVolts),
    });
  }

  private areLocal(readings: readonly ReadingEvidence[]): boolean {
    return this.network.devices.length === 0 || readings.every(({ hookup }) => hookup.watches === null);
  }
}

/** What is shown at a reading, times what is predicted; lamps and volts alone go with it. */
export const scaleOf = ({ instrument, isOnOtherLeg }: ReadingEvidence, scales: Scales): number =>
  instrument === 'lamps' ? lampScaleAt(scales, isOnOtherLeg) : scaleAt(scales, isOnOtherLeg);

/** What is predicted for every channel, at the scales of its leg. */
export const scaledBy = (
  { kinds, onOtherLeg }: Evidence,
  predicted: Float64Array,
  scales: Scales,
): Float64Array =>
  predicted.map((value, channel) => {
    const isOnOtherLeg = onOtherLeg[channel] === 1;
    if (kinds[channel] === 'volts') return scaleAt(scales, isOnOtherLeg) * value;
    return kinds[channel] === 'lamp' ? lampScaleAt(scales, isOnOtherLeg) * value : value;
  });

/** Compiles readings for a network. The outlets they name must be the network's. */
export function evidenceOf(network: Network, taken: Taken): Evidence {
  const compiler = new Compiler(network, taken);
  const states = byState(compiler.all, taken.readings.length).map((positions) => compiler.state(positions));
  const { all, kinds, observed, onOtherLeg, slots, readingCount } = compiler;
  const firstRepaired = Math.min(
    observed.length,
    ...states.filter(({ repaired }) => repaired).map((state) => firstChannel(state)),
  );
  return {
    readings: all,
    states,
    kinds,
    observed: Float64Array.from(observed),
    onOtherLeg: Uint8Array.from(onOtherLeg),
    slots,
    readingCount,
    elsewhere: shownElsewhere(
      states.flatMap(({ outlets }) => outlets.flatMap(({ readings }) => readings)),
      { kinds, observed, nominalVolts: network.circuit.nominalVolts },
      readingCount,
    ),
    firstRepaired,
  };
}

const firstChannel = ({ trippedBefore, outlets }: StateEvidence): number =>
  trippedBefore?.first ?? Math.min(...outlets.flatMap(({ readings }) => readings.map(({ first }) => first)));
