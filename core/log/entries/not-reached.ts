import { z } from 'zod';
import { notReachedReasons } from '../../knowledge/observations.ts';
import { idSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** A reason why it was not reached; null takes it back. */
export const notReached = entryKind(
  'not-reached',
  (envelope) =>
    z.strictObject({
      ...envelope,
      receptacle: idSchema(),
      reason: z.enum(notReachedReasons).nullable(),
    }),
  {
    receptacle: (receptacle, { reason }) => {
      receptacle.notReached = reason;
    },
  },
);
