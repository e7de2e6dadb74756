import { z } from 'zod';
import { textSchema, yearSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** Something was added to the house or made over; or it was not, after all. */
export const alterationNoted = entryKind(
  'alteration-noted',
  (envelope) =>
    z.strictObject({
      ...envelope,
      year: yearSchema(),
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
