import { z } from 'zod';
import { instrumentIds } from '../../instruments/index.ts';
import { idSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** A tester or another instrument was tried on a receptacle known to be live and good. */
export const testerProved = entryKind(
  'tester-proved',
  (envelope) =>
    z.strictObject({
      ...envelope,
      instrument: z.enum(instrumentIds),
      /** Which plug-in tester. */
      tester: idSchema().optional(),
      passed: z.boolean(),
    }),
  {
    job: (job, entry) => {
      job.proofs = [...job.proofs, entry];
    },
    kit: (kit, { instrument, tester, at, passed }) => {
      const proof = { at, passed };
      if (tester === undefined) kit.lastProofs = new Map(kit.lastProofs).set(instrument, proof);
      else kit.proofs = new Map(kit.proofs).set(tester, proof);
    },
  },
);
