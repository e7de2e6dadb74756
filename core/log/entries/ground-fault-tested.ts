import { z } from 'zod';
import { envelope, idSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** A ground-fault device was tried at a receptacle. */
export const groundFaultTested = entryKind(
  z.strictObject({
    ...envelope,
    kind: z.literal('ground-fault-tested'),
    receptacle: idSchema,
    tester: idSchema.optional(),
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
