import { z } from 'zod';
import { idSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** A ground-fault device was tried at a receptacle. */
export const groundFaultTested = entryKind(
  'ground-fault-tested',
  (envelope) =>
    z.strictObject({
      ...envelope,
      receptacle: idSchema(),
      tester: idSchema().optional(),
      by: z.enum(['tester-button', 'own-button']),
      result: z.enum(['tripped', 'no-trip', 'power-stays-on', 'no-power']),
      /** How long the button was held. */
      heldSeconds: z.number().min(0).max(120).optional(),
    }),
  {
    receptacle: (receptacle, entry) => {
      receptacle.groundFaultTests = [...receptacle.groundFaultTests, entry];
    },
  },
);
