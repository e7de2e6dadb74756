import { z } from 'zod';
import { lostBySchema } from '../envelope.ts';
import { latestWith } from '../lost-by.ts';
import { entryKind } from './entry-kind.ts';

/** The power is back behind a device or a breaker; or it was tried, and it will not come back. */
export const powerRestored = entryKind(
  'power-restored',
  (envelope) =>
    z.strictObject({
      ...envelope,
      by: lostBySchema(),
      restored: z.boolean(),
    }),
  {
    job: (job, { by, restored, id, device, author, at, clock }) => {
      const dead = latestWith(job.wentDead, by)?.dead ?? [];
      const now = {
        kind: 'went-dead',
        id,
        device,
        author,
        at,
        clock,
        by,
        dead,
        powerBack: restored,
      } as const;
      job.wentDead = [...job.wentDead, restored ? now : { ...now, willNotReset: true }];
    },
  },
);
