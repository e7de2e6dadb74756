import { z } from 'zod';
import { pointSigns } from '../../knowledge/house-parts.ts';
import { withItemOf } from '../drafts.ts';
import { idSchema } from '../envelope.ts';
import { withPoint } from '../house-parts.ts';
import { entryKind } from './entry-kind.ts';

export const pointSignNoted = entryKind(
  'point-sign-noted',
  (envelope) =>
    z.strictObject({
      ...envelope,
      point: idSchema(),
      sign: z.enum(pointSigns),
      seen: z.boolean(),
    }),
  {
    job: (job, { point, sign, seen }) => {
      withPoint(job, point, (before) => ({
        ...before,
        signs: withItemOf(pointSigns, before.signs, sign, seen),
      }));
    },
  },
);
