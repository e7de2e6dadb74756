import { z } from 'zod';
import { envelope } from '../envelope.ts';
import { findingKeySchema } from '../finding-schemas.ts';
import { entryKind } from './entry-kind.ts';

/** Findings in the order of the report; those left out stand where their urgency puts them. */
export const findingsOrdered = entryKind(
  z.strictObject({
    ...envelope,
    kind: z.literal('findings-ordered'),
    findings: z.array(findingKeySchema).min(1).max(500),
  }),
  {
    job: (job, entry) => {
      job.findingEntries = [...job.findingEntries, entry];
    },
  },
);
