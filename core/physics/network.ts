import { conductorOhms } from './conductor.ts';
import { type Leg, panel } from './names.ts';
import { type Topology, topologyOf } from './topology.ts';
import type {
  BoxNodes,
  FaultEffects,
  Wire,
  WiredCircuit,
  WiredDevice,
  WiredFault,
  WiredLoad,
} from './wired-circuit.ts';

/** The panel's neutral and ground bus, bonded: the reference of all potentials. */
export const earth = -1;
/** Stands for a node that the circuit does not have. */
export const absent = -2;

/** Node numbers of one outlet; `absent` where it has no such node. */
export interface OutletNodes extends BoxNodes {
  /** Behind the poles of a protection device. */
  readonly protectedSide: Readonly<Record<Wire, number>>;
}

/** A protection device between the splices of an outlet and what it covers. */
export interface Device {
  readonly outlet: number;
  readonly id: string;
  readonly protection: WiredDevice;
  /** Its poles: hots first, the neutral last. */
  readonly poles: readonly Wire[];
}

/** The fixed part of a circuit: which nodes there are and where current can flow under any set of faults. */
export interface Network {
  readonly circuit: WiredCircuit;
  /** What the kinds of faults do to it. */
  readonly effects: FaultEffects;
  readonly topology: Topology;
  readonly nodeCount: number;
  readonly outlets: readonly OutletNodes[];
  readonly devices: readonly Device[];
  /** The panel's bus of each leg. */
  readonly bus: Readonly<Record<Leg, number>>;
  /** Where each cable starts: contacts, protected side or splices of its outlet, or the panel. */
  readonly cableStart: readonly Readonly<Record<Wire, number>>[];
  /** The splices where each cable ends. */
  readonly cableEnd: readonly Readonly<Record<Wire, number>>[];
  readonly conductorOhms: readonly number[];
}

/** A device locked out may keep its hot pole closed, whatever the circuit file says of it. */
export type DeviceState = WiredDevice['state'] | 'lockedOutLeavingHot';

/** What may change from one solution of a network to the next. */
export interface Operation {
  readonly faults: readonly WiredFault[];
  readonly loads: readonly WiredLoad[];
  readonly loadsOff: boolean;
  readonly breakerOn: boolean;
  /** One for each device of the network. */
  readonly deviceStates: readonly DeviceState[];
}

interface Numbered {
  readonly nodeCount: number;
  readonly outlets: readonly OutletNodes[];
  readonly bus: Network['bus'];
}

/** Numbers the nodes in the order in which they are eliminated: farthest outlets first, the panel last. */
function numbered(circuit: WiredCircuit, topology: Topology): Numbered {
  const deviceAt = new Map(circuit.protection.map((device) => [device.at, device]));
  let nodeCount = 0;
  const next = (present: boolean): number => {
    if (!present) return absent;
    nodeCount += 1;
    return nodeCount - 1;
  };
  const outlets: OutletNodes[] = [];
  for (const index of topology.outward.toReversed()) {
    const outlet = circuit.outlets[index];
    if (outlet === undefined) continue;
    const device = deviceAt.get(outlet.id);
    const legs = topology.legsAtOutlet[index] ?? [];
    const contact = { hot: next(true), neutral: next(true), ground: next(true) };
    const isProtected = (leg: Leg): boolean =>
      device !== undefined && legs.includes(leg) && (device.covers === 'downstream' || leg === outlet.leg);
    const protectedSide = {
      L1: next(isProtected('L1')),
      L2: next(isProtected('L2')),
      neutral: next(device !== undefined),
      ground: absent,
    };
    const splice = {
      L1: next(legs.includes('L1')),
      L2: next(legs.includes('L2')),
      neutral: next(true),
      ground: next(true),
    };
    outlets[index] = { splice, protectedSide, contact };
  }
  const bus = { L1: next(true), L2: next(circuit.outlets.some((outlet) => outlet.leg === 'L2')) };
  return { nodeCount, outlets, bus };
}

/** Where a cable starts that leads away from an outlet, or from the panel. */
function startOf(
  from: string,
  circuit: WiredCircuit,
  { outletIndex }: Topology,
  { outlets, bus }: Numbered,
): Readonly<Record<Wire, number>> {
  if (from === panel) return { L1: bus.L1, L2: bus.L2, neutral: earth, ground: earth };
  const index = outletIndex.get(from) ?? -1;
  const outlet = circuit.outlets[index];
  const nodes = outlets[index];
  if (outlet === undefined || nodes === undefined) throw new Error(`no outlet ${from}`);
  const covered = circuit.protection.findLast(({ at }) => at === from)?.covers === 'downstream';
  const inner = (wire: Wire): number =>
    covered && nodes.protectedSide[wire] !== absent ? nodes.protectedSide[wire] : nodes.splice[wire];
  const start = { L1: inner('L1'), L2: inner('L2'), neutral: inner('neutral'), ground: inner('ground') };
  if (outlet.wiring === 'pigtail') return start;
  const { hot, neutral, ground } = nodes.contact;
  return { ...start, [outlet.leg]: hot, neutral, ground };
}

/** The nodes of a circuit, and what joins them whatever is wrong with it. */
export function wiredNetwork(circuit: WiredCircuit, effects: FaultEffects): Network {
  const topology = topologyOf(circuit);
  const nodes = numbered(circuit, topology);
  const { nodeCount, outlets, bus } = nodes;
  return {
    circuit,
    effects,
    topology,
    nodeCount,
    outlets,
    devices: circuit.protection.map((protection) => {
      const outlet = topology.outletIndex.get(protection.at) ?? -1;
      const side = outlets[outlet]?.protectedSide;
      return {
        outlet,
        id: protection.at,
        protection,
        poles: (['L1', 'L2', 'neutral'] as const).filter((wire) => side?.[wire] !== absent),
      };
    }),
    bus,
    cableStart: circuit.cables.map(({ from }) => startOf(from, circuit, topology, nodes)),
    cableEnd: circuit.cables.map((cable) => {
      const splice = outlets[topology.outletIndex.get(cable.to) ?? -1]?.splice;
      if (splice === undefined) throw new Error(`no outlet ${cable.to}`);
      return splice;
    }),
    conductorOhms: circuit.cables.map((cable) => conductorOhms(cable, circuit.celsius)),
  };
}

/** The operation that a circuit file describes as it stands. */
export const operationOf = ({ circuit }: Network): Operation => ({
  faults: circuit.faults,
  loads: circuit.loads,
  loadsOff: false,
  breakerOn: circuit.breaker.on,
  deviceStates: circuit.protection.map((device) => device.state),
});
