import { z } from 'zod';
import { withCircuit } from '../circuits-said.ts';
import { defined } from '../drafts.ts';
import { breakerSchema, idSchema } from '../envelope.ts';
import { entryKind, fieldsOf } from './entry-kind.ts';

/** How a breaker's circuit is wired; each field the latest. */
export const circuitDescribed = entryKind(
  'circuit-described',
  (envelope) =>
    z.strictObject({
      ...envelope,
      breaker: breakerSchema(),
      /** Its two ends meet at the panel. */
      ring: z.boolean().optional(),
      /** The last receptacle along it; null: not known after all. */
      end: idSchema().nullable().optional(),
      /** The breaker on the other leg with which it shares its neutral; null: with none. */
      sharesWith: breakerSchema().nullable().optional(),
    }),
  {
    job: (job, entry) => {
      const { breaker, ...said } = fieldsOf(entry);
      withCircuit(job, breaker, (before) => ({ ...before, ...defined(said) }));
    },
  },
);
