import type { Load } from '../../circuit/index.ts';
import { cableOf, type Fault, faultKinds } from '../../faults/index.ts';
import type { Network } from '../../physics/index.ts';
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
  /** Where what was found to be on is off: the same watts on just before it, for that shows about the same nearer the panel. */
  readonly moved?: Float64Array;
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

/** Outlets whose current flows through the place of a fault. */
export function fedThrough(network: Network, fault: Fault): ReadonlySet<number> {
  const { circuit, topology } = network;
  const inCable = cableOf(fault);
  if (inCable !== undefined)
    return outletsBeyond(
      network,
      circuit.cables.findIndex(({ id }) => id === inCable),
    );
  const outlet = topology.outletIndex.get(fault.at ?? '') ?? -1;
  const fed = new Set([outlet]);
  if (circuit.outlets[outlet]?.wiring === 'through' || faultKinds[fault.kind].within === 'jumper')
    circuit.cables.forEach(({ from }, cable) => {
      if (from === fault.at) for (const beyond of outletsBeyond(network, cable)) fed.add(beyond);
    });
  return fed;
}

/**
 * Where a load decides in the large what is read, for a fault that leaves a conductor afloat: the outlets whose
 * loads drag it along. Empty for faults beside which loads change volts but little.
 */
const dragged = (network: Network, fault: Fault): ReadonlySet<number> =>
  faultKinds[fault.kind].hangsOnLoads?.(fault, network.devices.length > 0) === true
    ? fedThrough(network, fault)
    : new Set();

/** True of faults of which one leaves a conductor afloat that loads drag along. */
export const hangOnLoads = (network: Network, faults: readonly Fault[]): boolean =>
  faults.some((fault) => dragged(network, fault).size > 0);

/** Watts with those of a region on at the outlet that it is fed from; null where nothing is on there, or it is fed from the panel. */
function movedBefore(
  { circuit, topology: { depth, outletIndex } }: Network,
  region: ReadonlySet<number>,
  watts: Float64Array,
): Float64Array | null {
  const moved = watts.slice();
  let sum = 0;
  let [first = 0] = region;
  for (const outlet of region) {
    sum += watts[outlet] ?? 0;
    moved[outlet] = 0;
    if ((depth[outlet] ?? 0) < (depth[first] ?? 0)) first = outlet;
  }
  const feed = circuit.cables.find(({ to }) => to === circuit.outlets[first]?.id);
  const before = outletIndex.get(feed?.from ?? '');
  if (before === undefined || sum < leastWatts) return null;
  moved[before] = (moved[before] ?? 0) + sum;
  return moved;
}

const anyLoads = (outletCount: number): LoadPattern => ({
  logOdds: 0,
  lower: new Float64Array(outletCount),
  upper: new Float64Array(outletCount).fill(mostWatts),
  start: new Float64Array(outletCount),
});

/**
 * The patterns of loads that a hypothesis has to be tried with, beginning with its parent's: the outlets that drag a
 * floating conductor along have something on, or have nothing on; the rest stay as they are.
 */
export function loadPatterns(
  network: Network,
  { faults }: Hypothesis,
  parent: {
    readonly hypothesis: Hypothesis;
    readonly fitted: { readonly pattern: LoadPattern | null; readonly watts: Float64Array };
  } | null,
): readonly LoadPattern[] {
  const { outlets } = network;
  const before = parent?.fitted.pattern ?? anyLoads(outlets.length);
  const { logOdds, lower: least, upper: most } = before;
  const from = parent?.fitted.watts ?? before.start;
  const inherited: LoadPattern = { logOdds, lower: least, upper: most, start: from };
  const news = faults.filter((fault) => parent?.hypothesis.faults.includes(fault) !== true);
  const region = new Set(news.flatMap((fault) => [...dragged(network, fault)]));
  if (region.size === 0) return [inherited];
  const allOff = (1 - loadOdds) ** region.size;
  const withRegion = (isOn: boolean): LoadPattern => {
    const lower = least.slice();
    const upper = most.slice();
    const start = inherited.start.slice();
    for (const outlet of region) {
      lower[outlet] = isOn ? leastWatts : 0;
      upper[outlet] = isOn ? mostWatts : 0;
      start[outlet] = isOn ? Math.max(smallLoadWatts, start[outlet] ?? 0) : 0;
    }
    const moved = isOn ? null : movedBefore(network, region, from);
    const share = { logOdds: logOdds + Math.log(isOn ? 1 - allOff : allOff), lower, upper, start };
    return moved === null ? share : { ...share, moved };
  };
  const patterns = [withRegion(false), withRegion(true)];
  // Where the parent's loads are of both kinds there, they may be right as they are.
  const isMixed = logOdds < 0 && [...region].some((outlet) => most[outlet] === 0);
  return isMixed ? [inherited, ...patterns] : patterns;
}

/** The same watts at every outlet, as far as a pattern lets them. */
export const alikeIn = ({ lower, upper }: LoadPattern, watts: number): Float64Array =>
  upper.map((most, outlet) => Math.min(most, Math.max(lower[outlet] ?? 0, watts)));

/** True where outlets stand on two legs that share a neutral. */
export const hasTwoLegs = ({ circuit: { outlets } }: Network): boolean =>
  outlets.some(({ leg }) => leg !== outlets[0]?.leg);

/** Watts on each leg that a fit of a shared neutral also begins with. */
const balancedWatts = 180;

/**
 * The same pattern begun with like loads on both legs, for a further cause in a neutral that two legs share: such a
 * neutral shows what the legs differ by and not what they have in common, so that a fit begun with loads far apart does
 * not find its way to loads near each other. Null where no further cause is one.
 */
export function balanced(
  network: Network,
  { faults }: Hypothesis,
  known: readonly Fault[],
  pattern: LoadPattern,
): LoadPattern | null {
  if (!hasTwoLegs(network)) return null;
  const isShared = (fault: Fault): boolean =>
    (fault.kind === 'open' || fault.kind === 'resistance') && fault.conductor === 'neutral';
  const further = faults.filter((fault) => isShared(fault) && !known.includes(fault));
  if (further.length === 0) return null;
  const { outlets } = network.circuit;
  const beyond = new Set(further.flatMap((fault) => [...dragged(network, fault)]));
  const onLegOf = (outlet: number): number =>
    outlets.filter(({ leg }, other) => beyond.has(other) && leg === outlets[outlet]?.leg).length;
  const start = pattern.upper.map((most, outlet) =>
    Math.min(most, Math.max(pattern.lower[outlet] ?? 0, balancedWatts / Math.max(1, onLegOf(outlet)))),
  );
  return { ...pattern, start };
}
