import { z } from 'zod';
import { findingKeySchema } from '../finding-schemas.ts';
import { entryKind } from './entry-kind.ts';

/** It is reported as part of another; null: by itself again. */
export const findingMerged = entryKind(
  'finding-merged',
  (envelope) =>
    z.strictObject({
      ...envelope,
      finding: findingKeySchema(),
      into: findingKeySchema().nullable(),
    }),
  {
    job: (job, entry) => {
      job.findingEntries = [...job.findingEntries, entry];
    },
  },
);
