import type { Conductor, Fault, Leg, Load } from './circuit-file.ts';
import { conductors } from './names.ts';
import {
  absent,
  type Device,
  type DeviceState,
  type Network,
  type Operation,
  type OutletNodes,
  type Wire,
  wires,
} from './network.ts';

/** Siemens from every node to earth, so that nothing floats altogether. */
const leakSiemens = 1e-9;
const terminalOhms = 2e-3;
const poleOhms = 1e-4;
const jumperOhms = 10e-3;
/** Farads per metre of cable between two of its conductors. */
const faradsPerMeter = { hotGround: 60e-12, neutralGround: 60e-12, hotNeutral: 30e-12 } as const;

/** Receives every element of a circuit. Nodes may be `earth`, never `absent`. */
export interface ElementSink {
  resistor(a: number, b: number, ohms: number): void;
  /** From a node to earth. */
  leak(node: number, siemens: number): void;
  capacitor(a: number, b: number, farads: number): void;
  /** A source of `volts` behind `ohms` from earth to a node. */
  source(node: number, volts: number, ohms: number): void;
}

/** Faults by the place where they are. */
interface FaultsAt {
  readonly cable: ReadonlyMap<string, readonly Fault[]>;
  readonly outlet: ReadonlyMap<string, readonly Fault[]>;
}

const none: readonly Fault[] = [];

function sorted(faults: readonly Fault[]): FaultsAt {
  const cable = new Map<string, Fault[]>();
  const outlet = new Map<string, Fault[]>();
  for (const fault of faults) {
    const name = fault.kind === 'bond' ? undefined : fault.cable;
    const [map, key, here] =
      name === undefined ? [outlet, fault.at ?? '', atOutlet(fault)] : [cable, name, fault];
    const others = map.get(key);
    if (others) others.push(here);
    else map.set(key, [here]);
  }
  return { cable, outlet };
}

const faultsAt = (sites: ReadonlyMap<string, readonly Fault[]>, id: string | undefined): readonly Fault[] =>
  sites.size === 0 || id === undefined ? none : (sites.get(id) ?? none);

/** An outlet has one hot contact, so the leg that a fault names there says nothing. */
function atOutlet(fault: Fault): Fault {
  if (fault.kind === 'bond' || fault.leg === undefined) return fault;
  const { leg: _, ...withoutLeg } = fault;
  return withoutLeg;
}

/** The wire that a fault's conductor names, its hot being that of the given leg. */
const wireOf = (conductor: Conductor, leg: Leg): Wire => (conductor === 'hot' ? leg : conductor);

/** Hands every element of the network in the given operation to the sink. */
export function emit(network: Network, operation: Operation, sink: ElementSink): void {
  emitFixed(network, sink);
  emitOperating(network, operation, sink);
}

/** The elements that no operation changes: leaks, and capacitances between the wires of a cable. */
export function emitFixed({ circuit, topology, outlets, cableEnd, bus }: Network, sink: ElementSink): void {
  const leak = (node: number): void => {
    if (node !== absent) sink.leak(node, leakSiemens);
  };
  for (const node of Object.values(bus)) leak(node);
  for (const { splice, protectedSide, contact } of outlets)
    for (const group of [splice, protectedSide, contact]) for (const node of Object.values(group)) leak(node);
  const { hotGround, neutralGround, hotNeutral } = faradsPerMeter;
  circuit.cables.forEach(({ meters, ground }, index) => {
    const end = cableEnd[index];
    if (end === undefined) return;
    const hot = end[topology.legsOfCable[index]?.[0] ?? 'L1'];
    sink.capacitor(hot, end.neutral, hotNeutral * meters);
    if (!ground) return;
    sink.capacitor(hot, end.ground, hotGround * meters);
    sink.capacitor(end.neutral, end.ground, neutralGround * meters);
  });
}

/** The elements that an operation decides on: sources, conductors, links, poles, jumpers and loads. */
export function emitOperating(network: Network, operation: Operation, sink: ElementSink): void {
  const { circuit, bus, outlets, devices } = network;
  const faults = sorted(operation.faults);
  if (operation.breakerOn) {
    sink.source(bus.L1, circuit.nominalVolts, circuit.sourceOhms);
    if (bus.L2 !== absent) sink.source(bus.L2, -circuit.nominalVolts, circuit.sourceOhms);
  }
  for (let index = 0; index < circuit.cables.length; index += 1)
    emitCable(network, index, faultsAt(faults.cable, circuit.cables[index]?.id), sink);
  for (let index = 0; index < outlets.length; index += 1)
    emitOutlet(network, index, faultsAt(faults.outlet, circuit.outlets[index]?.id), sink);
  devices.forEach((device, index) => {
    emitDevice(network, device, operation.deviceStates[index] ?? 'set', sink);
  });
  if (!operation.loadsOff) emitLoads(network, operation.loads, sink);
}

function emitCable(network: Network, index: number, faults: readonly Fault[], sink: ElementSink): void {
  const { circuit, topology } = network;
  const cable = circuit.cables[index];
  const start = network.cableStart[index];
  const end = network.cableEnd[index];
  if (cable === undefined || start === undefined || end === undefined) return;
  const hots = topology.legsOfCable[index] ?? [];
  const [firstHot = 'L1'] = hots;
  const run = network.conductorOhms[index] ?? 0;
  for (const wire of wires) {
    const isHot = wire === 'L1' || wire === 'L2';
    if (isHot && !hots.includes(wire)) continue;
    if (wire === 'ground' && !cable.ground) continue;
    let ohms = run;
    let isOpen = false;
    for (const fault of faults) {
      if (fault.kind === 'bond' || fault.kind === 'swap') continue;
      const concerns =
        fault.conductor === 'hot'
          ? isHot && (fault.leg === undefined || fault.leg === wire)
          : fault.conductor === wire;
      if (!concerns) continue;
      if (fault.kind === 'open') isOpen = true;
      else ohms += fault.ohms;
    }
    if (!isOpen) sink.resistor(start[wire], end[arrival(wire, faults, firstHot)], ohms);
  }
}

/** Where a wire ends after the swaps of its site, each exchanging the ends of two wires, in order. */
function arrival(wire: Wire, faults: readonly Fault[], firstHot: Leg): Wire {
  let ends: Record<Wire, Wire> | null = null;
  for (const fault of faults) {
    if (fault.kind !== 'swap') continue;
    ends ??= { L1: 'L1', L2: 'L2', neutral: 'neutral', ground: 'ground' };
    const leg = fault.leg ?? firstHot;
    const a = wireOf(fault.conductors[0], leg);
    const b = wireOf(fault.conductors[1], leg);
    const endOfA = ends[a];
    ends[a] = ends[b];
    ends[b] = endOfA;
  }
  return ends === null ? wire : ends[wire];
}

const contactFor = (wire: Wire, contact: OutletNodes['contact']): number =>
  wire === 'neutral' || wire === 'ground' ? contact[wire] : contact.hot;

/** Terminal links and jumpers of one outlet. */
function emitOutlet(network: Network, index: number, faults: readonly Fault[], sink: ElementSink): void {
  const outlet = network.circuit.outlets[index];
  const nodes = network.outlets[index];
  if (outlet === undefined || nodes === undefined) return;
  const { splice, protectedSide, contact } = nodes;
  for (const conductor of conductors) {
    const wire = wireOf(conductor, outlet.leg);
    const from = protectedSide[wire] === absent ? splice[wire] : protectedSide[wire];
    let ohms = terminalOhms;
    let isOpen = false;
    for (const fault of faults) {
      if (fault.kind === 'open' && fault.conductor === conductor) isOpen = true;
      if (fault.kind === 'resistance' && fault.conductor === conductor) ohms += fault.ohms;
    }
    if (!isOpen) sink.resistor(from, contactFor(arrival(wire, faults, outlet.leg), contact), ohms);
  }
  for (const fault of faults) {
    if (fault.kind !== 'bond') continue;
    const [a, b] = fault.conductors;
    if (fault.side === 'line')
      sink.resistor(splice[wireOf(a, outlet.leg)], splice[wireOf(b, outlet.leg)], jumperOhms);
    else sink.resistor(contact[a], contact[b], jumperOhms);
  }
}

/** True where current passes the pole of a device in the given state. */
export const poleIsClosed = ({ protection }: Device, state: DeviceState, pole: Wire): boolean => {
  if (state === 'set' || state === 'failed') return true;
  if (pole === 'neutral') return false;
  return state === 'lockedOutLeavingHot' || (state === 'lockedOut' && protection.leaves === 'hot');
};

function emitDevice(network: Network, device: Device, state: DeviceState, sink: ElementSink): void {
  const nodes = network.outlets[device.outlet];
  if (nodes === undefined) return;
  for (const pole of device.poles)
    if (poleIsClosed(device, state, pole))
      sink.resistor(nodes.splice[pole], nodes.protectedSide[pole], poleOhms);
}

/** Amperes through a closed pole follow from the volts across it. */
export const poleSiemens = 1 / poleOhms;

function emitLoads({ circuit, topology, outlets }: Network, loads: readonly Load[], sink: ElementSink): void {
  for (const load of loads) {
    const contact = outlets[topology.outletIndex.get(load.at) ?? -1]?.contact;
    if (!load.on || contact === undefined) continue;
    sink.resistor(contact.hot, contact.neutral, circuit.nominalVolts ** 2 / load.watts);
  }
}

/** Two nodes and the ohms between them. */
export interface Branch {
  readonly a: number;
  readonly b: number;
  readonly ohms: number;
}

/**
 * The branches in which a resistance fault stands, with all the ohms they have under the given faults: what a
 * change of its ohms changes. None where the conductor is open or not there.
 */
export function branchesOf(
  network: Network,
  fault: Extract<Fault, { kind: 'resistance' }>,
  faults: readonly Fault[],
): readonly Branch[] {
  const branches: Branch[] = [];
  const collect: ElementSink = {
    resistor: (a, b, ohms) => branches.push({ a, b, ohms }),
    leak: () => {},
    capacitor: () => {},
    source: () => {},
  };
  const { cable, outlet } = sorted(faults);
  const all = fault.cable === undefined ? faultsAt(outlet, fault.at) : faultsAt(cable, fault.cable);
  const emitSite = (here: readonly Fault[]): void => {
    if (fault.cable === undefined)
      emitOutlet(network, network.topology.outletIndex.get(fault.at ?? '') ?? -1, here, collect);
    else
      emitCable(
        network,
        network.circuit.cables.findIndex(({ id }) => id === fault.cable),
        here,
        collect,
      );
  };
  // The branches that the fault changes are those whose ohms differ with and without it.
  emitSite(all.filter((other) => !isSameFault(other, fault)));
  const before = branches.splice(0);
  emitSite(all);
  return branches.filter(
    ({ a, b, ohms }) => !before.some((other) => other.a === a && other.b === b && other.ohms === ohms),
  );
}

const isSameFault = (a: Fault, b: Fault): boolean =>
  a.kind === 'resistance' &&
  b.kind === 'resistance' &&
  a.conductor === b.conductor &&
  a.cable === b.cable &&
  a.at === b.at &&
  a.leg === b.leg;
