import {
  type Cable,
  type Conductor,
  conductors,
  type DeviceState,
  type Fault,
  type Leg,
  type Network,
} from '../circuit/index.ts';
import { type HouseFacts, oddsIn, type PriorId } from './priors.ts';

/** One thing that may be wrong, at one site: one or more faults that are made together. */
export interface Cause {
  readonly index: number;
  readonly prior: PriorId;
  readonly logOdds: number;
  readonly faults: readonly Fault[];
  /** Where it is: a cable, or the terminals of an outlet. */
  readonly site: { readonly cable: number } | { readonly outlet: number };
  /** Position of the fault whose ohms are to be fitted; -1 where nothing is. */
  readonly resistance: number;
  /** A protection device that is not as it should be. */
  readonly device: { readonly index: number; readonly state: DeviceState } | null;
}

const exchanges = [
  ['hot', 'neutral'],
  ['hot', 'ground'],
  ['neutral', 'ground'],
] as const satisfies readonly (readonly [Conductor, Conductor])[];

const openPrior: Readonly<Record<Conductor, PriorId>> = {
  hot: 'open-hot',
  neutral: 'open-neutral',
  ground: 'missing-ground',
};

const exchangePrior = (a: Conductor, b: Conductor, isCable: boolean): PriorId => {
  if (b === 'neutral') return isCable ? 'reversal-upstream' : 'reversal';
  return a === 'hot' ? 'hot-ground-exchanged' : 'neutral-ground-exchanged';
};

const deviceStates = [
  ['device-tripped', 'tripped'],
  ['device-failed', 'failed'],
  ['device-locked-out', 'lockedOut'],
  ['device-locked-out-hot', 'lockedOutLeavingHot'],
] as const satisfies readonly (readonly [PriorId, DeviceState])[];

/** Ohms that a poor connection is tried with before any are fitted. */
export const firstOhms = 1;

type Where = { readonly cable: string } | { readonly at: string };

/** Gathers the causes of a network, site by site. */
class CauseList {
  readonly causes: Cause[] = [];
  private readonly network: Network;
  private readonly house: HouseFacts;

  constructor(network: Network, house: HouseFacts) {
    this.network = network;
    this.house = house;
  }

  private add(
    prior: PriorId,
    site: Cause['site'],
    faults: readonly Fault[],
    { device = null, share = 1 }: { readonly device?: Cause['device']; readonly share?: number } = {},
  ): void {
    this.causes.push({
      index: this.causes.length,
      prior,
      logOdds: Math.log(share * oddsIn(this.house, prior)),
      faults,
      site,
      resistance: faults.findIndex(({ kind }) => kind === 'resistance'),
      device,
    });
  }

  /** What opens, resists or changes places in a cable or at the terminals of an outlet. */
  conductors(site: Cause['site'], at: Where, hasGround: boolean, hots: readonly Leg[]): void {
    const withLeg = (leg: Leg) => (hots.length > 1 ? { leg } : {});
    for (const conductor of conductors) {
      if (conductor === 'ground' && !hasGround) continue;
      const legsOf = conductor === 'hot' ? hots : hots.slice(0, 1);
      for (const leg of legsOf) {
        const legKey = conductor === 'hot' ? withLeg(leg) : {};
        this.add(openPrior[conductor], site, [{ kind: 'open', conductor, ...legKey, ...at }]);
        const poor: PriorId = conductor === 'ground' ? 'ground-of-high-resistance' : 'poor-connection';
        this.add(poor, site, [{ kind: 'resistance', conductor, ...legKey, ohms: firstOhms, ...at }]);
      }
      if (conductor === 'hot' && hots.length > 1)
        this.add('open-hot', site, [{ kind: 'open', conductor, ...at }]);
    }
    const isCable = 'cable' in at;
    for (const [a, b] of exchanges) {
      if (isCable && !hasGround && b === 'ground') continue;
      const legsOf = a === 'hot' ? hots : hots.slice(0, 1);
      for (const leg of legsOf)
        this.add(exchangePrior(a, b, isCable), site, [
          { kind: 'swap', conductors: [a, b], ...(a === 'hot' ? withLeg(leg) : {}), ...at },
        ]);
    }
  }

  /** Jumpers and shorts in the box of an outlet. */
  jumpers(outlet: number, id: string, into: readonly Cable[]): void {
    const site = { outlet };
    const arrives = groundArrives(this.network, outlet);
    const reversed: Fault = { kind: 'swap', conductors: ['hot', 'neutral'], at: id };
    const [cable] = into;
    const missing: (readonly Fault[])[] = arrives ? [[{ kind: 'open', conductor: 'ground', at: id }]] : [[]];
    if (arrives && cable !== undefined && into.length === 1)
      missing.push([{ kind: 'open', conductor: 'ground', cable: cable.id }]);
    // A jumper stands where the ground fails to arrive: more often at its own box than for want of the cable's.
    missing.forEach((without, index) => {
      const share = missing.length === 1 ? 1 : index === 0 ? 0.75 : 0.25;
      this.add('jumper', site, [...without, jumper('neutral', id)], { share });
      this.add('hot-jumper', site, [...without, jumper('hot', id)], { share });
      this.add('reversed-jumper', site, [...without, reversed, jumper('neutral', id)], { share });
    });
    if (arrives) {
      this.add('jumper-with-ground', site, [jumper('neutral', id)]);
      this.add('short', site, [jumper('hot', id)]);
    }
    this.add('short', site, [{ kind: 'bond', conductors: ['hot', 'neutral'], at: id }]);
  }

  /** What is wrong with a device, or with a jumper on its line side, which shows otherwise than one behind it. */
  device(index: number, outlet: number, id: string, into: readonly Cable[], isUnknown: boolean): void {
    const site = { outlet };
    const arrives = groundArrives(this.network, outlet);
    const onLineSide: Fault = { ...jumper('neutral', id), side: 'line' };
    this.add(arrives ? 'jumper-with-ground' : 'jumper', site, [onLineSide]);
    const [cable] = into;
    if (arrives && cable !== undefined)
      this.add('jumper', site, [{ kind: 'open', conductor: 'ground', cable: cable.id }, onLineSide]);
    if (isUnknown)
      for (const [prior, state] of deviceStates) this.add(prior, site, [], { device: { index, state } });
  }
}

const jumper = (conductor: Conductor, at: string): Extract<Fault, { kind: 'bond' }> => ({
  kind: 'bond',
  conductors: [conductor, 'ground'],
  at,
});

/** Every single cause at every site of a network; device states are causes only where they are not known. */
export function causesOf(
  network: Network,
  house: HouseFacts,
  unknownDevices: ReadonlySet<number>,
): readonly Cause[] {
  const { circuit, topology, devices } = network;
  const list = new CauseList(network, house);
  circuit.cables.forEach(({ id, ground }, cable) => {
    list.conductors({ cable }, { cable: id }, ground, topology.legsOfCable[cable] ?? ['L1']);
  });
  circuit.outlets.forEach(({ id, leg }, outlet) => {
    const into = circuit.cables.filter((cable) => cable.to === id);
    list.conductors({ outlet }, { at: id }, true, [leg]);
    list.jumpers(outlet, id, into);
    const device = devices.findIndex((one) => one.outlet === outlet);
    if (device !== -1) list.device(device, outlet, id, into, unknownDevices.has(device));
  });
  return list.causes;
}

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
  return a.faults.some((one) => b.faults.some((other) => sameSpot(one, other)));
}

function sameSpot(a: Fault, b: Fault): boolean {
  if (a.kind === 'bond' || b.kind === 'bond')
    return (
      a.kind === 'bond' &&
      b.kind === 'bond' &&
      a.at === b.at &&
      (a.side ?? 'load') === (b.side ?? 'load') &&
      a.conductors[0] === b.conductors[0] &&
      a.conductors[1] === b.conductors[1]
    );
  if (a.cable !== b.cable || a.at !== b.at) return false;
  if (a.kind === 'swap' || b.kind === 'swap')
    return (
      a.kind === 'swap' && b.kind === 'swap' && a.conductors.join() === b.conductors.join() && a.leg === b.leg
    );
  return a.conductor === b.conductor && (a.leg === b.leg || a.leg === undefined || b.leg === undefined);
}
