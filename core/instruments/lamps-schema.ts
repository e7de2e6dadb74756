import { z } from 'zod';
import { lampFields } from './form.ts';

/** Parses what three lamps show, by pair. */
export const lampsSchema = z.strictObject(lampFields(z));
