import { z } from 'zod';
import { breakerKinds, conductorSizes } from '../../knowledge/house-parts.ts';
import { conductorMetals } from '../../knowledge/observations.ts';
import { defined } from '../drafts.ts';
import { breakerSchema, idSchema, textSchema } from '../envelope.ts';
import { withPosition } from '../house-parts.ts';
import { entryKind, fieldsOf } from './entry-kind.ts';

/** A breaker of a panel, as a line of its directory; each field the latest. */
export const breakerDescribed = entryKind(
  'breaker-described',
  (envelope) =>
    z.strictObject({
      ...envelope,
      panel: idSchema(),
      position: idSchema(),
      /** As receptacles name it. */
      number: breakerSchema().optional(),
      amps: z.int().min(1).max(400).nullable().optional(),
      poles: z.int().min(1).max(3).optional(),
      /** What the directory says that it feeds. */
      feeds: textSchema(80).nullable().optional(),
      protects: z.enum(breakerKinds).optional(),
      metal: z.enum(conductorMetals).optional(),
      size: z.enum(conductorSizes).optional(),
      gone: z.boolean().optional(),
    }),
  {
    job: (job, entry) => {
      const { panel, position, ...said } = fieldsOf(entry);
      withPosition(job, panel, position, (before) => ({ ...before, ...defined(said) }));
    },
  },
);
