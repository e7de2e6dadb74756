import { z } from 'zod';
import { dangers } from '../../knowledge/observations.ts';
import { idSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** People were told to keep away. */
export const peopleWarned = entryKind(
  'people-warned',
  (envelope) =>
    z.strictObject({
      ...envelope,
      receptacle: idSchema(),
      danger: z.enum(dangers),
    }),
  {
    receptacle: (receptacle, entry) => {
      receptacle.warnings = [...receptacle.warnings, entry];
    },
  },
);
