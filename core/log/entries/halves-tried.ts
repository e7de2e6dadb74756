import { z } from 'zod';
import { idSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** Both halves of a receptacle were tried, and whether they read alike. */
export const halvesTried = entryKind(
  'halves-tried',
  (envelope) => z.strictObject({ ...envelope, receptacle: idSchema(), alike: z.boolean() }),
  {
    receptacle: (receptacle, { alike, at }) => {
      receptacle.halves = { alike, at };
    },
  },
);
