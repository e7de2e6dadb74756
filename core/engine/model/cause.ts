import { type Box, type Fault, hasOhms, isSameSpot, suspicions, type Where } from '../../faults/index.ts';
import { type Conductor, conductors, type DeviceState, type Leg, type Network } from '../../physics/index.ts';
import { type InstrumentFault, instrumentFaults } from './instrument-fault.ts';
import {
  type HabitId,
  type HouseFacts,
  habitOddsIn,
  habitOf,
  habitPartOf,
  habits,
  oddsIn,
  type PriorId,
} from './priors.ts';

/** One thing that may be wrong, at one site: one or more faults that are made together. */
export interface Cause {
  readonly index: number;
  readonly prior: PriorId;
  readonly logOdds: number;
  readonly faults: readonly Fault[];
  /** Where it is: a cable, or the terminals of an outlet; an instrument is nowhere. */
  readonly site: { readonly cable: number } | { readonly outlet: number } | { readonly instrument: string };
  /** Position of the fault whose ohms are to be fitted; -1 where nothing is. */
  readonly resistance: number;
  /** A protection device that is not as it should be. */
  readonly device: { readonly index: number; readonly state: DeviceState } | null;
  /** An instrument that does not work, where it is no fault of the circuit. */
  readonly instrument: InstrumentFault | null;
  /** What one hand may have done at many boxes; with its odds, and how many boxes there are. */
  readonly habit: Habit | null;
}

export interface Habit {
  readonly id: HabitId;
  /** Logarithm of the odds that somebody had it. */
  readonly logOdds: number;
  /** How often it shows at a box where somebody had it. */
  readonly share: number;
  /** Of the ways in which it shows at a box, how much is this one. */
  readonly part: number;
  readonly boxes: number;
}

const pairs = [
  ['hot', 'neutral'],
  ['hot', 'ground'],
  ['neutral', 'ground'],
] as const satisfies readonly (readonly [Conductor, Conductor])[];

const deviceStates = [
  ['device-tripped', 'tripped'],
  ['device-failed', 'failed'],
  ['device-locked-out', 'lockedOut'],
  ['device-locked-out-hot', 'lockedOutLeavingHot'],
] as const satisfies readonly (readonly [PriorId, DeviceState])[];

/** Gathers the causes of a network, site by site. */
class CauseList {
  readonly causes: Cause[] = [];
  private readonly house: HouseFacts;
  private readonly boxes: number;

  constructor(house: HouseFacts, boxes: number) {
    this.house = house;
    this.boxes = boxes;
  }

  private habitOf(prior: PriorId, part: number): Habit | null {
    const id = habitOf(prior);
    if (id === null) return null;
    return {
      id,
      logOdds: Math.log(habitOddsIn(this.house, id)),
      share: habits[id].share,
      part: part * habitPartOf(this.house, id, prior),
      boxes: this.boxes,
    };
  }

  private add(
    prior: PriorId,
    site: Cause['site'],
    faults: readonly Fault[],
    device: Cause['device'],
    share = 1,
  ): void {
    this.causes.push({
      index: this.causes.length,
      prior,
      logOdds: Math.log(share * oddsIn(this.house, prior)),
      faults,
      site,
      resistance: faults.findIndex(hasOhms),
      device,
      instrument: null,
      habit: this.habitOf(prior, share),
    });
  }

  private suspect(site: Cause['site'], of: Parameters<typeof suspicions>[0]): void {
    for (const { prior, faults, share } of suspicions(of)) this.add(prior, site, faults, null, share);
  }

  /** What may be wrong with the conductors of a cable, or at the terminals of an outlet. */
  conductors(site: Cause['site'], where: Where, hasGround: boolean, hots: readonly Leg[]): void {
    const withLeg = (conductor: Conductor, leg: Leg) =>
      conductor === 'hot' && hots.length > 1 ? { leg } : {};
    const legsOf = (conductor: Conductor) => (conductor === 'hot' ? hots : hots.slice(0, 1));
    for (const conductor of conductors) {
      if (conductor === 'ground' && !hasGround) continue;
      for (const leg of legsOf(conductor))
        this.suspect(site, (kind) => kind.inConductor?.(conductor, withLeg(conductor, leg), where));
      if (conductor === 'hot' && hots.length > 1) this.suspect(site, (kind) => kind.inAllHots?.(where));
    }
    for (const pair of pairs) {
      const [a, b] = pair;
      if (b === 'ground' && !hasGround) continue;
      for (const leg of legsOf(a)) this.suspect(site, (kind) => kind.between?.(pair, withLeg(a, leg), where));
    }
  }

  /** What may be wrong in the box of an outlet. */
  box(outlet: number, box: Box): void {
    this.suspect({ outlet }, (kind) => kind.inBox?.(box));
  }

  /** Cable without a ground wire from the panel on: what is joined to a ground at one box reaches no other. */
  ungrounded(cables: readonly { readonly id: string; readonly ground: boolean }[]): void {
    const missing = cables.flatMap(({ id, ground }): readonly Fault[] =>
      ground ? [{ kind: 'open', conductor: 'ground', cable: id }] : [],
    );
    if (missing.length > 1) this.add('ungrounded-run', { cable: 0 }, missing, null);
  }

  /** A device that feeds through, with all wires of its two cables on the wrong sides: what is beyond is right again. */
  exchangedSides(outlet: number, at: string, leaving: readonly string[]): void {
    const exchanged = (where: Where): Fault => ({ kind: 'swap', conductors: ['hot', 'neutral'], ...where });
    this.add(
      'sides-exchanged',
      { outlet },
      [exchanged({ at }), ...leaving.map((cable) => exchanged({ cable }))],
      null,
    );
  }

  /** What may be wrong with a device, where its state is not known, and on its line side. */
  device(index: number, outlet: number, box: Box, isUnknown: boolean): void {
    const site = { outlet };
    this.suspect(site, (kind) => kind.atDevice?.(box));
    if (isUnknown) for (const [prior, state] of deviceStates) this.add(prior, site, [], { index, state });
  }
}

/** Every single cause at every site of a network; device states are causes only where they are not known. */
export function causesOf(
  network: Network,
  house: HouseFacts,
  unknownDevices: ReadonlySet<number>,
): readonly Cause[] {
  const { circuit, topology, devices } = network;
  const list = new CauseList(house, circuit.outlets.length);
  list.ungrounded(circuit.cables);
  circuit.cables.forEach(({ id, ground }, cable) => {
    list.conductors({ cable }, { cable: id }, ground, topology.legsOfCable[cable] ?? ['L1']);
  });
  circuit.outlets.forEach(({ id, leg, wiring }, outlet) => {
    const into = circuit.cables.filter((cable) => cable.to === id);
    list.conductors({ outlet }, { at: id }, true, [leg]);
    const box: Box = {
      at: id,
      groundArrives: groundArrives(network, outlet),
      onlyCable: into.length === 1 ? (into[0]?.id ?? null) : null,
      cable: into[0]?.id ?? null,
    };
    list.box(outlet, box);
    const leaving = circuit.cables.filter(({ from }) => from === id);
    if (wiring === 'through' && leaving.length > 0)
      list.exchangedSides(
        outlet,
        id,
        leaving.map((cable) => cable.id),
      );
    const device = devices.findIndex((one) => one.outlet === outlet);
    if (device !== -1) list.device(device, outlet, box, unknownDevices.has(device));
  });
  return list.causes;
}

/** Instruments that do not work, counted on after so many other causes. */
export const instrumentCauses = (house: HouseFacts, after: number): readonly Cause[] =>
  instrumentFaults.map(({ prior, fault }, index) => ({
    index: after + index,
    prior,
    logOdds: Math.log(oddsIn(house, prior)),
    faults: [],
    site: { instrument: fault.instrument },
    resistance: -1,
    device: null,
    instrument: fault,
    habit: null,
  }));

/** True where ground wires lead from the panel to an outlet. */
export function groundArrives({ circuit, topology }: Network, outlet: number): boolean {
  const id = circuit.outlets[outlet]?.id;
  return circuit.cables.some(
    ({ to, from, ground }) =>
      to === id && ground && (from === 'panel' || (from !== id && groundArrivesAt(from))),
  );
  function groundArrivesAt(from: string): boolean {
    const index = topology.outletIndex.get(from) ?? -1;
    // A ring is walked outward only, so this ends.
    return (
      (topology.depth[index] ?? 0) < (topology.depth[outlet] ?? 0) &&
      groundArrives({ circuit, topology } as Network, index)
    );
  }
}

/** True where two causes cannot be told from fewer, or contradict each other: the same conductor of one site twice. */
export function clash(a: Cause, b: Cause): boolean {
  if (a.device !== null && b.device !== null) return a.device.index === b.device.index;
  if (a.instrument !== null && b.instrument !== null)
    return a.instrument.instrument === b.instrument.instrument;
  return a.faults.some((one) => b.faults.some((other) => isSameSpot(one, other)));
}
