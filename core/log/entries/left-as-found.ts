import { z } from 'zod';
import { closeOutItems } from '../../knowledge/observations.ts';
import { withItemOf } from '../drafts.ts';
import { entryKind } from './entry-kind.ts';

export const leftAsFound = entryKind(
  'left-as-found',
  (envelope) =>
    z.strictObject({
      ...envelope,
      item: z.enum(closeOutItems),
      done: z.boolean(),
    }),
  {
    job: (job, { item, done }) => {
      job.left = withItemOf(closeOutItems, job.left, item, done);
    },
  },
);
