import { type Branch, earth, type Network, type Solver } from '../../physics/index.ts';
import type { Terminals } from '../model/terminals.ts';

/** Contacts of an outlet. */
const rows = 3;

const between = (volts: Float64Array, a: number, b: number): number =>
  (a === earth ? 0 : (volts[a] as number)) - (b === earth ? 0 : (volts[b] as number));

/**
 * What an ampere through some branches causes at the contacts of outlets, in the operation that the solver has taken up.
 * A network of resistors and capacitors is reciprocal: what an ampere through a branch causes at a contact, one into the
 * contact causes across the branch (Tellegen's theorem, from memory). So it is asked from whichever are fewer.
 */
export class Responses {
  private readonly network: Network;
  private readonly solver: Solver;
  private branches: readonly Branch[] = [];
  private isGone: readonly boolean[] = [];
  private fromOutlets = false;
  /** By branch, at every node; the first serves outlet by outlet where these are fewer. */
  private readonly re: Float64Array[] = [];
  private readonly im: Float64Array[] = [];

  constructor(network: Network, solver: Solver) {
    this.network = network;
    this.solver = solver;
  }

  /** Takes up the branches, those that are gone marked, for so many outlets. */
  begin(branches: readonly Branch[], isGone: readonly boolean[], outlets: number): void {
    this.branches = branches;
    this.isGone = isGone;
    this.fromOutlets = rows * outlets < branches.length;
    const needed = this.fromOutlets ? 1 : branches.length;
    while (this.re.length < needed) {
      this.re.push(new Float64Array(this.network.nodeCount));
      this.im.push(new Float64Array(this.network.nodeCount));
    }
    if (this.fromOutlets) return;
    branches.forEach(({ a, b }, p) => {
      const amps: (readonly [number, number, number])[] = [];
      if (a !== earth) amps.push([a, 1, 0]);
      if (b !== earth) amps.push([b, -1, 0]);
      const [re, im] = this.responseTo(p);
      this.solver.respond(isGone[p] === true ? [] : amps, re, im);
    });
  }

  /** Fills in what the branches cause at an outlet, and the volts across them as things stand. */
  at(outlet: number, into: Terminals): void {
    const contact = this.network.outlets[outlet]?.contact;
    if (contact === undefined) return;
    [contact.hot, contact.neutral, contact.ground].forEach((node, row) => {
      if (this.fromOutlets) this.fromContact(node, row, into);
      else this.fromBranches(node, row, into);
    });
    const { voltsRe, voltsIm } = this.solver;
    this.branches.forEach(({ a, b }, p) => {
      into.acrossRe[p] = between(voltsRe, a, b);
      into.acrossIm[p] = between(voltsIm, a, b);
    });
  }

  private responseTo(p: number): readonly [re: Float64Array, im: Float64Array] {
    return [this.re[p] as Float64Array, this.im[p] as Float64Array];
  }

  private fromBranches(node: number, row: number, { responseRe, responseIm }: Terminals): void {
    for (let p = 0; p < this.branches.length; p += 1) {
      const [re, im] = this.responseTo(p);
      responseRe[rows * p + row] = re[node] as number;
      responseIm[rows * p + row] = im[node] as number;
    }
  }

  private fromContact(node: number, row: number, { responseRe, responseIm }: Terminals): void {
    const [re, im] = this.responseTo(0);
    this.solver.respond([[node, 1, 0]], re, im);
    this.branches.forEach(({ a, b }, p) => {
      const isGone = this.isGone[p] === true;
      responseRe[rows * p + row] = isGone ? 0 : between(re, a, b);
      responseIm[rows * p + row] = isGone ? 0 : between(im, a, b);
    });
  }
}
