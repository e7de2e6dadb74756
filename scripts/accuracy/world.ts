import { type Circuit, networkOf, parseCircuit, simulate } from '@fair-plug/core/circuit';
import type { HouseFacts, PriorId } from '@fair-plug/core/engine';
import { type Cause, causesOf, clash } from '@fair-plug/core/engine/model/cause.ts';
import type { Fault } from '@fair-plug/core/faults';
import type { InstrumentId, Reading, WholeReading } from '@fair-plug/core/instruments';
import { operationOf, Solver } from '@fair-plug/core/physics';
import type { Random } from './random.ts';

/** Circuits that the figures are measured on: three to five outlets, runs and trees, some on two legs, some with a load. */
export function circuitFrom(random: Random, count = 3 + random.whole(3), twoLegShare = 0.15): Circuit {
  const ids = Array.from({ length: count }, (_, index) => `o${index + 1}`);
  const twoLegs = random.chance(twoLegShare);
  const parsed = parseCircuit({
    format: 'fair-plug/circuit@1',
    outlets: ids.map((id) => ({
      id,
      wiring: random.chance(0.3) ? 'through' : 'pigtail',
      leg: twoLegs && random.chance(0.5) ? 'L2' : 'L1',
    })),
    cables: ids.map((to, index) => ({
      id: `c${index + 1}`,
      from: index === 0 ? 'panel' : random.chance(0.8) ? `o${index}` : random.pick(ids.slice(0, index)),
      to,
      meters: index === 0 ? random.between(6, 25) : random.between(2, 8),
      metal: 'copper',
      awg: random.chance(0.6) ? 14 : 12,
      ground: true,
    })),
    loads: ids
      .filter(() => random.chance(0.25))
      .map((at) => ({ at, watts: Math.exp(random.between(2, 6.5)) })),
  });
  if (parsed.kind === 'problems') throw new Error('an unsound circuit was made');
  return parsed.value;
}

/** Causes drawn as the priors have it; `factors` makes some kinds commoner or rarer than they say. */
export function drawCauses(
  causes: readonly Cause[],
  random: Random,
  factors: Readonly<Partial<Record<PriorId, number>>> = {},
): readonly Cause[] {
  for (;;) {
    const drawn = causes.filter(({ prior, logOdds }) => {
      const odds = Math.exp(logOdds) * (factors[prior] ?? 1);
      return random.chance(odds / (1 + odds));
    });
    const contradict = drawn.some((a, index) => drawn.slice(index + 1).some((b) => clash(a, b)));
    if (drawn.length <= 2 && !contradict) return drawn;
  }
}

/** Faults of causes, with the ohms of a bad connection drawn as the diagnosis expects them: log-normal around 3 Ω. */
export const faultsFrom = (drawn: readonly Cause[], random: Random): readonly Fault[] =>
  drawn.flatMap(({ faults }) =>
    faults.map((fault) => {
      if (fault.kind !== 'resistance') return fault;
      const ohms = Math.exp(Math.log(3) + 2 * random.gauss());
      return { ...fault, ohms: Math.min(1e5, Math.max(0.1, ohms)) };
    }),
  );

export const causesIn = (circuit: Circuit, house: HouseFacts = {}): readonly Cause[] =>
  causesOf(networkOf(circuit), house, new Set());

/** Bags as they are met, from the lightest. */
export const kits: Readonly<Record<string, readonly InstrumentId[]>> = {
  lamps: ['lamps'],
  'lamps and probe': ['lamps', 'probe'],
  'lamps, meter and probe': ['lamps', 'meter', 'probe'],
  'lamps, meter, probe and load test': ['lamps', 'meter', 'probe', 'loaded'],
};

/** How a house stands on the day: its supply, and the meter in the bag. */
export interface Day {
  /** What all volts are times what they would be at nominal. */
  readonly supply: number;
  /** By what share of it the second leg stands higher. */
  readonly legsApart: number;
  readonly meter: number;
}

/** A supply anywhere from 108 to 132 V, a meter within a hundredth. */
export const dayFrom = (random: Random): Day => ({
  supply: random.chance(0.6) ? 1 + 0.025 * random.gauss() : random.between(0.9, 1.1),
  legsApart: (1.5 / 120) * random.gauss(),
  meter: 1 + 0.01 * random.gauss(),
});

/** What a meter shows of some volts: its own noise, and now and then a value that is plainly wrong. */
const noisyVolts = (volts: number, factor: number, random: Random): number =>
  random.chance(0.01) ? random.between(0, 130) : Math.max(0, factor * volts + 0.2 * random.gauss());

/** A load's current is known to a sixth or so; nobody knows by how much it is off. */
const loadOff = 0.15;
const usualAmps = 12;

export interface Taken {
  readonly reading: Reading;
  /** True where it was misread, or plainly wrong. */
  readonly isWrong: boolean;
}

/**
 * True where a breaker would have opened: causes that together join hot to ground or neutral, drawing the volts of
 * contacts that are firmly connected down. Like a plain short, that leaves nothing to be tested.
 */
export function isShort(circuit: Circuit): boolean {
  const solver = new Solver(networkOf(circuit));
  solver.operate(operationOf(solver.network));
  const { nominalVolts } = circuit;
  return solver.network.outlets.some(({ contact }) =>
    [contact.hot, contact.neutral, contact.ground].some((node) => {
      const share = Math.hypot(solver.voltsRe[node] ?? 0, solver.voltsIm[node] ?? 0) / nominalVolts;
      return share > 0.2 && share < 0.8 && Math.hypot(...solver.impedanceToEarth(node)) < 1.5;
    }),
  );
}

/** All readings of a circuit's tests as a person takes them. */
export function readingsFrom(written: Circuit, random: Random, day: Day = dayFrom(random)): readonly Taken[] {
  const circuit = { ...written, otherLegVolts: written.nominalVolts * (1 + day.legsApart) };
  const solver = new Solver(networkOf(circuit));
  solver.operate(operationOf(solver.network));
  const against = (id: string): readonly number[] => {
    const contact = solver.network.outlets[solver.network.topology.outletIndex.get(id) ?? -1]?.contact;
    if (contact === undefined) return [];
    return [contact.hot, contact.neutral, contact.ground].map((node) =>
      Math.hypot(solver.voltsRe[node] ?? 0, solver.voltsIm[node] ?? 0),
    );
  };
  const tests = circuit.tests.map((test) =>
    test.instrument === 'loaded'
      ? { ...test, amps: (test.amps ?? usualAmps) * Math.max(0.5, 1 + loadOff * random.gauss()) }
      : test,
  );
  return simulate({ ...circuit, tests }).readings.map((reading, index) => {
    const asked = circuit.tests[index];
    const shown = reading.instrument === 'loaded' ? { ...reading, amps: usualAmps, ...asked } : reading;
    return taken(shown as WholeReading, against(reading.at), random, day);
  });
}

/** A reading as taken by a person with a real instrument: scatter, induction, and now and then a plainly wrong one. */
function taken(reading: WholeReading, volts: readonly number[], random: Random, day: Day): Taken {
  const elsewhere = random.chance(0.004);
  const lamp = () => random.pick(['lit', 'off'] as const);
  switch (reading.instrument) {
    case 'lamps': {
      let isWrong = elsewhere;
      const seen = (state: 'lit' | 'dim' | 'off') => {
        if (elsewhere) return lamp();
        if (!random.chance(0.006)) return state;
        isWrong = true;
        return random.pick(['lit', 'dim', 'off'] as const);
      };
      return {
        reading: { ...reading, hn: seen(reading.hn), hg: seen(reading.hg), ng: seen(reading.ng) },
        isWrong,
      };
    }
    case 'meter':
    case 'meter-low':
    case 'loaded': {
      const factor = day.supply * day.meter * (1 + (0.4 / 120) * random.gauss());
      const seen = (value: number) =>
        elsewhere ? random.between(0, 130) : noisyVolts(value, factor, random);
      const read = { ...reading, hn: seen(reading.hn), hg: seen(reading.hg), ng: seen(reading.ng) };
      const isWrong = (['hn', 'hg', 'ng'] as const).some(
        (pair) => Math.abs(read[pair] - factor * reading[pair]) > 4,
      );
      return { reading: read, isWrong };
    }
    case 'probe': {
      const seen = (contact: number): boolean => {
        if (elsewhere) return random.chance(0.5);
        const against = volts[contact] ?? 0;
        if (against >= 50) return !random.chance(0.01);
        return random.chance(against > 10 ? 0.2 : 0.03);
      };
      const read = { ...reading, hot: seen(0), neutral: seen(1), ground: seen(2) };
      const isWrong = (['hot', 'neutral', 'ground'] as const).some(
        (contact) => read[contact] !== reading[contact],
      );
      return { reading: read, isWrong };
    }
    case 'earth-meter': {
      const factor = day.supply * day.meter * (1 + (0.4 / 120) * random.gauss());
      const seen = (value: number) => noisyVolts(value, factor, random);
      const read = {
        ...reading,
        hot: seen(reading.hot),
        neutral: seen(reading.neutral),
        ground: seen(reading.ground),
      };
      const isWrong = (['hot', 'neutral', 'ground'] as const).some(
        (contact) => Math.abs(read[contact] - factor * reading[contact]) > 4,
      );
      return { reading: read, isWrong };
    }
    case 'gfci-button':
      return { reading: { ...reading, milliamps: day.supply * reading.milliamps }, isWrong: false };
    default:
      return { reading, isWrong: false };
  }
}
