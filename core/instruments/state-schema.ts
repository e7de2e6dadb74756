import { z } from 'zod';
import { outletId as outletIdOf } from './form.ts';

// What the schemas of tests and readings share.

export const outletId = outletIdOf(z);

/** The state of a circuit while a test is made, where it differs from the file's. */
export const stateSchema = z.strictObject({
  /** Everything on the circuit unplugged or switched off. */
  loadsOff: z.boolean().optional(),
  breakerOff: z.boolean().optional(),
  /** Outlets whose protection devices are taken as tripped. */
  tripped: z.array(outletId).max(10_000).optional(),
});
export type TestState = Readonly<z.infer<typeof stateSchema>>;

export const trippedBefore = z.array(outletId).max(10_000).optional();
