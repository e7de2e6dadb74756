import { z } from 'zod';
import { legLayouts, panelKinds } from '../../knowledge/house-parts.ts';
import { conductorMetals } from '../../knowledge/observations.ts';
import { defined } from '../drafts.ts';
import { idSchema, textSchema, yearSchema } from '../envelope.ts';
import { withPanel } from '../house-parts.ts';
import { entryKind, fieldsOf } from './entry-kind.ts';

/** A panel as it is built; each field the latest. Those from `neutralBar` on are seen with its cover off. */
export const panelDescribed = entryKind(
  'panel-described',
  (envelope) =>
    z.strictObject({
      ...envelope,
      panel: idSchema(),
      name: textSchema(60).optional(),
      panelKind: z.enum(panelKinds).optional(),
      /** What stands on it, in amperes. */
      rating: z.int().min(10).max(1200).nullable().optional(),
      /** Its main breaker or fuses, in amperes. */
      mainAmps: z.int().min(10).max(1200).nullable().optional(),
      legs: z.enum(legLayouts).optional(),
      /** Year on its label. */
      madeIn: yearSchema().nullable().optional(),
      /** Metal of the neutral bar's conductors. */
      neutralBar: z.enum(conductorMetals).optional(),
      /** It is none, or was entered twice. */
      gone: z.boolean().optional(),
    }),
  {
    job: (job, entry) => {
      const { panel, ...said } = fieldsOf(entry);
      withPanel(job, panel, (before) => ({ ...before, ...defined(said) }));
    },
  },
);
