import { z } from 'zod';
import { lazily } from '../lazily.ts';
import { lampFields } from './form.ts';
import { parts } from './state-schema.ts';

/** Parses what three lamps show, by pair. */
export const lampsSchema = lazily(() => z.strictObject(lampFields(parts)));
