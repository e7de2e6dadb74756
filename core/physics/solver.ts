import { type ElementSink, emitFixed, emitSources, emitSwitched } from './elements.ts';
import { type Elimination, eliminationOf } from './elimination.ts';
import { earth, type Network, type Operation } from './network.ts';
import { SoundSites } from './sound-sites.ts';

let solved = 0;
/** Nodes that all solvers together have solved so far: a clock that goes by work. */
export const nodesSolved = (): number => solved;

/** A unit turned by so many degrees; half a turn is exactly −1. */
export const turned = (degrees: number): readonly [re: number, im: number] =>
  degrees === 180 ? [-1, 0] : [Math.cos((Math.PI * degrees) / 180), Math.sin((Math.PI * degrees) / 180)];

/**
 * Solves one network for many operations, without allocating while it does.
 *
 * A node is eliminated by the star-mesh transformation: its branches y₁ … yₙ, to its neighbours and to earth,
 * give way to a branch yᵢ·yⱼ/Σy between every two of them (network theory, from memory). Nothing is ever
 * subtracted, so a nanosiemens leak beside a 10 kS pole keeps all its digits, which elimination on a nodal
 * matrix would lose in the diagonal.
 *
 * Longer than other files: every step works on the same arrays, entry by entry, and is read beside the one before it.
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
  /** y/Σy of each branch to a later node, known once its node is eliminated. */
  private readonly shareRe: Float64Array;
  private readonly shareIm: Float64Array;
  /** 1/Σy of each node, known once it is eliminated. */
  private readonly inverseRe: Float64Array;
  private readonly inverseIm: Float64Array;
  /** Current that the sources drive into each node, as stamped. */
  private readonly sourceRe: Float64Array;
  private readonly sourceIm: Float64Array;
  /** Node potentials against earth with nothing plugged in. */
  readonly voltsRe: Float64Array;
  readonly voltsIm: Float64Array;
  /**
   * Impedances between each node and the later ones it joins (entry by entry) and between it and earth, filled from
   * the panel outward down to node `filledFrom`.
   */
  private readonly betweenRe: Float64Array;
  private readonly betweenIm: Float64Array;
  private readonly toEarthRe: Float64Array;
  private readonly toEarthIm: Float64Array;
  private filledFrom = 0;
  private readonly stamp: ElementSink;
  private readonly soundSites: SoundSites;
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
    this.sourceRe = forNodes();
    this.sourceIm = forNodes();
    this.shareRe = forBranches();
    this.shareIm = forBranches();
    this.betweenRe = forBranches();
    this.betweenIm = forBranches();
    this.toEarthRe = forNodes();
    this.toEarthIm = forNodes();
    this.voltsRe = forNodes();
    this.voltsIm = forNodes();
    this.stamp = this.stamps();
    emitFixed(network, this.stamp);
    this.fixedEarthRe = this.earthRe.slice();
    this.fixedBranchIm = this.branchIm.slice();
    this.soundSites = new SoundSites(network, (a, b) => (a < b ? this.entryOf(a, b) : this.entryOf(b, a)));
  }

  private stamps(): ElementSink {
    const { earthRe, earthIm, branchRe, branchIm, sourceRe, sourceIm, omega } = this;
    const entry = (a: number, b: number): number => (a < b ? this.entryOf(a, b) : this.entryOf(b, a));
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
      source: (node, volts, degrees, ohms) => {
        add(earthRe, node, 1 / ohms);
        const [re, im] = turned(degrees);
        add(sourceRe, node, (re * volts) / ohms);
        add(sourceIm, node, (im * volts) / ohms);
      },
    };
  }

  /** Takes up an operation: builds the network, eliminates all nodes and finds the potentials. */
  operate(operation: Operation): void {
    solved += this.elimination.nodeCount;
    this.branchRe.fill(0);
    this.branchIm.set(this.fixedBranchIm);
    this.earthRe.set(this.fixedEarthRe);
    this.earthIm.fill(0);
    this.sourceRe.fill(0);
    this.sourceIm.fill(0);
    emitSources(this.network, operation, this.stamp);
    this.soundSites.stamp(operation.faults, { branches: this.branchRe, toEarth: this.earthRe }, this.stamp);
    emitSwitched(this.network, operation, this.stamp);
    this.eliminate();
    this.filledFrom = this.elimination.nodeCount;
    this.voltsRe.set(this.sourceRe);
    this.voltsIm.set(this.sourceIm);
    this.substitute(this.voltsRe, this.voltsIm);
  }

  private eliminate(): void {
    const { start, column, target, targetStart, nodeCount } = this.elimination;
    const { branchRe, branchIm, earthRe, earthIm, inverseRe, inverseIm, shareRe, shareIm } = this;
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
          shareRe[entry] = 0;
          shareIm[entry] = 0;
          goal += end - entry - 1;
          continue;
        }
        const sRe = yRe * invRe - yIm * invIm;
        const sIm = yRe * invIm + yIm * invRe;
        shareRe[entry] = sRe;
        shareIm[entry] = sIm;
        const neighbour = at(column, entry);
        const eRe = at(earthRe, k);
        const eIm = at(earthIm, k);
        add(earthRe, neighbour, sRe * eRe - sIm * eIm);
        add(earthIm, neighbour, sRe * eIm + sIm * eRe);
        for (let other = entry + 1; other < end; other += 1, goal += 1) {
          const oRe = at(branchRe, other);
          const oIm = at(branchIm, other);
          const to = at(target, goal);
          add(branchRe, to, sRe * oRe - sIm * oIm);
          add(branchIm, to, sRe * oIm + sIm * oRe);
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
    const { shareRe, shareIm } = this;
    const end = at(start, k + 1);
    for (let entry = at(start, k); entry < end; entry += 1) {
      const sRe = at(shareRe, entry);
      const sIm = at(shareIm, entry);
      const neighbour = at(column, entry);
      add(re, neighbour, jRe * sRe - jIm * sIm);
      add(im, neighbour, jRe * sIm + jIm * sRe);
    }
  }

  /** A node's potential is the mean of its neighbours', weighted by its branches, plus what is driven into it. */
  private settle(k: number, re: Float64Array, im: Float64Array): void {
    const { start, column } = this.elimination;
    const { shareRe, shareIm } = this;
    const jRe = at(re, k);
    const jIm = at(im, k);
    const invRe = at(this.inverseRe, k);
    const invIm = at(this.inverseIm, k);
    let sumRe = jRe * invRe - jIm * invIm;
    let sumIm = jRe * invIm + jIm * invRe;
    const end = at(start, k + 1);
    for (let entry = at(start, k); entry < end; entry += 1) {
      const sRe = at(shareRe, entry);
      const sIm = at(shareIm, entry);
      if (sRe === 0 && sIm === 0) continue;
      const neighbour = at(column, entry);
      const vRe = at(re, neighbour);
      const vIm = at(im, neighbour);
      sumRe += sRe * vRe - sIm * vIm;
      sumIm += sRe * vIm + sIm * vRe;
    }
    re[k] = sumRe;
    im[k] = sumIm;
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
    for (let k = this.filledFrom - 1; k >= node; k -= 1) this.fillImpedances(k);
    return [at(this.toEarthRe, node), at(this.toEarthIm, node)];
  }

  /**
   * The impedances of a node, those of all later ones being known. What one ampere elsewhere causes at the node is
   * the mean of what it causes at the later neighbours, and these join each other: no entry outside of the
   * elimination's own is needed (selected inversion; Takahashi, Fagan and Chin 1973, from memory).
   */
  private fillImpedances(k: number): void {
    const { start, column, target, targetStart } = this.elimination;
    const { shareRe, shareIm, betweenRe, betweenIm, toEarthRe, toEarthIm } = this;
    const first = at(start, k);
    const end = at(start, k + 1);
    for (let entry = first; entry < end; entry += 1) {
      const sRe = at(shareRe, entry);
      const sIm = at(shareIm, entry);
      const neighbour = at(column, entry);
      const zRe = at(toEarthRe, neighbour);
      const zIm = at(toEarthIm, neighbour);
      betweenRe[entry] = sRe * zRe - sIm * zIm;
      betweenIm[entry] = sRe * zIm + sIm * zRe;
    }
    const count = end - first;
    const pairs = at(targetStart, k);
    for (let entry = first; entry < end; entry += 1) {
      const sRe = at(shareRe, entry);
      const sIm = at(shareIm, entry);
      // Most nodes join one other and no more.
      if (sRe === 0 && sIm === 0) continue;
      const place = entry - first;
      let pair = pairs + place - 1;
      for (let other = first; other < entry; other += 1) {
        const goal = at(target, pair);
        const zRe = at(betweenRe, goal);
        const zIm = at(betweenIm, goal);
        add(betweenRe, other, sRe * zRe - sIm * zIm);
        add(betweenIm, other, sRe * zIm + sIm * zRe);
        pair += count - 2 - (other - first);
      }
      pair += 1;
      for (let other = entry + 1; other < end; other += 1, pair += 1) {
        const goal = at(target, pair);
        const zRe = at(betweenRe, goal);
        const zIm = at(betweenIm, goal);
        add(betweenRe, other, sRe * zRe - sIm * zIm);
        add(betweenIm, other, sRe * zIm + sIm * zRe);
      }
    }
    let re = at(this.inverseRe, k);
    let im = at(this.inverseIm, k);
    for (let entry = first; entry < end; entry += 1) {
      const sRe = at(shareRe, entry);
      const sIm = at(shareIm, entry);
      const bRe = at(betweenRe, entry);
      const bIm = at(betweenIm, entry);
      re += sRe * bRe - sIm * bIm;
      im += sRe * bIm + sIm * bRe;
    }
    toEarthRe[k] = re;
    toEarthIm[k] = im;
    this.filledFrom = k;
  }

  /** Entry of the branch between two nodes of which the first is eliminated first. */
  private entryOf(a: number, b: number): number {
    const { start, column } = this.elimination;
    const end = at(start, a + 1);
    for (let entry = at(start, a); entry < end; entry += 1) if (column[entry] === b) return entry;
    throw new Error(`no branch is provided for between nodes ${a} and ${b}`);
  }

  /**
   * An outlet as three terminals: fills the open-circuit potentials of its contacts (hot, neutral, ground) and
   * their impedances, row by row. Nothing else of the circuit is needed to say what any instrument shows there.
   */
  equivalentAt(outlet: number, into: ThreeTerminals): void {
    const contact = this.network.outlets[outlet]?.contact;
    if (contact === undefined) throw new Error(`no outlet ${outlet}`);
    // Contacts are numbered in this order, so each is eliminated before the next.
    const { hot, neutral, ground } = contact;
    for (let k = this.filledFrom - 1; k >= hot; k -= 1) this.fillImpedances(k);
    this.takeContact(hot, 0, into);
    this.takeContact(neutral, 1, into);
    this.takeContact(ground, 2, into);
    this.takeBetween(this.entryOf(hot, neutral), 1, 3, into);
    this.takeBetween(this.entryOf(hot, ground), 2, 6, into);
    this.takeBetween(this.entryOf(neutral, ground), 5, 7, into);
  }

  private takeContact(node: number, row: number, into: ThreeTerminals): void {
    into.voltsRe[row] = at(this.voltsRe, node);
    into.voltsIm[row] = at(this.voltsIm, node);
    into.ohmsRe[4 * row] = at(this.toEarthRe, node);
    into.ohmsIm[4 * row] = at(this.toEarthIm, node);
  }

  private takeBetween(entry: number, above: number, below: number, into: ThreeTerminals): void {
    const re = at(this.betweenRe, entry);
    const im = at(this.betweenIm, entry);
    into.ohmsRe[above] = re;
    into.ohmsRe[below] = re;
    into.ohmsIm[above] = im;
    into.ohmsIm[below] = im;
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

/** Indices here come from the elimination's own tables; the checker cannot know that they are in range. */
const at = (array: Float64Array | Int32Array, index: number): number => array[index] as number;
const add = (array: Float64Array, index: number, amount: number): void => {
  array[index] = (array[index] as number) + amount;
};
