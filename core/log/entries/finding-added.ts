import { z } from 'zod';
import { findingKeySchema, receptaclesSchema, wording } from '../finding-schemas.ts';
import { entryKind } from './entry-kind.ts';

/** A finding that nothing proposed. */
export const findingAdded = entryKind(
  'finding-added',
  (envelope) =>
    z.strictObject({
      ...envelope,
      finding: findingKeySchema(),
      ...wording(),
      receptacles: receptaclesSchema(),
    }),
  {
    job: (job, entry) => {
      job.findingEntries = [...job.findingEntries, entry];
    },
  },
);
