import { z } from 'zod';
import { looks } from '../../knowledge/observations.ts';
import { withItemOf } from '../drafts.ts';
import { idSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

export const lookNoted = entryKind(
  'look-noted',
  (envelope) =>
    z.strictObject({
      ...envelope,
      receptacle: idSchema(),
      look: z.enum(looks),
      seen: z.boolean(),
    }),
  {
    receptacle: (receptacle, { look, seen }) => {
      receptacle.looks = withItemOf(looks, receptacle.looks, look, seen);
    },
  },
);
