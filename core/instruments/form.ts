import type { z as zod } from 'zod';
import { lampStates } from './lamps.ts';

/**
 * What the schemas of tests and readings are made with. It is handed to the forms of instruments, so that who asks only
 * what an instrument is takes no schema along; and no more of it than they need, for all of it is three times as much.
 */
export type Zod = Pick<typeof zod, 'array' | 'boolean' | 'enum' | 'literal' | 'number' | 'string'>;

export const outletId = (z: Zod) => z.string().min(1).max(64);

const volts = (z: Zod) => z.number().min(0).max(1e6);
/** Of a meter between the contacts: one pair at least, the others where they were measured too. */
export const pairsInVolts = (z: Zod) => ({
  hn: volts(z).optional(),
  hg: volts(z).optional(),
  ng: volts(z).optional(),
});
export const contactsInVolts = (z: Zod) => ({ hot: volts(z), neutral: volts(z), ground: volts(z) });
export const lampFields = (z: Zod) => ({
  hn: z.enum(lampStates),
  hg: z.enum(lampStates),
  ng: z.enum(lampStates),
});
