import { z } from 'zod';
import { envelope, idSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** Somebody looked for labels: none are there but those that are noted. */
export const labelsLookedFor = entryKind(
  z.strictObject({ ...envelope, kind: z.literal('labels-looked-for'), receptacle: idSchema }),
  {
    receptacle: (receptacle) => {
      const { protection } = receptacle;
      receptacle.protection = { ...protection, labels: protection.labels ?? [] };
    },
  },
);
