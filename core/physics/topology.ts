import { type Leg, legs, panel } from './names.ts';
import type { WiredCircuit } from './wired-circuit.ts';

/** How the cables of a circuit hang together. Indices are those of the file's arrays. */
export interface Topology {
  readonly outletIndex: ReadonlyMap<string, number>;
  readonly cableIndex: ReadonlyMap<string, number>;
  /** Cables from the panel to an outlet, by the shortest way; Infinity where none leads there. */
  readonly depth: readonly number[];
  /** Outlets, those nearest the panel first. */
  readonly outward: readonly number[];
  /** Legs that each cable carries, L1 first. */
  readonly legsOfCable: readonly (readonly Leg[])[];
  /** Legs that reach each outlet. */
  readonly legsAtOutlet: readonly (readonly Leg[])[];
}

export function topologyOf(circuit: Pick<WiredCircuit, 'outlets' | 'cables'>): Topology {
  const outletIndex = new Map(circuit.outlets.map((outlet, index) => [outlet.id, index]));
  const leaving = new Map<string, number[]>();
  circuit.cables.forEach((cable, index) => {
    const others = leaving.get(cable.from);
    if (others) others.push(index);
    else leaving.set(cable.from, [index]);
  });

  const depth = circuit.outlets.map(() => Number.POSITIVE_INFINITY);
  const outward: number[] = [];
  const queue: [name: string, depth: number][] = [[panel, 0]];
  for (let head = 0; head < queue.length; head += 1) {
    const [name, reached] = queue[head] as [string, number];
    for (const cable of leaving.get(name) ?? []) {
      const to = outletIndex.get(circuit.cables[cable]?.to ?? '');
      if (to === undefined || depth[to] !== Number.POSITIVE_INFINITY) continue;
      depth[to] = reached + 1;
      outward.push(to);
      queue.push([circuit.outlets[to]?.id ?? '', reached + 1]);
    }
  }

  // A leg is carried by every cable at whose far end, or beyond, an outlet uses it.
  const beyond = circuit.outlets.map((outlet) => new Set<Leg>([outlet.leg]));
  for (const index of outward.toReversed())
    for (const cable of leaving.get(circuit.outlets[index]?.id ?? '') ?? []) {
      const to = outletIndex.get(circuit.cables[cable]?.to ?? '');
      if (to !== undefined) for (const leg of beyond[to] ?? []) beyond[index]?.add(leg);
    }
  const ordered = (used: ReadonlySet<Leg> | undefined): readonly Leg[] =>
    legs.filter((leg) => used?.has(leg));
  return {
    outletIndex,
    cableIndex: new Map(circuit.cables.map(({ id }, index) => [id, index])),
    depth,
    outward,
    legsOfCable: circuit.cables.map((cable) => ordered(beyond[outletIndex.get(cable.to) ?? -1])),
    legsAtOutlet: beyond.map(ordered),
  };
}
