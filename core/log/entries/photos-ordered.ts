import { z } from 'zod';
import { idSchema } from '../envelope.ts';
import { inOrderOf } from '../photos.ts';
import { entryKind } from './entry-kind.ts';

/** Photos of one thing in their order: the first of them is the one that a finding shows. */
export const photosOrdered = entryKind(
  'photos-ordered',
  (envelope) =>
    z.strictObject({
      ...envelope,
      photos: z.array(idSchema()).min(1).max(200),
    }),
  {
    job: (job, { photos }) => {
      if (job.photos !== undefined) job.photos = inOrderOf(job.photos, photos);
    },
  },
);
