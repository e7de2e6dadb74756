import { z } from 'zod';
import { lampsSchema } from '../../instruments/lamps-schema.ts';
import { idSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** Plain lamps, from before they were a reading like every other. */
export const lampsRead = entryKind(
  'lamps-read',
  (envelope) =>
    z.strictObject({
      ...envelope,
      receptacle: idSchema(),
      tester: idSchema().optional(),
      lamps: lampsSchema(),
    }),
  {
    receptacle: (receptacle, { lamps, ...entry }) => {
      const reading = { ...entry, kind: 'reading-taken', shown: { instrument: 'lamps', ...lamps } } as const;
      receptacle.readings = [...receptacle.readings, reading];
    },
  },
);
