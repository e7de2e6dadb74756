import { z } from 'zod';
import { lampKinds, temperatureUnits } from '../../knowledge/house-parts.ts';
import { defined } from '../drafts.ts';
import { degreesSchema, idSchema } from '../envelope.ts';
import { withPoint } from '../house-parts.ts';
import { entryKind, fieldsOf } from './entry-kind.ts';

/** A dimmer: its plate, and what hangs on it; each field the latest. */
export const dimmerMeasured = entryKind(
  'dimmer-measured',
  (envelope) =>
    z.strictObject({
      ...envelope,
      point: idSchema(),
      plate: degreesSchema().nullable().optional(),
      unit: z.enum(temperatureUnits).optional(),
      /** Connected. */
      watts: z.number().min(0).max(10_000).nullable().optional(),
      /** What stands on it. */
      rated: z.number().min(1).max(10_000).nullable().optional(),
      /** Side fins broken off. */
      sidesOff: z
        .union([z.literal(0), z.literal(1), z.literal(2)])
        .nullable()
        .optional(),
      /** Devices side by side in its box. */
      ganged: z.int().min(1).max(8).nullable().optional(),
      lamps: z.enum(lampKinds).optional(),
    }),
  {
    job: (job, entry) => {
      const { point, ...measured } = fieldsOf(entry);
      withPoint(job, point, (before) => ({ ...before, dimmer: { ...before.dimmer, ...defined(measured) } }));
    },
  },
);
