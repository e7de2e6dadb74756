import { z } from 'zod';
import { idSchema } from '../envelope.ts';
import { withPoint } from '../house-parts.ts';
import { entryKind } from './entry-kind.ts';

/** Whether a light that several switches share is on with their levers as they stand; null: not tried. */
export const combinationTried = entryKind(
  'combination-tried',
  (envelope) =>
    z.strictObject({
      ...envelope,
      point: idSchema(),
      /** A letter a switch, up or down: "ud". */
      positions: z.string().regex(/^[ud]{2,4}$/),
      lit: z.boolean().nullable(),
    }),
  {
    job: (job, { point, positions, lit }) => {
      withPoint(job, point, (before) => {
        const { [positions]: _, ...others } = before.combinations;
        return { ...before, combinations: lit === null ? others : { ...others, [positions]: lit } };
      });
    },
  },
);
