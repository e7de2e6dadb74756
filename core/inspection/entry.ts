import { z } from 'zod';
import { shownSchema } from '../circuit/tests-and-readings.ts';
import { lampsSchema } from '../instruments/lamps-schema.ts';
import { testerLayoutSchema } from '../instruments/tester-layout.ts';

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

const envelope = { id: idSchema, device: idSchema, author: idSchema, at: instantSchema };

export const jobDescribedSchema = z.strictObject({
  ...envelope,
  kind: z.literal('job-described'),
  address: textSchema(200).optional(),
  client: textSchema(120).optional(),
  yearBuilt: z.int().min(1700).max(2100).optional(),
  about: textSchema(400).optional(),
  /** Whether the branch wiring has grounds; null: not known. */
  groundedWiring: z.boolean().nullable().optional(),
});

export const roomDescribedSchema = z.strictObject({
  ...envelope,
  kind: z.literal('room-described'),
  room: idSchema,
  name: textSchema(60),
});

export const receptacleDescribedSchema = z.strictObject({
  ...envelope,
  kind: z.literal('receptacle-described'),
  receptacle: idSchema,
  room: idSchema,
  name: textSchema(60),
});

export const lampsReadSchema = z.strictObject({
  ...envelope,
  kind: z.literal('lamps-read'),
  receptacle: idSchema,
  tester: idSchema.optional(),
  lamps: lampsSchema,
});

/** What an instrument other than the plain lamps showed, or lamps in another state of the circuit. */
export const readingTakenSchema = z.strictObject({
  ...envelope,
  kind: z.literal('reading-taken'),
  receptacle: idSchema,
  tester: idSchema.optional(),
  shown: shownSchema,
});

/** Which breaker feeds a receptacle, and where along the run it comes; null takes that back. */
export const receptacleFedSchema = z.strictObject({
  ...envelope,
  kind: z.literal('receptacle-fed'),
  receptacle: idSchema,
  /** As the panel's directory has it. */
  breaker: textSchema(40).nullable(),
  /** Counted from the panel; receptacles without one come last, in the order of the walk. */
  place: z.int().min(1).max(200).nullable(),
});

/** Takes entries back: they stay in the log and no longer count. A withdrawal itself is not taken back. */
export const withdrawnSchema = z.strictObject({
  ...envelope,
  kind: z.literal('withdrawn'),
  entries: z.array(idSchema).min(1).max(20),
});

export const testerDescribedSchema = z.strictObject({
  ...envelope,
  kind: z.literal('tester-described'),
  tester: idSchema,
  name: textSchema(60),
  layout: testerLayoutSchema,
});

/** An entry in the log of one inspection. */
export const jobEntrySchema = z.discriminatedUnion('kind', [
  jobDescribedSchema,
  roomDescribedSchema,
  receptacleDescribedSchema,
  lampsReadSchema,
  readingTakenSchema,
  receptacleFedSchema,
  withdrawnSchema,
]);

/** An entry in the log of a firm's kit. */
export const kitEntrySchema = z.discriminatedUnion('kind', [testerDescribedSchema, withdrawnSchema]);

export type JobEntry = Readonly<z.infer<typeof jobEntrySchema>>;
export type KitEntry = Readonly<z.infer<typeof kitEntrySchema>>;
export type LampsRead = Readonly<z.infer<typeof lampsReadSchema>>;
export type ReadingTaken = Readonly<z.infer<typeof readingTakenSchema>>;
export type Entry = JobEntry | KitEntry;

/** What an entry says, before it is given an id, a device, an author and a time. */
type Said<E> = E extends unknown ? Omit<E, keyof typeof envelope> : never;
export type Statement = Said<Entry>;
export type JobStatement = Said<JobEntry>;
export type KitStatement = Said<KitEntry>;
