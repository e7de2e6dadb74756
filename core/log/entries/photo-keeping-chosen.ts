import { z } from 'zod';
import { entryKind } from './entry-kind.ts';

/** How many days the bytes of a photo are kept after it was taken back. */
export const photoKeepingChosen = entryKind(
  'photo-keeping-chosen',
  (envelope) =>
    z.strictObject({
      ...envelope,
      days: z.int().min(0).max(3650),
    }),
  {
    kit: (kit, { days: photoDays }) => {
      kit.firm = { ...kit.firm, photoDays };
    },
  },
);
