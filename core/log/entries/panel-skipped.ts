import { z } from 'zod';
import { panelSkips } from '../../knowledge/house-parts.ts';
import { entryKind } from './entry-kind.ts';

/** No panel was looked at, and why; null: one is to be, after all. */
export const panelSkipped = entryKind(
  'panel-skipped',
  (envelope) =>
    z.strictObject({
      ...envelope,
      reason: z.enum(panelSkips).nullable(),
    }),
  {
    job: (job, { reason }) => {
      const { panelSkipped: _, ...parts } = job.parts;
      job.parts = reason === null ? parts : { ...parts, panelSkipped: reason };
    },
  },
);
