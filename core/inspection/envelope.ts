import { z } from 'zod';
import { clockSchema } from './clock.ts';

/** Ids are compared as text, so only the canonical lower-case form is one. */
export const idSchema = z.uuidv7().lowercase();

/** UTC with milliseconds, so that the order of the text is the order in time. */
export const instantSchema = z.iso.datetime({ precision: 3 });

/** One line of a person's words: not blank, and storable as it is (no NUL, no half characters). */
export const textSchema = (longest: number) =>
  z
    .string()
    .min(1)
    .max(longest)
    .refine((text) => text.trim() === text, { message: 'expected no space at either end' })
    .refine((text) => text.isWellFormed() && !text.includes('\0'), { message: 'expected whole characters' });

/** What every entry carries. */
export const envelope = {
  id: idSchema,
  device: idSchema,
  author: idSchema,
  /** The device's own time. */
  at: instantSchema,
  /** What entries are ordered by; their time where it is left out. */
  clock: clockSchema.optional(),
};
