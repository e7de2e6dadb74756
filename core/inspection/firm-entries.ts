import { z } from 'zod';
import { conditionIds } from '../conditions/condition.ts';
import { referenceIds } from '../corrections/references.ts';
import { questionIds, questions } from '../corrections/schools.ts';
import { envelope, textSchema } from './envelope.ts';

/** A picture small enough to travel with the log: the letterhead's mark, as a data address. */
const markSchema = z
  .string()
  .max(80_000)
  .regex(/^data:image\/(png|jpeg);base64,[A-Za-z0-9+/]+={0,2}$/, 'expected a PNG or JPEG picture');

/** What stands at the head of every report; each field the latest, null takes it back. */
export const letterheadDescribedSchema = z.strictObject({
  ...envelope,
  kind: z.literal('letterhead-described'),
  /** Address, telephone and whatever else stands below the firm's name. */
  lines: textSchema(400).nullable().optional(),
  licence: textSchema(120).nullable().optional(),
  mark: markSchema.nullable().optional(),
});

const viewSchema = z.enum(
  questionIds.flatMap((id) => Object.keys(questions[id].views)) as [string, ...string[]],
);

/** How the firm decides where practitioners differ, and what it works under. */
export const practiceChosenSchema = z.strictObject({
  ...envelope,
  kind: z.literal('practice-chosen'),
  schools: z
    .partialRecord(z.enum(questionIds as [string, ...string[]]), viewSchema)
    .refine(
      (schools) =>
        questionIds.every((id) => {
          const view = schools[id];
          return view === undefined || Object.hasOwn(questions[id].views, view);
        }),
      { message: 'expected a view of that question' },
    )
    .optional(),
  /** Edition of the code in force, such as "2023". */
  edition: textSchema(40).nullable().optional(),
  /** References that somebody has read in that edition. */
  checked: z
    .array(z.enum(referenceIds as [string, ...string[]]))
    .max(100)
    .optional(),
  groundFaultRules: z.enum(['us', 'off']).optional(),
  /** The standard of practice that inspections follow. */
  standard: textSchema(200).nullable().optional(),
});

export const wordingPlaces = ['introduction', 'method', 'closing'] as const;
export type WordingPlace = (typeof wordingPlaces)[number];

/** The firm's own words: at a place of the report, or for the correction of a condition; null gives the usual ones back. */
export const wordingSavedSchema = z.strictObject({
  ...envelope,
  kind: z.literal('wording-saved'),
  of: z.union([z.enum(wordingPlaces), z.strictObject({ correctionOf: z.enum(conditionIds) })]),
  text: textSchema(4000).nullable(),
});

export const firmEntrySchemas = [
  letterheadDescribedSchema,
  practiceChosenSchema,
  wordingSavedSchema,
] as const;
/** Kinds of entries that only an owner of the firm may make. */
export const ownersKinds: readonly string[] = ['letterhead-described', 'practice-chosen', 'wording-saved'];
