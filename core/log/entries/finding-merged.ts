import { z } from 'zod';
import { envelope } from '../envelope.ts';
import { findingKeySchema } from '../finding-schemas.ts';
import { entryKind } from './entry-kind.ts';

/** It is reported as part of another; null: by itself again. */
export const findingMerged = entryKind(
  z.strictObject({
    ...envelope,
    kind: z.literal('finding-merged'),
    finding: findingKeySchema,
    into: findingKeySchema.nullable(),
  }),
  {
    job: (job, entry) => {
      job.findingEntries = [...job.findingEntries, entry];
    },
  },
);
