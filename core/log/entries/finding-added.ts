import { z } from 'zod';
import { envelope } from '../envelope.ts';
import { findingKeySchema, receptaclesSchema, wording } from '../finding-schemas.ts';
import { entryKind } from './entry-kind.ts';

/** A finding that nothing proposed. */
export const findingAdded = entryKind(
  z.strictObject({
    ...envelope,
    kind: z.literal('finding-added'),
    finding: findingKeySchema,
    ...wording,
    receptacles: receptaclesSchema,
  }),
  {
    job: (job, entry) => {
      job.findingEntries = [...job.findingEntries, entry];
    },
  },
);
