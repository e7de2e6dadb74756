import { z } from 'zod';
import { leavingItems } from '../../knowledge/observations.ts';
import { withItemOf } from '../drafts.ts';
import { envelope } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

export const leftAsFound = entryKind(
  z.strictObject({
    ...envelope,
    kind: z.literal('left-as-found'),
    item: z.enum(leavingItems),
    done: z.boolean(),
  }),
  {
    job: (job, { item, done }) => {
      job.left = withItemOf(leavingItems, job.left, item, done);
    },
  },
);
