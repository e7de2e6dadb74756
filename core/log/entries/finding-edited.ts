import { z } from 'zod';
import { textSchema } from '../envelope.ts';
import { findingKeySchema, urgencySchema, workerSchema } from '../finding-schemas.ts';
import { entryKind } from './entry-kind.ts';

/** Words of the inspector's own in place of the engine's; null gives the engine's back. */
export const findingEdited = entryKind(
  'finding-edited',
  (envelope) =>
    z.strictObject({
      ...envelope,
      finding: findingKeySchema(),
      urgency: urgencySchema().nullable().optional(),
      headline: textSchema(200).nullable().optional(),
      what: textSchema(1000).nullable().optional(),
      why: textSchema(1000).nullable().optional(),
      correction: textSchema(1000).nullable().optional(),
      by: workerSchema().nullable().optional(),
      note: textSchema(1000).nullable().optional(),
    }),
  {
    job: (job, entry) => {
      job.findingEntries = [...job.findingEntries, entry];
    },
  },
);
