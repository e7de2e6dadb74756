import { z } from 'zod';
import { shownSchema } from '../../instruments/index.ts';
import { envelope, idSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** What an instrument showed. */
export const readingTaken = entryKind(
  z.strictObject({
    ...envelope,
    kind: z.literal('reading-taken'),
    receptacle: idSchema,
    tester: idSchema.optional(),
    shown: shownSchema,
    /** Of a probe: whether the plate screw sounds. */
    plateScrew: z.boolean().optional(),
  }),
  {
    receptacle: (receptacle, entry) => {
      receptacle.readings = [...receptacle.readings, entry];
    },
  },
);
