import { z } from 'zod';
import { idSchema } from '../envelope.ts';
import { withPanel } from '../house-parts.ts';
import { entryKind } from './entry-kind.ts';

/** The cover of a panel was taken off, by somebody who is qualified and may. */
export const panelOpened = entryKind(
  'panel-opened',
  (envelope) =>
    z.strictObject({
      ...envelope,
      panel: idSchema(),
      byQualified: z.literal(true),
    }),
  {
    job: (job, { panel, at }) => {
      withPanel(job, panel, (before) => ({ ...before, openedAt: at }));
    },
  },
);
