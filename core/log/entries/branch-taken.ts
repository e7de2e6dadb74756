import { z } from 'zod';
import { idSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** The receptacle that another is fed from, where that is not the one before it along the run; null takes that back. */
export const branchTaken = entryKind(
  'branch-taken',
  (envelope) =>
    z.strictObject({
      ...envelope,
      receptacle: idSchema(),
      from: idSchema().nullable(),
    }),
  {
    receptacle: (receptacle, { from }) => {
      if (from === null) delete receptacle.fedFrom;
      else receptacle.fedFrom = from;
    },
  },
);
