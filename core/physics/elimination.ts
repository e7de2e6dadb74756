import { absent, earth, type Network } from './network.ts';
import { wires } from './wired-circuit.ts';

/**
 * In which order nodes are eliminated and what each elimination touches. Made once for a network: any set of
 * faults, jumpers and exchanged wires moves current only inside an outlet or between the two ends of a cable,
 * and all those pairs of nodes are provided for.
 *
 * Node k joins the later nodes `column[start[k] … start[k+1]-1]`. Eliminating it adds a branch between every
 * two of these; the branch of the a-th and b-th of them is entry `target[targetStart[k] + …]`, in the order
 * (0,1), (0,2), …, (1,2), ….
 */
export interface Elimination {
  readonly nodeCount: number;
  readonly start: Int32Array;
  readonly column: Int32Array;
  readonly targetStart: Int32Array;
  readonly target: Int32Array;
}

export function eliminationOf(network: Network): Elimination {
  const { nodeCount } = network;
  const later: Set<number>[] = Array.from({ length: nodeCount }, () => new Set());
  const join = (a: number, b: number): void => {
    if (a >= 0 && b >= 0 && a !== b) later[Math.min(a, b)]?.add(Math.max(a, b));
  };
  const joinAll = (nodes: readonly number[]): void => {
    nodes.forEach((a, index) => {
      for (let other = index + 1; other < nodes.length; other += 1) join(a, nodes[other] ?? absent);
    });
  };
  for (const { contact, protectedSide, splice } of network.outlets)
    joinAll([...Object.values(contact), ...Object.values(protectedSide), ...Object.values(splice)]);
  network.circuit.cables.forEach((_, index) => {
    const splice = network.cableEnd[index];
    const from = network.cableStart[index];
    if (splice === undefined || from === undefined) return;
    for (const a of wires) for (const b of wires) if (from[a] !== earth) join(from[a], splice[b]);
  });

  const columns: number[][] = [];
  for (let k = 0; k < nodeCount; k += 1) {
    const sortedColumns = [...(later[k] ?? [])].sort((a, b) => a - b);
    columns.push(sortedColumns);
    joinAll(sortedColumns);
  }
  return packed(columns);
}

function packed(columns: readonly (readonly number[])[]): Elimination {
  const nodeCount = columns.length;
  const start = new Int32Array(nodeCount + 1);
  const targetStart = new Int32Array(nodeCount + 1);
  columns.forEach((own, k) => {
    start[k + 1] = (start[k] ?? 0) + own.length;
    targetStart[k + 1] = (targetStart[k] ?? 0) + (own.length * (own.length - 1)) / 2;
  });
  const column = Int32Array.from(columns.flat());
  const target = new Int32Array(targetStart[nodeCount] ?? 0);
  let at = 0;
  for (const own of columns)
    for (let a = 0; a < own.length; a += 1)
      for (let b = a + 1; b < own.length; b += 1) {
        const row = own[a] ?? 0;
        target[at] = (start[row] ?? 0) + (columns[row]?.indexOf(own[b] ?? -1) ?? 0);
        at += 1;
      }
  return {
    nodeCount,
    start,
    column,
    targetStart,
    target,
  };
}
