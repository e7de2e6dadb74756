import type { Inspected } from '../engine/index.ts';
import { type Fault, firstOhms } from '../faults/index.ts';
import { type BehindCover, type House, type JobEntryOf, panelBox, type SeenFault } from '../log/index.ts';
import { panel } from '../physics/index.ts';
import { cableTo, type FedTogether } from './circuits.ts';

const siteOf = ({ cableTo: to, at = '' }: SeenFault) => (to === undefined ? { at } : { cable: cableTo(to) });

/** A fault as it was seen, as the engine has it. */
export function faultSeen(seen: SeenFault): Fault {
  const [conductor = 'hot', other = 'ground'] = seen.conductors;
  const site = siteOf(seen);
  switch (seen.kind) {
    case 'open':
      return { kind: 'open', conductor, ...site };
    case 'resistance':
      return { kind: 'resistance', conductor, ohms: firstOhms, ...site };
    case 'swap':
      return { kind: 'swap', conductors: [conductor, other], ...site };
    case 'bond':
      return { kind: 'bond', conductors: [conductor, other], at: seen.at ?? '' };
  }
}

/** A fault of the engine's on a guessed circuit, as it may be seen. */
export function seenFault(fault: Fault): JobEntryOf<'looked-behind-cover'>['faults'][number] {
  const conductors = 'conductor' in fault ? [fault.conductor] : [...fault.conductors];
  const { kind } = fault;
  const cable = 'cable' in fault ? fault.cable : undefined;
  return cable === undefined
    ? { kind, conductors, at: fault.at ?? '' }
    : { kind, conductors, cableTo: cable.slice(cableTo('').length) };
}

/** What was found behind the covers of a circuit, and what was not. */
export const inspectedOn = (
  { behindCovers = [] }: Pick<House, 'behindCovers'>,
  { receptacles }: Pick<FedTogether, 'receptacles'>,
): readonly Inspected[] => {
  const ids = new Set(receptacles.map(({ id }) => id));
  const isHere = ({ faults }: BehindCover): boolean =>
    faults.every(({ cableTo: to, at }) => ids.has(to ?? at ?? ''));
  return behindCovers.filter(isHere).map(({ box, faults, found }) => ({
    box: box === panelBox ? panel : box,
    faults: faults.map(faultSeen),
    found,
  }));
};
