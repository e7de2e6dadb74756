import { type ElementSink, emitSite, faultsBySite, siteCount } from './elements.ts';
import { earth, type Network, type Operation } from './network.ts';

/** Where conductances are added up: of branches between nodes, by their entry, and of branches to earth, by their node. */
export interface Stamped {
  readonly branches: Float64Array;
  readonly toEarth: Float64Array;
}

/**
 * What stands at the sites of a network where nothing is wrong, known once and for all: at most sites nothing is, in any
 * operation.
 */
export class SoundSites {
  private readonly network: Network;
  /** First conductance of each site. */
  private readonly start: Int32Array;
  /** Entry of the branch; to earth −1 less the node. */
  private readonly entries: Int32Array;
  private readonly siemens: Float64Array;

  constructor(network: Network, entryOf: (a: number, b: number) => number) {
    this.network = network;
    const start = [0];
    const entries: number[] = [];
    const siemens: number[] = [];
    const sink: ElementSink = {
      resistor: (a, b, ohms) => {
        if (a === b) return;
        entries.push(a === earth || b === earth ? -1 - Math.max(a, b) : entryOf(a, b));
        siemens.push(1 / ohms);
      },
      leak: () => {},
      capacitor: () => {},
      source: () => {},
    };
    for (let site = 0; site < siteCount(network); site += 1) {
      emitSite(network, site, [], sink);
      start.push(entries.length);
    }
    this.start = Int32Array.from(start);
    this.entries = Int32Array.from(entries);
    this.siemens = Float64Array.from(siemens);
  }

  /** Stamps all sites; those where something is wrong by handing their elements to the sink. */
  stamp(faults: Operation['faults'], { branches, toEarth }: Stamped, sink: ElementSink): void {
    const { network, start, entries, siemens } = this;
    const bySite = faultsBySite(network, faults);
    for (let site = 0; site + 1 < start.length; site += 1) {
      const here = bySite.get(site);
      if (here !== undefined) {
        emitSite(network, site, here, sink);
        continue;
      }
      const end = start[site + 1] as number;
      for (let index = start[site] as number; index < end; index += 1) {
        const entry = entries[index] as number;
        const into = entry < 0 ? toEarth : branches;
        const to = entry < 0 ? -1 - entry : entry;
        into[to] = (into[to] as number) + (siemens[index] as number);
      }
    }
  }
}
