import fc from 'fast-check';
import { expect, test } from 'vitest';
import { type ElementSink, earth, emitSite, faultsBySite, siteCount } from '../physics/index.ts';
import { SoundSites } from '../physics/sound-sites.ts';
import { circuitInput } from './arbitrary-circuit.ts';
import { networkOf, parseCircuit } from './index.ts';

/** Adds conductances up by the pair of nodes that each joins. */
function adding(nodeCount: number) {
  const branches = new Float64Array(nodeCount * nodeCount);
  const toEarth = new Float64Array(nodeCount);
  const entryOf = (a: number, b: number): number => Math.min(a, b) * nodeCount + Math.max(a, b);
  const put = (into: Float64Array, at: number, siemens: number): void => {
    into[at] = (into[at] ?? 0) + siemens;
  };
  const sink: ElementSink = {
    resistor: (a, b, ohms) => {
      if (a === b) return;
      if (a === earth || b === earth) put(toEarth, Math.max(a, b), 1 / ohms);
      else put(branches, entryOf(a, b), 1 / ohms);
    },
    leak: () => {},
    capacitor: () => {},
    source: () => {},
  };
  return { branches, toEarth, entryOf, sink };
}

test('what stands at sound sites is known beforehand: with it all comes to what every site handed over one by one', () => {
  fc.assert(
    fc.property(circuitInput, (input) => {
      const parsed = parseCircuit(input);
      if (parsed.kind === 'problems') throw new Error(JSON.stringify(parsed.problems));
      const network = networkOf(parsed.value);
      const { faults } = parsed.value;
      const beforehand = adding(network.nodeCount);
      new SoundSites(network, beforehand.entryOf).stamp(faults, beforehand, beforehand.sink);
      const oneByOne = adding(network.nodeCount);
      const bySite = faultsBySite(network, faults);
      for (let site = 0; site < siteCount(network); site += 1)
        emitSite(network, site, bySite.get(site) ?? [], oneByOne.sink);
      expect(beforehand.branches).toEqual(oneByOne.branches);
      expect(beforehand.toEarth).toEqual(oneByOne.toEarth);
    }),
    { numRuns: 100 },
  );
});
