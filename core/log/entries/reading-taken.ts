import { z } from 'zod';
import { shownSchema } from '../../instruments/index.ts';
import { idSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** What an instrument showed. */
export const readingTaken = entryKind(
  'reading-taken',
  (envelope) =>
    z.strictObject({
      ...envelope,
      receptacle: idSchema(),
      tester: idSchema().optional(),
      shown: shownSchema(),
      /** Of a probe: whether the plate screw sounds. */
      plateScrew: z.boolean().optional(),
    }),
  {
    receptacle: (receptacle, entry) => {
      receptacle.readings = [...receptacle.readings, entry];
    },
  },
);
