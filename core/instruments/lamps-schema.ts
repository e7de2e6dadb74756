import { z } from 'zod';
import { lampStates } from '../circuit/names.ts';

/** Parses what three lamps show, by pair. */
export const lampsSchema = z.strictObject({
  hn: z.enum(lampStates),
  hg: z.enum(lampStates),
  ng: z.enum(lampStates),
});
