import { z } from 'zod';
import { withItem } from '../drafts.ts';
import { textSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** Equipment that must not lose power; or may, after all. */
export const keptPowered = entryKind(
  'kept-powered',
  (envelope) =>
    z.strictObject({
      ...envelope,
      equipment: textSchema(60),
      kept: z.boolean(),
    }),
  {
    job: (job, { equipment, kept }) => {
      job.keepPowered = withItem(job.keepPowered, equipment, kept);
    },
  },
);
