import { z } from 'zod';
import { instrumentIds } from '../../instruments/index.ts';
import { idSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** A tester or another instrument was dropped: what it shows is in doubt until it is tried again. */
export const testerDropped = entryKind(
  'tester-dropped',
  (envelope) =>
    z.strictObject({
      ...envelope,
      instrument: z.enum(instrumentIds),
      /** Which plug-in tester. */
      tester: idSchema().optional(),
    }),
  {
    job: (job, entry) => {
      job.drops = [...(job.drops ?? []), entry];
    },
  },
);
