import { z } from 'zod';
import { conductors, legs } from '../physics/names.ts';

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
