import { z } from 'zod';
import { entryKind } from './entry-kind.ts';

/** How many receptacles are to be tested: all that can be reached, or a sample of so many. */
export const planChosen = entryKind(
  'plan-chosen',
  (envelope) =>
    z.strictObject({
      ...envelope,
      /** null: all that can be reached. */
      sample: z.int().min(1).max(2000).nullable(),
    }),
  {
    job: (job, { sample }) => {
      job.plan = { sample };
    },
  },
);
