import { z } from 'zod';
import { textSchema } from '../envelope.ts';
import { findingKeySchema, heldSchema } from '../finding-schemas.ts';
import { entryKind } from './entry-kind.ts';

/** What was decided on a proposal: taken over as it stands, refused with a reason, or open again. */
export const findingDecided = entryKind(
  'finding-decided',
  (envelope) => {
    const decided = { ...envelope, finding: findingKeySchema() };
    return z.discriminatedUnion('decision', [
      z.strictObject({ ...decided, decision: z.literal('accepted'), held: heldSchema() }),
      z.strictObject({
        ...decided,
        decision: z.literal('refused'),
        reason: textSchema(500),
        held: heldSchema(),
      }),
      z.strictObject({ ...decided, decision: z.literal('open') }),
    ]);
  },
  {
    job: (job, entry) => {
      job.findingEntries = [...job.findingEntries, entry];
    },
  },
);
