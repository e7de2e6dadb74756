import type { Fault, Load, Network } from '../circuit/index.ts';
import type { Hypothesis } from './hypothesis.ts';

/** All that one circuit is held to carry where its loads are not known, in watts. */
export const mostWatts = 1800;
/** Something is plugged in and on at a receptacle once in so many (common practice). */
const loadOdds = 0.3;
/** A lamp or charger that is on: enough to drag a floating conductor along. */
export const smallLoadWatts = 40;
export const leastWatts = 2;

/** Watts at each outlet, as the circuit file's loads. */
export const loadsOfWatts = ({ circuit }: Network, watts: ArrayLike<number>): readonly Load[] =>
  circuit.outlets.flatMap(({ id }, outlet) => {
    const here = watts[outlet] ?? 0;
    return here > 0 ? [{ at: id, watts: here, on: true }] : [];
  });

/** What may be on at each outlet under one pattern of unknown loads, and where a fit begins. */
export interface LoadPattern {
  readonly logOdds: number;
  readonly lower: Float64Array;
  readonly upper: Float64Array;
  readonly start: Float64Array;
}

/** Outlets fed through each cable, the one at its end included; on a ring, those beyond it on the outward way. */
export function outletsBeyond({ circuit, topology }: Network, cable: number): ReadonlySet<number> {
  const beyond = new Set<number>();
  const visit = (index: number): void => {
    const to = topology.outletIndex.get(circuit.cables[index]?.to ?? '');
    if (to === undefined || beyond.has(to)) return;
    beyond.add(to);
    circuit.cables.forEach(({ from }, next) => {
      if (from === circuit.outlets[to]?.id) visit(next);
    });
  };
  visit(cable);
  return beyond;
}

/**
 * Where a load decides in the large what is read, for a fault that leaves a conductor afloat: the outlets whose
 * loads drag it along. Empty for faults beside which loads change volts but little.
 */
function dragged(network: Network, fault: Fault): ReadonlySet<number> {
  const { circuit, topology, devices } = network;
  const joinsGround = fault.kind === 'swap' && fault.conductors.includes('ground');
  const floats = fault.kind === 'open' && fault.conductor !== 'ground';
  const leaks = fault.kind === 'bond' && devices.length > 0;
  if (!joinsGround && !floats && !leaks) return new Set();
  if (fault.kind !== 'bond' && fault.cable !== undefined)
    return outletsBeyond(
      network,
      circuit.cables.findIndex(({ id }) => id === fault.cable),
    );
  const outlet = topology.outletIndex.get(fault.at ?? '') ?? -1;
  const dragging = new Set([outlet]);
  if (circuit.outlets[outlet]?.wiring === 'through' || fault.kind === 'bond')
    circuit.cables.forEach(({ from }, cable) => {
      if (from === fault.at) for (const beyond of outletsBeyond(network, cable)) dragging.add(beyond);
    });
  return dragging;
}

/**
 * The patterns of loads that a hypothesis has to be tried with: each group of outlets that drags a floating
 * conductor along has something on, or has nothing on; the rest are free. More than three such groups are taken
 * together.
 */
export function loadPatterns(network: Network, { faults }: Hypothesis, from: Float64Array): readonly LoadPattern[] {
  const outletCount = network.outlets.length;
  const membership = new Map<string, number[]>();
  const regions = faults.map((fault) => dragged(network, fault)).filter(({ size }) => size > 0);
  for (let outlet = 0; outlet < outletCount; outlet += 1) {
    const name = regions.map((region) => (region.has(outlet) ? 1 : 0)).join('');
    if (name.includes('1')) membership.set(name, [...(membership.get(name) ?? []), outlet]);
  }
  const all = [...membership.values()];
  const groups = all.length <= 3 ? all : [all.flat()];
  const patterns: LoadPattern[] = [];
  for (let which = 0; which < 2 ** groups.length; which += 1) {
    const lower = new Float64Array(outletCount);
    const upper = new Float64Array(outletCount).fill(mostWatts);
    const start = from.slice();
    let logOdds = 0;
    groups.forEach((outlets, group) => {
      const isOff = (which & (1 << group)) === 0;
      const allOff = (1 - loadOdds) ** outlets.length;
      logOdds += Math.log(isOff ? allOff : 1 - allOff);
      for (const outlet of outlets) {
        lower[outlet] = isOff ? 0 : leastWatts;
        if (isOff) upper[outlet] = 0;
        start[outlet] = isOff ? 0 : Math.max(smallLoadWatts, start[outlet] ?? 0);
      }
    });
    patterns.push({ logOdds, lower, upper, start });
  }
  return patterns;
}
