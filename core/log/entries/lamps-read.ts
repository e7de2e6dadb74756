import { z } from 'zod';
import { lampsSchema } from '../../instruments/lamps-schema.ts';
import { envelope, idSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** Plain lamps, from before they were a reading like every other. */
export const lampsRead = entryKind(
  z.strictObject({
    ...envelope,
    kind: z.literal('lamps-read'),
    receptacle: idSchema,
    tester: idSchema.optional(),
    lamps: lampsSchema,
  }),
  {
    receptacle: (receptacle, { lamps, ...entry }) => {
      const reading = { ...entry, kind: 'reading-taken', shown: { instrument: 'lamps', ...lamps } } as const;
      receptacle.readings = [...receptacle.readings, reading];
    },
  },
);
