import { z } from 'zod';
import { temperatureUnits } from '../../knowledge/house-parts.ts';
import { degreesSchema, idSchema } from '../envelope.ts';
import { withSpot } from '../house-parts.ts';
import { entryKind } from './entry-kind.ts';

/** Most temperatures that a picture is kept with. */
export const mostTemperatures = 4800;

/** Temperatures of a picture, row by row, as a camera wrote them. */
export const thermalPictureRead = entryKind(
  'thermal-picture-read',
  (envelope) =>
    z.strictObject({
      ...envelope,
      spot: idSchema(),
      unit: z.enum(temperatureUnits),
      columns: z.int().min(1).max(mostTemperatures),
      temperatures: z.array(degreesSchema()).min(1).max(mostTemperatures),
    }),
  {
    job: (job, { spot, unit, columns, temperatures }) => {
      withSpot(job, spot, (before) => ({ ...before, picture: { unit, columns, temperatures } }));
    },
  },
);
