import { z } from 'zod';
import { envelope, textSchema } from '../envelope.ts';
import { findingKeySchema, heldSchema } from '../finding-schemas.ts';
import { entryKind } from './entry-kind.ts';

const decided = {
  ...envelope,
  kind: z.literal('finding-decided'),
  finding: findingKeySchema,
};

/** What was decided on a proposal: taken over as it stands, refused with a reason, or open again. */
export const findingDecided = entryKind(
  z.discriminatedUnion('decision', [
    z.strictObject({ ...decided, decision: z.literal('accepted'), held: heldSchema }),
    z.strictObject({
      ...decided,
      decision: z.literal('refused'),
      reason: textSchema(500),
      held: heldSchema,
    }),
    z.strictObject({ ...decided, decision: z.literal('open') }),
  ]),
  {
    job: (job, entry) => {
      job.findingEntries = [...job.findingEntries, entry];
    },
  },
);
