import { z } from 'zod';
import { instrumentIds } from '../../instruments/index.ts';
import { envelope, idSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** A tester or another instrument was dropped: what it shows is in doubt until it is tried again. */
export const testerDropped = entryKind(
  z.strictObject({
    ...envelope,
    kind: z.literal('tester-dropped'),
    instrument: z.enum(instrumentIds),
    /** Which plug-in tester. */
    tester: idSchema.optional(),
  }),
  {
    job: (job, entry) => {
      job.drops = [...(job.drops ?? []), entry];
    },
  },
);
