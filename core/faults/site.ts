import { z } from 'zod';
import { type Conductor, conductors, type Leg, legs } from '../physics/names.ts';
import type { Wire } from '../physics/wired-circuit.ts';

// What the schemas of faults share: a fault is in a cable, or in the box of an outlet.

export const siteId = z.string().min(1).max(64);
export const conductor = z.enum(conductors);
export const twoConductors = z
  .tuple([conductor, conductor])
  .refine(([a, b]) => a !== b, { message: 'two-conductors' });
export const site = { cable: siteId.optional(), at: siteId.optional() };
export const oneSite = (fault: { cable?: string | undefined; at?: string | undefined }): boolean =>
  (fault.cable === undefined) !== (fault.at === undefined);
export const oneSiteMessage = { message: 'one-site' };
export const leg = z.enum(legs).optional();

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
