import { z } from 'zod';
import { heavyLoads } from '../../knowledge/house-parts.ts';
import { defined } from '../drafts.ts';
import { textSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** What runs while spots are looked at for heat, and who agreed to it. */
export const loadPlanned = entryKind(
  'load-planned',
  (envelope) =>
    z.strictObject({
      ...envelope,
      load: z.enum(heavyLoads),
      planned: z.boolean(),
      agreedBy: textSchema(80).optional(),
    }),
  {
    job: (job, { load, planned, agreedBy }) => {
      const others = (job.parts.loadPlan ?? []).filter((one) => one.load !== load);
      const own = planned ? [{ load, ...defined({ agreedBy }) }] : [];
      const plan = heavyLoads.flatMap((id) => [...others, ...own].filter((one) => one.load === id));
      job.parts = { ...job.parts, loadPlan: plan };
    },
  },
);
