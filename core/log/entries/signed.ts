import { z } from 'zod';
import { textSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** Drawn on screen: strokes as x, y, x, y … in thousandths of the width of the field. */
export const signed = entryKind(
  'signed',
  (envelope) =>
    z.strictObject({
      ...envelope,
      role: z.enum(['inspector', 'client']),
      name: textSchema(120),
      strokes: z
        .array(z.array(z.int().min(-1000).max(2000)).min(2).max(2000))
        .max(60)
        .refine((strokes) => strokes.every(({ length }) => length % 2 === 0), {
          message: 'odd-coordinates',
        })
        .refine((strokes) => strokes.reduce((sum, { length }) => sum + length, 0) <= 6000, {
          message: 'most:3000:points',
        }),
    }),
  {
    job: (job, entry) => {
      const at = job.signatures.findIndex(({ role }) => role === entry.role);
      job.signatures = at === -1 ? [...job.signatures, entry] : job.signatures.with(at, entry);
    },
  },
);
