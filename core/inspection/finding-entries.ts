import { z } from 'zod';
import { conditionIds, urgencies } from '../conditions/condition.ts';
import { workers } from '../corrections/ways.ts';
import { envelope, idSchema, textSchema } from './envelope.ts';

/** What a finding is called in the log: its proposal's key, or one of its own. */
export const findingKeySchema = textSchema(300);

const urgencySchema = z.enum(urgencies);
const workerSchema = z.enum(Object.keys(workers) as [keyof typeof workers, ...(keyof typeof workers)[]]);
const receptaclesSchema = z.array(idSchema).max(500);

const wording = {
  urgency: urgencySchema,
  headline: textSchema(200),
  what: textSchema(1000),
  why: textSchema(1000),
  correction: textSchema(1000),
  by: workerSchema,
};

/** A finding as it stood when somebody took it over: later readings do not change it. */
export const heldSchema = z.strictObject({
  ...wording,
  condition: z.enum(conditionIds).nullable(),
  /** That condition is only likely enough to be settled. */
  isSuspected: z.boolean().optional(),
  receptacles: receptaclesSchema,
  /** Where its cause sits. */
  where: textSchema(400).nullable(),
});

/** What was decided on a proposal: taken over as it stands, refused with a reason, or open again. */
export const findingDecidedSchema = z.discriminatedUnion('decision', [
  z.strictObject({
    ...envelope,
    kind: z.literal('finding-decided'),
    finding: findingKeySchema,
    decision: z.literal('accepted'),
    held: heldSchema,
  }),
  z.strictObject({
    ...envelope,
    kind: z.literal('finding-decided'),
    finding: findingKeySchema,
    decision: z.literal('refused'),
    reason: textSchema(500),
    held: heldSchema,
  }),
  z.strictObject({
    ...envelope,
    kind: z.literal('finding-decided'),
    finding: findingKeySchema,
    decision: z.literal('open'),
  }),
]);

/** Words of the inspector's own in place of the engine's; null gives the engine's back. */
export const findingEditedSchema = z.strictObject({
  ...envelope,
  kind: z.literal('finding-edited'),
  finding: findingKeySchema,
  urgency: urgencySchema.nullable().optional(),
  headline: textSchema(200).nullable().optional(),
  what: textSchema(1000).nullable().optional(),
  why: textSchema(1000).nullable().optional(),
  correction: textSchema(1000).nullable().optional(),
  by: workerSchema.nullable().optional(),
  note: textSchema(1000).nullable().optional(),
});

/** A finding that nothing proposed. */
export const findingAddedSchema = z.strictObject({
  ...envelope,
  kind: z.literal('finding-added'),
  finding: findingKeySchema,
  ...wording,
  receptacles: receptaclesSchema,
});

/** Some of its receptacles become a finding of their own. */
export const findingSplitSchema = z.strictObject({
  ...envelope,
  kind: z.literal('finding-split'),
  finding: findingKeySchema,
  part: findingKeySchema,
  receptacles: z.array(idSchema).min(1).max(500),
});

/** It is reported as part of another; null: by itself again. */
export const findingMergedSchema = z.strictObject({
  ...envelope,
  kind: z.literal('finding-merged'),
  finding: findingKeySchema,
  into: findingKeySchema.nullable(),
});

/** Findings in the order of the report; those left out stand where their urgency puts them. */
export const findingsOrderedSchema = z.strictObject({
  ...envelope,
  kind: z.literal('findings-ordered'),
  findings: z.array(findingKeySchema).min(1).max(500),
});

/** Drawn on screen: strokes as x, y, x, y … in thousandths of the width of the field. */
export const signedSchema = z.strictObject({
  ...envelope,
  kind: z.literal('signed'),
  role: z.enum(['inspector', 'client']),
  name: textSchema(120),
  strokes: z
    .array(z.array(z.int().min(-1000).max(2000)).min(2).max(2000))
    .max(60)
    .refine((strokes) => strokes.every(({ length }) => length % 2 === 0), {
      message: 'expected x and y of every point',
    })
    .refine((strokes) => strokes.reduce((sum, { length }) => sum + length, 0) <= 6000, {
      message: 'expected at most 3000 points',
    }),
});

export const findingEntrySchemas = [
  findingDecidedSchema,
  findingEditedSchema,
  findingAddedSchema,
  findingSplitSchema,
  findingMergedSchema,
  findingsOrderedSchema,
] as const;
