import { z } from 'zod';
import { lazily } from '../lazily.ts';
import { outletId as outletIdOf, type Zod } from './form.ts';

// What the schemas of tests and readings share.

/** What forms are made with. */
export const parts: Zod = {
  array: z.array,
  boolean: z.boolean,
  enum: z.enum,
  literal: z.literal,
  number: z.number,
  string: z.string,
};

export const outletId = lazily(() => outletIdOf(parts));

/** The state of a circuit while a test is made, where it differs from the file's. */
export const stateSchema = lazily(() =>
  z.strictObject({
    /** Everything on the circuit unplugged or switched off. */
    loadsOff: z.boolean().optional(),
    breakerOff: z.boolean().optional(),
    /** Outlets whose protection devices are taken as tripped. */
    tripped: z.array(outletId()).max(10_000).optional(),
  }),
);
export type TestState = Readonly<z.infer<ReturnType<typeof stateSchema>>>;

export const trippedBefore = lazily(() => z.array(outletId()).max(10_000).optional());
