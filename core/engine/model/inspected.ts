import { cableOf, type Fault, faultKinds } from '../../faults/index.ts';
import { type Network, panel } from '../../physics/index.ts';
import type { Cause } from './cause.ts';

/** What somebody who opened a box found in it, or looked for and did not find. */
export interface Inspected {
  /** An outlet's id, or `panel`. */
  readonly box: string;
  readonly faults: readonly Fault[];
  readonly found: boolean;
}

/** What was seen outweighs whatever readings may say, in nats. */
const seenNats = 25;
/** What was looked for in every box where it may be, and not found, is not there. */
const leastShare = 1e-9;

/**
 * The boxes in which a fault may be found, with their shares: a cable is mended in the box at either end. What is open
 * or of high resistance is at the end nearer the panel in most cases (where the splice is), what is exchanged at the
 * other (where the receptacle was connected): common practice.
 */
export function boxesOf(
  { circuit }: Network,
  fault: Fault,
): readonly (readonly [box: string, share: number])[] {
  const of = cableOf(fault);
  const cable = of === undefined ? undefined : circuit.cables.find(({ id }) => id === of);
  if (cable === undefined) return [[fault.at ?? panel, 1]];
  const near = faultKinds[fault.kind].nearerPanel;
  return [
    [cable.from, near],
    [cable.to, 1 - near],
  ];
}

type Sameness = (a: Fault, b: Fault) => boolean;

const isSameFault: Sameness = (a, b) => {
  if (a.kind !== b.kind || cableOf(a) !== cableOf(b) || a.at !== b.at) return false;
  if ('conductor' in a) return 'conductor' in b && a.conductor === b.conductor;
  return 'conductors' in b && a.conductors.every((one) => b.conductors.includes(one));
};

/** Who looked for an open conductor in a box saw whether it was a poor one, and the other way round. */
const wouldBeSeen: Sameness = (a, b) =>
  'conductor' in a && 'conductor' in b
    ? a.conductor === b.conductor && cableOf(a) === cableOf(b) && a.at === b.at
    : isSameFault(a, b);

const isSame = (some: readonly Fault[], others: readonly Fault[], as: Sameness): boolean =>
  some.length === others.length && some.every((one) => others.some((other) => as(one, other)));

/** True where it was looked for in a box, and not found. */
export const wasLookedFor = (
  inspected: readonly Inspected[],
  faults: readonly Fault[],
  box: string,
): boolean =>
  inspected.some((one) => !one.found && one.box === box && isSame(one.faults, faults, wouldBeSeen));

/** Causes with their odds as they are once boxes were opened: what was found is certain, what was not has fewer boxes left. */
export function givenWhatWasSeen(
  causes: readonly Cause[],
  inspected: readonly Inspected[],
  network: Network,
): readonly Cause[] {
  if (inspected.length === 0) return causes;
  return causes.map((cause) => {
    const { faults } = cause;
    if (inspected.some((one) => one.found && isSame(one.faults, faults, isSameFault)))
      return { ...cause, logOdds: seenNats };
    const boxes = faults.flatMap((fault) => boxesOf(network, fault));
    const total = boxes.reduce((sum, [, share]) => sum + share, 0);
    const left = boxes.reduce(
      (sum, [box, share]) => sum + (wasLookedFor(inspected, faults, box) ? 0 : share),
      0,
    );
    return left === total || total === 0
      ? cause
      : { ...cause, logOdds: cause.logOdds + Math.log(Math.max(leastShare, left / total)) };
  });
}
