import { z } from 'zod';
import { breakerSchema, idSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** Which breaker feeds a receptacle, and where along the run it comes; null takes that back. */
export const receptacleFed = entryKind(
  'receptacle-fed',
  (envelope) =>
    z.strictObject({
      ...envelope,
      receptacle: idSchema(),
      breaker: breakerSchema().nullable(),
      /** Counted from the panel; receptacles without one come last, in the order of the walk. */
      place: z.int().min(1).max(200).nullable(),
    }),
  {
    receptacle: (receptacle, { breaker, place }) => {
      Object.assign(receptacle, { breaker, place });
    },
  },
);
