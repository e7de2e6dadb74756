import { conductors, type Leg } from './names.ts';
import {
  absent,
  type Device,
  type DeviceState,
  type Network,
  type Operation,
  type OutletNodes,
} from './network.ts';
import {
  type FaultEffects,
  type Wire,
  type WiredFault,
  type WiredLoad,
  type WirePath,
  wireOf,
  wires,
} from './wired-circuit.ts';

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
  /** A source of `volts`, turned by so many degrees, behind `ohms` from earth to a node. */
  source(node: number, volts: number, degrees: number, ohms: number): void;
}

/** Where faults are, and what stands there: all cables by their numbers, then all outlets. */
export const siteCount = ({ circuit }: Network): number => circuit.cables.length + circuit.outlets.length;

/** The site of a fault; −1 where the circuit has none such. */
function siteOf({ circuit, topology }: Network, fault: WiredFault): number {
  if (fault.cable !== undefined) return topology.cableIndex.get(fault.cable) ?? -1;
  const outlet = topology.outletIndex.get(fault.at ?? '');
  return outlet === undefined ? -1 : circuit.cables.length + outlet;
}

const none: readonly WiredFault[] = [];

/** Faults by their site. */
export function faultsBySite(
  network: Network,
  faults: readonly WiredFault[],
): ReadonlyMap<number, readonly WiredFault[]> {
  const bySite = new Map<number, WiredFault[]>();
  for (const fault of faults) {
    const site = siteOf(network, fault);
    const here = fault.cable === undefined ? atOutlet(fault) : fault;
    const others = bySite.get(site);
    if (others) others.push(here);
    else bySite.set(site, [here]);
  }
  return bySite;
}

/** An outlet has one hot contact, so the leg that a fault names there says nothing. */
function atOutlet(fault: WiredFault): WiredFault {
  if (fault.leg === undefined) return fault;
  const { leg: _, ...withoutLeg } = fault;
  return withoutLeg;
}

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
  emitSources(network, operation, sink);
  const faults = faultsBySite(network, operation.faults);
  for (let site = 0; site < siteCount(network); site += 1)
    emitSite(network, site, faults.get(site) ?? none, sink);
  emitSwitched(network, operation, sink);
}

export function emitSources({ circuit, bus }: Network, { breakerOn }: Operation, sink: ElementSink): void {
  if (!breakerOn) return;
  const { nominalVolts, otherLegVolts = nominalVolts, degreesApart = 180, sourceOhms } = circuit;
  sink.source(bus.L1, nominalVolts, 0, sourceOhms);
  if (bus.L2 !== absent) sink.source(bus.L2, otherLegVolts, degreesApart, sourceOhms);
}

/** What stands at a site: the conductors of a cable, or the links and jumpers of an outlet. */
export function emitSite(
  network: Network,
  site: number,
  faults: readonly WiredFault[],
  sink: ElementSink,
): void {
  const outlet = site - network.circuit.cables.length;
  if (outlet < 0) emitCable(network, site, faults, sink);
  else emitOutlet(network, outlet, faults, sink);
}

/** What is switched: poles of devices, and loads. */
export function emitSwitched(network: Network, operation: Operation, sink: ElementSink): void {
  network.devices.forEach((device, index) => {
    emitDevice(network, device, operation.deviceStates[index] ?? 'set', sink);
  });
  if (!operation.loadsOff) emitLoads(network, operation.loads, sink);
}

function emitCable(network: Network, index: number, faults: readonly WiredFault[], sink: ElementSink): void {
  const { circuit, topology } = network;
  const cable = circuit.cables[index];
  const start = network.cableStart[index];
  const end = network.cableEnd[index];
  if (cable === undefined || start === undefined || end === undefined) return;
  const hots = topology.legsOfCable[index] ?? [];
  const [firstHot = 'L1'] = hots;
  const run = network.conductorOhms[index] ?? 0;
  for (const wire of wires) {
    if (wire === 'ground' ? !cable.ground : wire !== 'neutral' && !hots.includes(wire)) continue;
    if (faults.length === 0) {
      sink.resistor(start[wire], end[wire], run);
      continue;
    }
    const path = through(wire, run, faults, network.effects);
    if (!path.isOpen)
      sink.resistor(start[wire], end[arrival(wire, faults, firstHot, network.effects)], path.ohms);
  }
}

/** A wire's way through a site that has so many ohms when it is sound. */
function through(
  wire: Wire,
  ohms: number,
  faults: readonly WiredFault[],
  effects: FaultEffects,
): Readonly<WirePath> {
  const path: WirePath = { ohms, isOpen: false };
  for (const fault of faults) effects[fault.kind]?.conduct?.(fault, wire, path);
  return path;
}

/** Where a wire ends after the exchanges of its site, each exchanging the ends of two wires, in order. */
function arrival(wire: Wire, faults: readonly WiredFault[], firstHot: Leg, effects: FaultEffects): Wire {
  let ends: Record<Wire, Wire> | null = null;
  for (const fault of faults) {
    const exchanged = effects[fault.kind]?.exchanged?.(fault, firstHot);
    if (exchanged === undefined) continue;
    ends ??= { L1: 'L1', L2: 'L2', neutral: 'neutral', ground: 'ground' };
    const [a, b] = exchanged;
    const endOfA = ends[a];
    ends[a] = ends[b];
    ends[b] = endOfA;
  }
  return ends === null ? wire : ends[wire];
}

const contactFor = (wire: Wire, contact: OutletNodes['contact']): number =>
  wire === 'neutral' || wire === 'ground' ? contact[wire] : contact.hot;

/** Terminal links and jumpers of one outlet. */
function emitOutlet(network: Network, index: number, faults: readonly WiredFault[], sink: ElementSink): void {
  const outlet = network.circuit.outlets[index];
  const nodes = network.outlets[index];
  if (outlet === undefined || nodes === undefined) return;
  const { effects } = network;
  const { splice, protectedSide, contact } = nodes;
  for (const conductor of conductors) {
    const wire = wireOf(conductor, outlet.leg);
    const from = protectedSide[wire] === absent ? splice[wire] : protectedSide[wire];
    if (faults.length === 0) {
      sink.resistor(from, contactFor(wire, contact), terminalOhms);
      continue;
    }
    const path = through(wire, terminalOhms, faults, effects);
    if (!path.isOpen)
      sink.resistor(from, contactFor(arrival(wire, faults, outlet.leg, effects), contact), path.ohms);
  }
  for (const fault of faults) {
    const joined = effects[fault.kind]?.joined?.(fault, nodes, outlet.leg);
    if (joined !== undefined) sink.resistor(joined[0], joined[1], jumperOhms);
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

function emitLoads(
  { circuit, topology, outlets }: Network,
  loads: readonly WiredLoad[],
  sink: ElementSink,
): void {
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
 * The branches in which one of the given faults stands, with all the ohms they have under them: what a change of its
 * ohms changes. None where the conductor is open or not there.
 */
export function branchesOf(
  network: Network,
  fault: WiredFault,
  faults: readonly WiredFault[],
): readonly Branch[] {
  const branches: Branch[] = [];
  const collect: ElementSink = {
    resistor: (a, b, ohms) => branches.push({ a, b, ohms }),
    leak: () => {},
    capacitor: () => {},
    source: () => {},
  };
  const site = siteOf(network, fault);
  const atSite = (all: readonly WiredFault[]): void =>
    emitSite(network, site, faultsBySite(network, all).get(site) ?? none, collect);
  // The branches that the fault changes are those whose ohms differ with and without it.
  if (site < 0) return [];
  atSite(faults.filter((other) => other !== fault));
  const before = branches.splice(0);
  atSite(faults);
  return branches.filter(
    ({ a, b, ohms }) => !before.some((other) => other.a === a && other.b === b && other.ohms === ohms),
  );
}
