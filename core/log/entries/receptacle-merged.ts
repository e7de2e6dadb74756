import { z } from 'zod';
import { idSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** One was entered twice: what stands at it counts for the other. */
export const receptacleMerged = entryKind(
  'receptacle-merged',
  (envelope) => z.strictObject({ ...envelope, receptacle: idSchema(), into: idSchema() }),
  {
    receptacle: (receptacle, { into }) => {
      receptacle.into = into;
    },
  },
);
