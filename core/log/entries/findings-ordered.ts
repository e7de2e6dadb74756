import { z } from 'zod';
import { findingKeySchema } from '../finding-schemas.ts';
import { entryKind } from './entry-kind.ts';

/** Findings in the order of the report; those left out stand where their urgency puts them. */
export const findingsOrdered = entryKind(
  'findings-ordered',
  (envelope) =>
    z.strictObject({
      ...envelope,
      findings: z.array(findingKeySchema()).min(1).max(500),
    }),
  {
    job: (job, entry) => {
      job.findingEntries = [...job.findingEntries, entry];
    },
  },
);
