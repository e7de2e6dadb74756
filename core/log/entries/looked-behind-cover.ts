import { z } from 'zod';
import { lazily } from '../../lazily.ts';
import { conductors } from '../../physics/names.ts';
import { panelBox, withBehindCover } from '../circuits-said.ts';
import { breakerSchema, idSchema } from '../envelope.ts';
import { entryKind, fieldsOf } from './entry-kind.ts';

const seenFaultSchema = lazily(() =>
  z
    .strictObject({
      kind: z.enum(['open', 'swap', 'bond', 'resistance']),
      conductors: z.array(z.enum(conductors)).min(1).max(2),
      cableTo: idSchema().optional(),
      at: idSchema().optional(),
    })
    .refine(({ cableTo, at }) => (cableTo === undefined) !== (at === undefined), { message: 'one-site' }),
);

/** A qualified person opened a box: what was suspected was found there, or not; null takes the look back. */
export const lookedBehindCover = entryKind(
  'looked-behind-cover',
  (envelope) =>
    z.strictObject({
      ...envelope,
      breaker: breakerSchema(),
      /** A receptacle’s box, or the panel’s. */
      box: z.union([idSchema(), z.literal(panelBox)]),
      faults: z.array(seenFaultSchema()).min(1).max(12),
      found: z.boolean().nullable(),
    }),
  {
    job: (job, entry) => {
      const { found, ...seen } = fieldsOf(entry);
      withBehindCover(job, { ...seen, found: found === true, at: entry.at }, found !== null);
    },
  },
);
