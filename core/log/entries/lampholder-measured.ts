import { z } from 'zod';
import { defined } from '../drafts.ts';
import { idSchema } from '../envelope.ts';
import { withPoint } from '../house-parts.ts';
import { entryKind, fieldsOf } from './entry-kind.ts';

/** Volts from a lampholder's screw shell to ground, its switch on and off. */
export const lampholderMeasured = entryKind(
  'lampholder-measured',
  (envelope) =>
    z.strictObject({
      ...envelope,
      point: idSchema(),
      switchOn: z.number().min(0).max(1000).nullable().optional(),
      switchOff: z.number().min(0).max(1000).nullable().optional(),
    }),
  {
    job: (job, entry) => {
      const { point, ...measured } = fieldsOf(entry);
      withPoint(job, point, (before) => ({ ...before, shell: { ...before.shell, ...defined(measured) } }));
    },
  },
);
