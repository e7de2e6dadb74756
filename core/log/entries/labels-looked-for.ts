import { z } from 'zod';
import { idSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** Somebody looked for labels: none are there but those that are noted. */
export const labelsLookedFor = entryKind(
  'labels-looked-for',
  (envelope) => z.strictObject({ ...envelope, receptacle: idSchema() }),
  {
    receptacle: (receptacle) => {
      const { protection } = receptacle;
      receptacle.protection = { ...protection, labels: protection.labels ?? [] };
    },
  },
);
