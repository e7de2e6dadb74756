import { z } from 'zod';
import { withItem } from '../drafts.ts';
import { idSchema } from '../envelope.ts';
import { withPoint } from '../house-parts.ts';
import { entryKind } from './entry-kind.ts';

/** A switch turns a receptacle on and off, or does not. */
export const switchLinked = entryKind(
  'switch-linked',
  (envelope) =>
    z.strictObject({
      ...envelope,
      point: idSchema(),
      outlet: idSchema(),
      linked: z.boolean(),
    }),
  {
    job: (job, { point, outlet, linked }) => {
      withPoint(job, point, (before) => ({
        ...before,
        receptacles: withItem(before.receptacles, outlet, linked),
      }));
    },
  },
);
