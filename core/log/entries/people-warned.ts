import { z } from 'zod';
import { dangers } from '../../knowledge/observations.ts';
import { envelope, idSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** People were told to keep away. */
export const peopleWarned = entryKind(
  z.strictObject({
    ...envelope,
    kind: z.literal('people-warned'),
    receptacle: idSchema,
    danger: z.enum(dangers),
  }),
  {
    receptacle: (receptacle, entry) => {
      receptacle.warnings = [...receptacle.warnings, entry];
    },
  },
);
