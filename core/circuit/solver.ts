import type { Circuit } from './circuit-file.ts';
import { type Elimination, eliminationOf } from './elimination.ts';
import {
  type ElementSink,
  earth,
  emitFixed,
  emitOperating,
  type Network,
  networkOf,
  type Operation,
  operationOf,
} from './network.ts';

/**
 * Solves one network for many operations, without allocating while it does.
 *
 * A node is eliminated by the star-mesh transformation: its branches y₁ … yₙ, to its neighbours and to earth,
 * give way to a branch yᵢ·yⱼ/Σy between every two of them (network theory, from memory). Nothing is ever
 * subtracted, so a nanosiemens leak beside a 10 kS pole keeps all its digits, which elimination on a nodal
 * matrix would lose in the diagonal.
 */
export class Solver {
  readonly network: Network;
  private readonly elimination: Elimination;
  private readonly omega: number;
  /** Branch to a later node, entry by entry. */
  private readonly branchRe: Float64Array;
  private readonly branchIm: Float64Array;
  /** Branch of each node to earth and sources together. */
  private readonly earthRe: Float64Array;
  private readonly earthIm: Float64Array;
  /** 1/Σy of each node, known once it is eliminated. */
  private readonly inverseRe: Float64Array;
  private readonly inverseIm: Float64Array;
  /** Current that the sources drive into each node, as stamped. */
  private readonly sourceAmps: Float64Array;
  private readonly workRe: Float64Array;
  private readonly workIm: Float64Array;
  /** Node potentials against earth with nothing plugged in. */
  readonly voltsRe: Float64Array;
  readonly voltsIm: Float64Array;
  /** Nodes from one outlet's contacts to the panel, in the order of elimination. */
  private readonly path: Int32Array;
  private readonly stamp: ElementSink;
  /** Leaks and capacitances, which no operation changes. */
  private readonly fixedEarthRe: Float64Array;
  private readonly fixedBranchIm: Float64Array;

  constructor(network: Network) {
    this.network = network;
    this.elimination = eliminationOf(network);
    this.omega = 2 * Math.PI * network.circuit.hertz;
    const { nodeCount, column } = this.elimination;
    const forBranches = () => new Float64Array(column.length);
    const forNodes = () => new Float64Array(nodeCount);
    this.branchRe = forBranches();
    this.branchIm = forBranches();
    this.earthRe = forNodes();
    this.earthIm = forNodes();
    this.inverseRe = forNodes();
    this.inverseIm = forNodes();
    this.sourceAmps = forNodes();
    this.workRe = forNodes();
    this.workIm = forNodes();
    this.voltsRe = forNodes();
    this.voltsIm = forNodes();
    this.path = new Int32Array(nodeCount);
    this.stamp = this.stamps();
    emitFixed(network, this.stamp);
    this.fixedEarthRe = this.earthRe.slice();
    this.fixedBranchIm = this.branchIm.slice();
  }

  private stamps(): ElementSink {
    const { earthRe, earthIm, branchRe, branchIm, sourceAmps, omega } = this;
    const { start, column } = this.elimination;
    const entry = (a: number, b: number): number => {
      const row = a < b ? a : b;
      const goal = a < b ? b : a;
      const end = at(start, row + 1);
      for (let one = at(start, row); one < end; one += 1) if (column[one] === goal) return one;
      throw new Error(`no branch is provided for between nodes ${a} and ${b}`);
    };
    return {
      resistor: (a, b, ohms) => {
        if (a === b) return;
        const siemens = 1 / ohms;
        if (a === earth) add(earthRe, b, siemens);
        else if (b === earth) add(earthRe, a, siemens);
        else add(branchRe, entry(a, b), siemens);
      },
      leak: (node, siemens) => add(earthRe, node, siemens),
      capacitor: (a, b, farads) => {
        if (a === earth) add(earthIm, b, omega * farads);
        else if (b === earth) add(earthIm, a, omega * farads);
        else add(branchIm, entry(a, b), omega * farads);
      },
      source: (node, volts, ohms) => {
        add(earthRe, node, 1 / ohms);
        add(sourceAmps, node, volts / ohms);
      },
    };
  }

  /** Takes up an operation: builds the network, eliminates all nodes and finds the potentials. */
  operate(operation: Operation): void {
    this.branchRe.fill(0);
    this.branchIm.set(this.fixedBranchIm);
    this.earthRe.set(this.fixedEarthRe);
    this.earthIm.fill(0);
    this.sourceAmps.fill(0);
    emitOperating(this.network, operation, this.stamp);
    this.eliminate();
    this.voltsRe.set(this.sourceAmps);
    this.voltsIm.fill(0);
    this.substitute(this.voltsRe, this.voltsIm);
  }

  private eliminate(): void {
    const { start, column, target, targetStart, nodeCount } = this.elimination;
    const { branchRe, branchIm, earthRe, earthIm, inverseRe, inverseIm } = this;
    for (let k = 0; k < nodeCount; k += 1) {
      const first = at(start, k);
      const end = at(start, k + 1);
      let sumRe = at(earthRe, k);
      let sumIm = at(earthIm, k);
      for (let entry = first; entry < end; entry += 1) {
        sumRe += at(branchRe, entry);
        sumIm += at(branchIm, entry);
      }
      const square = sumRe * sumRe + sumIm * sumIm;
      const invRe = sumRe / square;
      const invIm = -sumIm / square;
      inverseRe[k] = invRe;
      inverseIm[k] = invIm;
      let goal = at(targetStart, k);
      for (let entry = first; entry < end; entry += 1) {
        const yRe = at(branchRe, entry);
        const yIm = at(branchIm, entry);
        if (yRe === 0 && yIm === 0) {
          goal += end - entry - 1;
          continue;
        }
        const shareRe = yRe * invRe - yIm * invIm;
        const shareIm = yRe * invIm + yIm * invRe;
        const neighbour = at(column, entry);
        const eRe = at(earthRe, k);
        const eIm = at(earthIm, k);
        add(earthRe, neighbour, shareRe * eRe - shareIm * eIm);
        add(earthIm, neighbour, shareRe * eIm + shareIm * eRe);
        for (let other = entry + 1; other < end; other += 1, goal += 1) {
          const oRe = at(branchRe, other);
          const oIm = at(branchIm, other);
          const to = at(target, goal);
          add(branchRe, to, shareRe * oRe - shareIm * oIm);
          add(branchIm, to, shareRe * oIm + shareIm * oRe);
        }
      }
    }
  }

  /** Turns currents driven into the nodes into the nodes' potentials, in place. */
  private substitute(re: Float64Array, im: Float64Array): void {
    const { nodeCount } = this.elimination;
    for (let k = 0; k < nodeCount; k += 1) this.passOn(k, re, im);
    for (let k = nodeCount - 1; k >= 0; k -= 1) this.settle(k, re, im);
  }

  /** The current driven into a node divides among its neighbours as its branches do. */
  private passOn(k: number, re: Float64Array, im: Float64Array): void {
    const jRe = at(re, k);
    const jIm = at(im, k);
    if (jRe === 0 && jIm === 0) return;
    const { start, column } = this.elimination;
    const { branchRe, branchIm } = this;
    const invRe = at(this.inverseRe, k);
    const invIm = at(this.inverseIm, k);
    const shareRe = jRe * invRe - jIm * invIm;
    const shareIm = jRe * invIm + jIm * invRe;
    const end = at(start, k + 1);
    for (let entry = at(start, k); entry < end; entry += 1) {
      const yRe = at(branchRe, entry);
      const yIm = at(branchIm, entry);
      const neighbour = at(column, entry);
      add(re, neighbour, shareRe * yRe - shareIm * yIm);
      add(im, neighbour, shareRe * yIm + shareIm * yRe);
    }
  }

  /** A node's potential is the mean of its neighbours', weighted by its branches, plus what is driven into it. */
  private settle(k: number, re: Float64Array, im: Float64Array): void {
    const { start, column } = this.elimination;
    const { branchRe, branchIm } = this;
    let sumRe = at(re, k);
    let sumIm = at(im, k);
    const end = at(start, k + 1);
    for (let entry = at(start, k); entry < end; entry += 1) {
      const yRe = at(branchRe, entry);
      const yIm = at(branchIm, entry);
      const neighbour = at(column, entry);
      const vRe = at(re, neighbour);
      const vIm = at(im, neighbour);
      sumRe += yRe * vRe - yIm * vIm;
      sumIm += yRe * vIm + yIm * vRe;
    }
    const invRe = at(this.inverseRe, k);
    const invIm = at(this.inverseIm, k);
    re[k] = sumRe * invRe - sumIm * invIm;
    im[k] = sumRe * invIm + sumIm * invRe;
  }

  /**
   * The potentials that currents from earth into some nodes cause by themselves, with the sources at rest, into
   * two arrays of one value per node. Each of `amps` is a node and the real and imaginary part of its current.
   */
  respond(
    amps: readonly (readonly [node: number, re: number, im: number])[],
    re: Float64Array,
    im: Float64Array,
  ): void {
    re.fill(0);
    im.fill(0);
    for (const [node, ampsRe, ampsIm] of amps) {
      add(re, node, ampsRe);
      add(im, node, ampsIm);
    }
    this.substitute(re, im);
  }

  /** Ohms, as a complex number, between a node and earth with the sources at rest. */
  impedanceToEarth(node: number): readonly [re: number, im: number] {
    const { workRe, workIm, path } = this;
    const length = this.pathFrom(node);
    this.alongPath(node, length, path, workRe, workIm);
    return [at(workRe, node), at(workIm, node)];
  }

  private pathFrom(node: number): number {
    let length = 0;
    for (let k = node; k !== -1; k = at(this.elimination.parent, k)) {
      this.path[length] = k;
      length += 1;
    }
    return length;
  }

  /** Potentials along a path that one ampere into a node of it causes. */
  private alongPath(
    node: number,
    length: number,
    path: Int32Array,
    re: Float64Array,
    im: Float64Array,
  ): void {
    for (let step = 0; step < length; step += 1) {
      re[at(path, step)] = 0;
      im[at(path, step)] = 0;
    }
    re[node] = 1;
    for (let step = 0; step < length; step += 1) this.passOn(at(path, step), re, im);
    for (let step = length - 1; step >= 0; step -= 1) this.settle(at(path, step), re, im);
  }

  /**
   * An outlet as three terminals: fills the open-circuit potentials of its contacts (hot, neutral, ground) and
   * their impedances, row by row. Nothing else of the circuit is needed to say what any instrument shows there.
   */
  equivalentAt(outlet: number, into: ThreeTerminals): void {
    const contact = this.network.outlets[outlet]?.contact;
    if (contact === undefined) throw new Error(`no outlet ${outlet}`);
    const nodes = [contact.hot, contact.neutral, contact.ground] as const;
    const length = this.pathFrom(Math.min(...nodes));
    for (let row = 0; row < 3; row += 1) {
      const node = nodes[row] ?? 0;
      into.voltsRe[row] = at(this.voltsRe, node);
      into.voltsIm[row] = at(this.voltsIm, node);
      this.alongPath(node, length, this.path, this.workRe, this.workIm);
      for (let other = 0; other < 3; other += 1) {
        into.ohmsRe[3 * other + row] = at(this.workRe, nodes[other] ?? 0);
        into.ohmsIm[3 * other + row] = at(this.workIm, nodes[other] ?? 0);
      }
    }
  }
}

/** Three contacts seen from outside: potentials with nothing plugged in, and a 3 × 3 impedance matrix. */
export interface ThreeTerminals {
  readonly voltsRe: Float64Array;
  readonly voltsIm: Float64Array;
  readonly ohmsRe: Float64Array;
  readonly ohmsIm: Float64Array;
}

export const threeTerminals = (): ThreeTerminals => ({
  voltsRe: new Float64Array(3),
  voltsIm: new Float64Array(3),
  ohmsRe: new Float64Array(9),
  ohmsIm: new Float64Array(9),
});

/** A solver that has taken up what a circuit file describes. */
export function solved(circuit: Circuit): Solver {
  const solver = new Solver(networkOf(circuit));
  solver.operate(operationOf(solver.network));
  return solver;
}

/** Indices here come from the elimination's own tables; the checker cannot know that they are in range. */
const at = (array: Float64Array | Int32Array, index: number): number => array[index] as number;
const add = (array: Float64Array, index: number, amount: number): void => {
  array[index] = (array[index] as number) + amount;
};
