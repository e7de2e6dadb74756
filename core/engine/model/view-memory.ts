import type { Network, Operation, WiredFault } from '../../physics/index.ts';

/** Numbers that say how an outlet looks: potentials and impedances of its three contacts. */
export const viewSize = 24;
/** Numbers kept for one circuit: about 5 MB. */
const mostNumbers = 600_000;

/**
 * How the outlets of a circuit look in operations met before. Readings do not change that, so it is kept from one
 * reading to the next. Only for circuits without protection devices, whose loads are known: the others' operations
 * hardly ever come again.
 */
export class ViewMemory {
  private readonly network: Network;
  private readonly byOperation = new Map<string, Float64Array>();
  private readonly faultKeys = new WeakMap<WiredFault, string>();

  constructor(network: Network) {
    this.network = network;
  }

  /** The views of every outlet, one after another, NaN where it was not looked at yet; null where none are kept. */
  viewsIn({ faults, loads, loadsOff, breakerOn }: Operation): Float64Array | null {
    const { circuit, devices, outlets } = this.network;
    if (devices.length > 0 || loads !== circuit.loads) return null;
    const key = `${loadsOff}${breakerOn}${faults.map((fault) => this.keyOf(fault)).join('')}`;
    const before = this.byOperation.get(key);
    if (before !== undefined) return before;
    const size = outlets.length * viewSize;
    if ((this.byOperation.size + 1) * size > mostNumbers) return null;
    const views = new Float64Array(size).fill(Number.NaN);
    this.byOperation.set(key, views);
    return views;
  }

  private keyOf(fault: WiredFault): string {
    const before = this.faultKeys.get(fault);
    if (before !== undefined) return before;
    const key = JSON.stringify(fault);
    this.faultKeys.set(fault, key);
    return key;
  }
}
