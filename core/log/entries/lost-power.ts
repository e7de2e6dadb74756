import { z } from 'zod';
import { withItem } from '../drafts.ts';
import { idSchema, lostBySchema } from '../envelope.ts';
import { latestWith } from '../lost-by.ts';
import { entryKind } from './entry-kind.ts';

/** A receptacle is dead with a device or a breaker; or it is not, after all. */
export const lostPower = entryKind(
  'lost-power',
  (envelope) =>
    z.strictObject({
      ...envelope,
      by: lostBySchema(),
      /** Not `receptacle`: what it says is of the device or the breaker. */
      outlet: idSchema(),
      lost: z.boolean(),
    }),
  {
    job: (job, { by, outlet, lost, id, device, author, at, clock }) => {
      const before = latestWith(job.wentDead, by);
      const dead = withItem(before?.dead ?? [], outlet, lost);
      // Power that was back is not gone because one was taken off the list.
      const powerBack = lost ? false : (before?.powerBack ?? false);
      const now = { kind: 'went-dead', id, device, author, at, clock, by, dead, powerBack } as const;
      job.wentDead = [...job.wentDead, now];
    },
  },
);
