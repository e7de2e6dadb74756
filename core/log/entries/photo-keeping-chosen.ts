import { z } from 'zod';
import { envelope } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** How many days the bytes of a photo are kept after it was taken back. */
export const photoKeepingChosen = entryKind(
  z.strictObject({
    ...envelope,
    kind: z.literal('photo-keeping-chosen'),
    days: z.int().min(0).max(3650),
  }),
  {
    kit: (kit, { days: photoDays }) => {
      kit.firm = { ...kit.firm, photoDays };
    },
  },
);
