import { z } from 'zod';
import { temperatureUnits } from '../../knowledge/house-parts.ts';
import { defined } from '../drafts.ts';
import { degreesSchema, idSchema, textSchema } from '../envelope.ts';
import { withSpot } from '../house-parts.ts';
import { entryKind, fieldsOf } from './entry-kind.ts';

/** A spot that was looked at with a thermal camera or thermometer; each field the latest, degrees as they were typed. */
export const hotSpotMeasured = entryKind(
  'hot-spot-measured',
  (envelope) =>
    z.strictObject({
      ...envelope,
      spot: idSchema(),
      /** Such as a breaker and which of its screws. */
      where: textSchema(80).optional(),
      unit: z.enum(temperatureUnits).optional(),
      degrees: degreesSchema().nullable().optional(),
      /** Of the air, of a similar component under a similar load. */
      ambient: degreesSchema().nullable().optional(),
      similar: degreesSchema().nullable().optional(),
      /** The camera gave up: it is at least so hot. */
      aboveRange: z.boolean().optional(),
      /** What it carried then. */
      loadAmps: z.number().min(0).max(1000).nullable().optional(),
      /** As the camera was set. */
      emissivity: z.number().min(0.01).max(1).nullable().optional(),
      /** Bare metal, which reads too cool. */
      bareMetal: z.boolean().optional(),
      gone: z.boolean().optional(),
    }),
  {
    job: (job, entry) => {
      const { spot, ...measured } = fieldsOf(entry);
      withSpot(job, spot, (before) => ({ ...before, ...defined(measured) }));
    },
  },
);
