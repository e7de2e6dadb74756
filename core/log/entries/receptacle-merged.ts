import { z } from 'zod';
import { envelope, idSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** One was entered twice: what stands at it counts for the other. */
export const receptacleMerged = entryKind(
  z.strictObject({ ...envelope, kind: z.literal('receptacle-merged'), receptacle: idSchema, into: idSchema }),
  {
    receptacle: (receptacle, { into }) => {
      receptacle.into = into;
    },
  },
);
