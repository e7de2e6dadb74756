import { cableOf, type Fault } from '../../faults/index.ts';
import { type Network, panel } from '../../physics/index.ts';
import type { Cause } from '../model/cause.ts';
import { boxesOf, type Inspected, wasLookedFor } from '../model/inspected.ts';
import type { WeighedExplanation } from './posterior.ts';

/** Where the leading explanations have their causes. */
export interface Localization {
  /** The two ends that enclose every site; the same outlet twice where it is in one box. */
  readonly between: readonly [string, string];
  /** "cable c2", "den-1 terminals": the most probable first. */
  readonly sites: readonly string[];
  /** How probable it is that the thing to be mended is found in each box, the most probable first. */
  readonly boxes: readonly { readonly at: string; readonly probability: number }[];
}

/** Sites with less of the leading group's probability than this are left out. */
const worthNaming = 0.05;

interface Site {
  readonly name: string;
  /** From the panel outward. */
  readonly ends: readonly [string, string];
  /** Boxes in which it may be mended, with their shares. */
  readonly boxes: readonly (readonly [string, number])[];
}

function siteOf(network: Network, fault: Fault, inspected: readonly Inspected[]): Site {
  const { circuit } = network;
  const of = cableOf(fault);
  const cable = of === undefined ? undefined : circuit.cables.find(({ id }) => id === of);
  const boxes = boxesOf(network, fault);
  if (cable === undefined) {
    const at = fault.at ?? panel;
    return { name: `${at} terminals`, ends: [at, at], boxes };
  }
  // Where it was looked for and not found, it is not.
  const left = boxes.filter(([box]) => !wasLookedFor(inspected, [fault], box));
  const total = left.reduce((sum, [, share]) => sum + share, 0);
  return {
    name: `cable ${cable.id}`,
    ends: [cable.from, cable.to],
    boxes: left.length === 0 ? boxes : left.map(([box, share]) => [box, share / total]),
  };
}

const add = (sums: Map<string, number>, name: string, amount: number): void => {
  sums.set(name, (sums.get(name) ?? 0) + amount);
};
const byProbability = ([, a]: readonly [string, number], [, b]: readonly [string, number]): number => b - a;

/** An explanation that cannot be told from the leading one, with the one cause that stands in place of another's. */
interface Alternative {
  readonly cause: Cause;
  readonly probability: number;
}

/** What may stand in the place of one cause of the leading explanation, itself included, all else being the same. */
function alternativesTo(cause: Cause, explanations: readonly WeighedExplanation[]): readonly Alternative[] {
  const others = new Set(explanations[0]?.hypothesis.causes.filter((one) => one !== cause));
  return explanations.flatMap(({ group, hypothesis, probability }) => {
    const left = hypothesis.causes.filter((one) => !others.has(one));
    const [only] = left;
    const isAlike = group === 1 && left.length === 1 && hypothesis.causes.length === others.size + 1;
    return isAlike && only !== undefined ? [{ cause: only, probability }] : [];
  });
}

/** Where one cause of the leading explanation sits, over all explanations that cannot be told from it. */
export function localize(
  network: Network,
  explanations: readonly WeighedExplanation[],
  cause: Cause,
  inspected: readonly Inspected[] = [],
): Localization | null {
  const alike = alternativesTo(cause, explanations).filter(({ cause: { faults } }) => faults.length > 0);
  if (alike.length === 0) return null;
  const total = alike.reduce((sum, { probability }) => sum + probability, 0);
  const sites = new Map<string, number>();
  const boxes = new Map<string, number>();
  const ends: [string, string][] = [];
  for (const { cause: one, probability } of alike) {
    const share = probability / total;
    const here = new Map(
      one.faults.map((fault) => {
        const site = siteOf(network, fault, inspected);
        return [site.name, site] as const;
      }),
    );
    for (const site of here.values()) {
      add(sites, site.name, share);
      for (const [box, part] of site.boxes) add(boxes, box, (share * part) / here.size);
      if (share >= worthNaming) ends.push([...site.ends]);
    }
  }
  const depth = (name: string): number =>
    name === panel ? 0 : (network.topology.depth[network.topology.outletIndex.get(name) ?? -1] ?? 0);
  const [nearest] = ends.map(([from]) => from).sort((a, b) => depth(a) - depth(b));
  const [farthest] = ends.map(([, to]) => to).sort((a, b) => depth(b) - depth(a));
  return {
    between: [nearest ?? panel, farthest ?? panel],
    sites: [...sites]
      .filter(([, probability]) => probability >= worthNaming)
      .sort(byProbability)
      .map(([name]) => name),
    boxes: [...boxes].sort(byProbability).map(([at, probability]) => ({ at, probability })),
  };
}

/** A place without words, the same as long as it is said the same, whatever becomes of the shares. */
export const placeCode = ({ between, sites, boxes }: Localization): string =>
  [...between, ...sites, ...(boxes.length > 1 ? boxes.slice(0, 1) : []).map(({ at }) => at)].join('|');
