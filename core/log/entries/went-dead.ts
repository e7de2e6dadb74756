import { z } from 'zod';
import { idSchema, lostBySchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** All that lost power with a device or a breaker, and whether it is back: from before `lost-power`. */
export const wentDead = entryKind(
  'went-dead',
  (envelope) =>
    z.strictObject({
      ...envelope,
      by: lostBySchema(),
      dead: z.array(idSchema()).max(300),
      powerBack: z.boolean(),
    }),
  {
    job: (job, entry) => {
      job.wentDead = [...job.wentDead, entry];
    },
  },
);
