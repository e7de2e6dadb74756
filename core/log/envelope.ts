import { z } from 'zod';
import { lazily } from '../lazily.ts';
import { clockPattern } from './clock.ts';

/** Ids are compared as text, so only the canonical lower-case form is one. */
export const idSchema = lazily(() => z.uuidv7().lowercase());

/** UTC with milliseconds, so that the order of the text is the order in time. */
export const instantSchema = lazily(() => z.iso.datetime({ precision: 3 }));

/** An instant, and a count. */
export const clockSchema = lazily(() => z.string().regex(clockPattern));

/** One line of a person's words: not blank, and storable as it is (no NUL, no half characters). */
export const textSchema = (longest: number) =>
  z
    .string()
    .min(1)
    .max(longest)
    .refine((text) => text.trim() === text, { message: 'space-at-an-end' })
    .refine((text) => text.isWellFormed() && !text.includes('\0'), { message: 'broken-characters' });

/** A day of the calendar, such as 2026-05-04. */
export const daySchema = lazily(() => z.iso.date());

/** A zone as the time zone database names it: America/Denver. Which there are, each device knows for itself. */
export const timeZoneSchema = lazily(() =>
  z
    .string()
    .max(60)
    .regex(/^[A-Za-z]+[A-Za-z0-9_+-]*(\/[A-Za-z0-9_+-]+)*$/),
);

export const yearSchema = lazily(() => z.int().min(1700).max(2100));
/** A share of the way round a room's walls, clockwise from the corner at the top left as seen from above. */
export const spotSchema = lazily(() => z.number().min(0).lt(1));
/** Degrees, C or F, that a house and its wiring may have. */
export const degreesSchema = lazily(() => z.number().min(-80).max(3000));
/** A breaker as the panel's directory has it. */
export const breakerSchema = lazily(() => textSchema(40));

/** What took the power: a device at a receptacle, or a breaker. */
export const lostBySchema = lazily(() =>
  z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('device'), receptacle: idSchema() }),
    z.strictObject({ kind: z.literal('breaker'), breaker: breakerSchema() }),
  ]),
);

export const hashSchema = lazily(() => z.string().regex(/^[0-9a-f]{64}$/));

const link = lazily(() => ({
  // A device enters no more than that in one log.
  place: z.int().min(1).max(1_000_000),
  after: hashSchema().nullable(),
  body: hashSchema(),
}));

/** The link of an entry, in the chain of its device. */
export const linkSchema = lazily(() => z.strictObject(link()));
/** A link without its entry. */
export const bareLinkSchema = lazily(() => z.strictObject({ device: idSchema(), ...link() }));

/** Where a chain ends. */
export const chainHeadSchema = lazily(() => z.strictObject({ place: link().place, hash: hashSchema() }));

/** What every entry carries. */
export const envelope = lazily(() => ({
  id: idSchema(),
  device: idSchema(),
  author: idSchema(),
  /** The device's own time. */
  at: instantSchema(),
  /** What entries are ordered by; their time where it is left out. */
  clock: clockSchema().optional(),
  /** When the server, or whoever opened a file, had it first: what it is ordered by where its clock can be nobody's. */
  received: instantSchema().optional(),
  /** Left out by devices of before there were chains. */
  link: linkSchema().optional(),
}));
