import { z } from 'zod';
import { lampFields } from './form.ts';
import { parts } from './state-schema.ts';

/** Parses what three lamps show, by pair. */
export const lampsSchema = z.strictObject(lampFields(parts));
