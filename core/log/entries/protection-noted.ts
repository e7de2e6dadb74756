import { z } from 'zod';
import { protectionLabels } from '../../knowledge/observations.ts';
import { defined } from '../drafts.ts';
import { idSchema, textSchema, yearSchema } from '../envelope.ts';
import { entryKind, fieldsOf } from './entry-kind.ts';

/** What stands at a protected receptacle or its device; each field the latest. */
export const protectionNoted = entryKind(
  'protection-noted',
  (envelope) =>
    z.strictObject({
      ...envelope,
      receptacle: idSchema(),
      /** All labels on it: from before `label-noted`. */
      labels: z.array(z.enum(protectionLabels)).max(2).optional(),
      /** Where its reset is, where it is not here. */
      resetAt: textSchema(80).nullable().optional(),
      lockedOut: z.boolean().optional(),
      /** Year on the device. */
      madeIn: yearSchema().nullable().optional(),
    }),
  {
    receptacle: (receptacle, entry) => {
      receptacle.protection = { ...receptacle.protection, ...defined(fieldsOf(entry)) };
    },
  },
);
