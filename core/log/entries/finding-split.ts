import { z } from 'zod';
import { idSchema } from '../envelope.ts';
import { findingKeySchema } from '../finding-schemas.ts';
import { entryKind } from './entry-kind.ts';

/** Some of its receptacles become a finding of their own. */
export const findingSplit = entryKind(
  'finding-split',
  (envelope) =>
    z.strictObject({
      ...envelope,
      finding: findingKeySchema(),
      part: findingKeySchema(),
      receptacles: z.array(idSchema()).min(1).max(500),
    }),
  {
    job: (job, entry) => {
      job.findingEntries = [...job.findingEntries, entry];
    },
  },
);
