import { z } from 'zod';
import { envelope, textSchema, yearSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** Something was added to the house or made over; or it was not, after all. */
export const alterationNoted = entryKind(
  z.strictObject({
    ...envelope,
    kind: z.literal('alteration-noted'),
    year: yearSchema,
    what: textSchema(80),
    made: z.boolean(),
  }),
  {
    job: (job, { year, what, made }) => {
      const others = job.alterations.filter((one) => one.year !== year || one.what !== what);
      job.alterations = made ? [...others, { year, what }].sort((a, b) => a.year - b.year) : others;
    },
  },
);
