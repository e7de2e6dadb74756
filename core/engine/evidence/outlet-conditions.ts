import { settleProtection, usualLoadAmps } from '../../instruments/index.ts';
import type { ConditionId } from '../../knowledge/index.ts';
import {
  type DeviceState,
  type ElementSink,
  earth,
  emitOperating,
  type Network,
  type Operation,
  operationOf,
  poleIsClosed,
  Solver,
  threeTerminals,
} from '../../physics/index.ts';
import { metered } from '../model/terminals.ts';
import type { Supposed } from './evaluator.ts';

/** Volts that a load tester's draw loses beyond the sound circuit where a connection is poor: 1 % of 120 V. */
const poorDropVolts = 1.2;

/** A connection of so many ohms is as good as none: no equipment runs through it, and no breaker opens. */
const openOhms = 20e3;
/** A neutral that two legs share is as good as lost with so many ohms in it: equipment on one leg is driven by the other's. */
const lostSharedOhms = 1;

/** Where a contact's metal leads: which bus, or none. Neutral and ground bus are told apart although they are bonded. */
interface Ends {
  readonly L1: boolean;
  readonly L2: boolean;
  readonly neutral: boolean;
  readonly ground: boolean;
}

/** Joins nodes that metal joins. */
class Joined {
  private readonly parent: Int32Array;
  constructor(size: number) {
    this.parent = Int32Array.from({ length: size }, (_, node) => node);
  }
  root(node: number): number {
    let top = node;
    while (this.parent[top] !== top) top = this.parent[top] as number;
    this.parent[node] = top;
    return top;
  }
  join(a: number, b: number): void {
    this.parent[this.root(a)] = this.root(b);
  }
  same(a: number, b: number): boolean {
    return this.root(a) === this.root(b);
  }
}

/**
 * Says what holds at each outlet of a network under a hypothesis: from what its contacts' metal leads to, whether by
 * wire or by jumper, with every device closed and the breaker on; then which devices keep power from it.
 */
export class OutletConditions {
  private readonly network: Network;
  /** The network with the panel's neutral and ground bus as two nodes, numbered after all others. */
  private readonly apart: Network;
  private readonly neutralBus: number;
  private readonly groundBus: number;
  private readonly solver: Solver;
  private readonly soundDrop: readonly number[];
  private readonly isShared: boolean;
  /** Devices through which each outlet is fed, its own among them. */
  private readonly guards: readonly (readonly number[])[];

  constructor(network: Network) {
    this.network = network;
    this.neutralBus = network.nodeCount;
    this.groundBus = network.nodeCount + 1;
    this.apart = {
      ...network,
      cableStart: network.circuit.cables.map((cable, index) => {
        const start = network.cableStart[index];
        if (start === undefined) throw new Error(`no cable ${index}`);
        if (cable.from !== 'panel') return start;
        return { ...start, neutral: this.neutralBus, ground: this.groundBus };
      }),
    };
    this.solver = new Solver(network);
    this.isShared = new Set(network.circuit.outlets.map(({ leg }) => leg)).size > 1;
    this.guards = network.outlets.map((_, outlet) => guardsOf(network, outlet));
    this.soundDrop = this.dropsIn({ faults: [], loads: [], deviceStates: [] });
  }

  /** The most dangerous condition at each outlet. */
  under(supposed: Supposed): readonly ConditionId[] {
    const { network } = this;
    const states = this.settled(supposed);
    const jumpered = this.joined(supposed, true);
    const wired = supposed.faults.some(({ kind }) => kind === 'bond')
      ? this.joined(supposed, false)
      : jumpered;
    const firm = this.isShared ? this.joined(supposed, false, lostSharedOhms) : null;
    const drops = supposed.faults.some((fault) => fault.kind === 'resistance' && fault.conductor !== 'ground')
      ? this.dropsIn(supposed)
      : null;
    return network.outlets.map(({ contact }, outlet) => {
      const ends = (joined: Joined, node: number): Ends => ({
        L1: joined.same(node, network.bus.L1),
        L2: network.bus.L2 >= 0 && joined.same(node, network.bus.L2),
        neutral: joined.same(node, this.neutralBus),
        ground: joined.same(node, this.groundBus),
      });
      const found = this.wiring(outlet, supposed, wired, jumpered, firm, {
        hot: ends(jumpered, contact.hot),
        neutral: ends(jumpered, contact.neutral),
        ground: ends(jumpered, contact.ground),
        neutralByWire: ends(wired, contact.neutral),
        neutralFirmly: firm === null ? null : ends(firm, contact.neutral),
        groundByWire: ends(wired, contact.ground),
      });
      if (found !== null) return found;
      if (drops !== null && (drops[outlet] ?? 0) - (this.soundDrop[outlet] ?? 0) > poorDropVolts)
        return 'high-resistance';
      const guards = (this.guards[outlet] ?? []).map((device) => states[device] ?? 'set');
      if (guards.some((state) => state !== 'set' && state !== 'failed')) return 'protection-tripped';
      if (guards.includes('failed')) return 'protection-failed';
      const live = ends(jumpered, contact.hot);
      return (live.L1 || live.L2) && network.circuit.breaker.on ? 'correct' : 'open-hot';
    });
  }

  private wiring(
    outlet: number,
    supposed: Supposed,
    wired: Joined,
    jumpered: Joined,
    firm: Joined | null,
    ends: Readonly<Record<'hot' | 'neutral' | 'ground' | 'neutralByWire' | 'groundByWire', Ends>> & {
      /** By connections that a shared neutral may rest on; null where none is shared. */
      readonly neutralFirmly: Ends | null;
    },
  ): ConditionId | null {
    const { hot, neutral, ground, neutralByWire, groundByWire, neutralFirmly } = ends;
    const live = (end: Ends): boolean => end.L1 || end.L2;
    const earthed = (end: Ends): boolean => end.neutral || end.ground;
    const contact = this.network.outlets[outlet]?.contact;
    if (contact === undefined) return null;
    if (live(ground)) {
      if (live(neutral) && earthed(hot) && !live(hot)) return 'reversed-bootleg-ground';
      return earthed(hot) && !live(hot) && !live(neutral) ? 'hot-ground-reversed' : 'energized-ground';
    }
    if (!earthed(ground) && this.liveThroughLoad(contact.ground, supposed, jumpered))
      return 'energized-ground';
    if ((hot.L1 && neutral.L2 && !neutral.L1) || (hot.L2 && neutral.L1 && !neutral.L2))
      return 'lost-shared-neutral';
    if (live(neutral) && !live(hot)) return 'reversed-polarity';
    if (!earthed(neutralByWire) && (live(hot) || !earthed(hot)))
      return this.sharedByLegs(contact.neutral, wired) ? 'lost-shared-neutral' : 'open-neutral';
    if (!live(hot) && earthed(hot)) return 'reversed-polarity';
    if (
      neutralFirmly !== null &&
      !earthed(neutralFirmly) &&
      live(hot) &&
      this.sharedByLegs(contact.neutral, firm ?? wired)
    )
      return 'lost-shared-neutral';
    const hasJumper = supposed.faults.some(
      (fault) =>
        fault.kind === 'bond' &&
        fault.at === this.network.circuit.outlets[outlet]?.id &&
        fault.conductors.includes('neutral') &&
        fault.conductors.includes('ground'),
    );
    if (earthed(ground) && !earthed(groundByWire)) return 'bootleg-ground';
    if (hasJumper && earthed(groundByWire)) return 'neutral-ground-bond';
    if (!earthed(ground)) return 'open-ground';
    if (neutralByWire.ground && !neutralByWire.neutral) return 'neutral-ground-swapped';
    return null;
  }

  /** All metal of the circuit with every pole closed, with or without jumpers. */
  private joined(supposed: Supposed, jumpers: boolean, most = openOhms): Joined {
    const joined = new Joined(this.network.nodeCount + 2);
    const sink: ElementSink = {
      resistor: (a, b, ohms) => {
        if (a !== earth && b !== earth && ohms < most) joined.join(a, b);
      },
      leak: () => {},
      capacitor: () => {},
      source: () => {},
    };
    const operation: Operation = {
      ...operationOf(this.network),
      faults: jumpers ? supposed.faults : supposed.faults.filter(({ kind }) => kind !== 'bond'),
      loadsOff: true,
      breakerOn: true,
      deviceStates: this.network.devices.map((_, index) => this.wiringState(index, supposed)),
    };
    emitOperating(this.apart, operation, sink);
    return joined;
  }

  /** A device that leaves hot live with the neutral open is dangerous as it stands; any other is taken as closed. */
  private wiringState(device: number, { deviceStates }: Supposed): DeviceState {
    const state = deviceStates[device] ?? 'set';
    return this.leavesHot(device, state) ? state : 'set';
  }

  private leavesHot(device: number, state: DeviceState): boolean {
    const one = this.network.devices[device];
    if (one === undefined || state === 'set' || state === 'failed') return false;
    return one.poles.some((pole) => poleIsClosed(one, state, pole));
  }

  /** True where a load that is on joins this floating metal to live metal, and nothing holds it at earth. */
  private liveThroughLoad(node: number, { loads }: Supposed, joined: Joined): boolean {
    const { network } = this;
    const isLive = (other: number): boolean =>
      joined.same(other, network.bus.L1) || (network.bus.L2 >= 0 && joined.same(other, network.bus.L2));
    return loads.some((load) => {
      const contact = network.outlets[network.topology.outletIndex.get(load.at) ?? -1]?.contact;
      if (contact === undefined || !load.on) return false;
      const { hot, neutral } = contact;
      return (joined.same(node, hot) && isLive(neutral)) || (joined.same(node, neutral) && isLive(hot));
    });
  }

  /** True where the floating metal of a neutral reaches receptacles of both legs. */
  private sharedByLegs(node: number, wired: Joined): boolean {
    const { circuit, outlets } = this.network;
    const legs = new Set(
      circuit.outlets
        .filter((_, index) => wired.same(node, outlets[index]?.contact.neutral ?? node))
        .map(({ leg }) => leg),
    );
    return legs.size > 1;
  }

  /** States of the devices once those that trip by themselves have. */
  private settled({ faults, loads, deviceStates }: Supposed): readonly DeviceState[] {
    const { circuit, devices } = this.network;
    if (devices.length === 0) return deviceStates;
    const operation: Operation = {
      faults,
      loads,
      loadsOff: false,
      breakerOn: circuit.breaker.on,
      deviceStates,
    };
    return settleProtection(this.solver, operation).operation.deviceStates;
  }

  /** Volts that the usual load tester's draw loses at each outlet, loads off and devices closed. */
  private dropsIn({ faults }: Supposed): readonly number[] {
    const { network, solver } = this;
    const { nominalVolts } = network.circuit;
    solver.operate({
      faults,
      loads: [],
      loadsOff: true,
      breakerOn: true,
      deviceStates: network.devices.map((): DeviceState => 'failed'),
    });
    const outlet = threeTerminals();
    return network.outlets.map((_, index) => {
      solver.equivalentAt(index, outlet);
      return metered(outlet, 0, 1, 0) - metered(outlet, 0, 1, usualLoadAmps / nominalVolts);
    });
  }
}

function guardsOf({ circuit, topology, devices }: Network, outlet: number): readonly number[] {
  const guards = devices.flatMap((device, index) => (device.outlet === outlet ? [index] : []));
  for (let at = circuit.outlets[outlet]?.id; at !== undefined && at !== 'panel'; ) {
    const from = circuit.cables.find((cable) => cable.to === at)?.from ?? 'panel';
    const upstream = topology.outletIndex.get(from);
    devices.forEach((device, index) => {
      if (device.protection.covers === 'downstream' && device.outlet === upstream) guards.push(index);
    });
    at = from;
  }
  return guards;
}
