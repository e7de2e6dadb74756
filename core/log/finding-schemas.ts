import { z } from 'zod';
import { conditionIds, urgencies } from '../knowledge/condition.ts';
import { workers } from '../knowledge/ways.ts';
import { lazily } from '../lazily.ts';
import { idSchema, textSchema } from './envelope.ts';

/** What a finding is called in the log: its proposal's key, or one of its own. */
export const findingKeySchema = lazily(() => textSchema(300));

export const urgencySchema = lazily(() => z.enum(urgencies));
export const workerSchema = lazily(() => z.enum(workers));
export const receptaclesSchema = lazily(() => z.array(idSchema()).max(500).readonly());

export const wording = lazily(() => ({
  urgency: urgencySchema(),
  headline: textSchema(200),
  what: textSchema(1000),
  why: textSchema(1000),
  correction: textSchema(1000),
  by: workerSchema(),
}));

/** A finding as it stood when somebody took it over: later readings do not change it. */
export const heldSchema = lazily(() =>
  z.strictObject({
    ...wording(),
    condition: z.enum(conditionIds).nullable(),
    /** That condition is only likely enough to be settled. */
    isSuspected: z.boolean().optional(),
    receptacles: receptaclesSchema(),
    /** What it said, apart from its words; left out by older applications. */
    code: textSchema(200).optional(),
    /** Where its cause sits, apart from its words. */
    place: textSchema(2000).optional(),
    /** Where its cause sits. */
    where: textSchema(400).nullable(),
  }),
);
