import { z } from 'zod';
import { idSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** Receptacles that look as if they had one cause have not; or may have, after all. */
export const setApart = entryKind(
  'set-apart',
  (envelope) =>
    z.strictObject({
      ...envelope,
      receptacles: z.array(idSchema()).min(2).max(300),
      apart: z.boolean(),
    }),
  {
    job: (job, { receptacles, apart }) => {
      const key = receptacles.toSorted().join();
      const others = (job.apart ?? []).filter((one) => one.toSorted().join() !== key);
      job.apart = apart ? [...others, receptacles] : others;
    },
  },
);
