import { z } from 'zod';
import { readingSchema, trippedBefore } from '../instruments/index.ts';

export const readingsSchema = z.strictObject({
  format: z.literal('fair-plug/readings@1'),
  readings: z.array(readingSchema()).max(100_000),
  /** Protection devices that tripped by themselves before any instrument was used. */
  trippedBefore: trippedBefore(),
});
export type ReadingsFile = Readonly<z.infer<typeof readingsSchema>>;
