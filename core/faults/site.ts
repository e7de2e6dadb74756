import type { Conductor, Leg } from '../physics/names.ts';
import type { Wire } from '../physics/wired-circuit.ts';

/** A fault in one conductor; where a hot has no leg, it is in every hot of the site. */
interface InConductor {
  readonly conductor: Conductor;
  readonly leg?: Leg | undefined;
}

export const concerns = (fault: InConductor, wire: Wire): boolean =>
  fault.conductor === 'hot'
    ? wire === 'L1'
      ? fault.leg !== 'L2'
      : wire === 'L2' && fault.leg !== 'L1'
    : fault.conductor === wire;

export const isSameConductor = (a: InConductor, b: InConductor): boolean =>
  a.conductor === b.conductor && (a.leg === b.leg || a.leg === undefined || b.leg === undefined);
