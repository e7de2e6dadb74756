import { z } from 'zod';
import { closeOutItems } from '../../knowledge/observations.ts';
import { withItemOf } from '../drafts.ts';
import { envelope } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

export const leftAsFound = entryKind(
  z.strictObject({
    ...envelope,
    kind: z.literal('left-as-found'),
    item: z.enum(closeOutItems),
    done: z.boolean(),
  }),
  {
    job: (job, { item, done }) => {
      job.left = withItemOf(closeOutItems, job.left, item, done);
    },
  },
);
