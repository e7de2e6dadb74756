import { z } from 'zod';
import { checkStates, panelChecks } from '../../knowledge/house-parts.ts';
import { idSchema } from '../envelope.ts';
import { withPanel } from '../house-parts.ts';
import { entryKind } from './entry-kind.ts';

/** Something that may be wrong at a panel: seen, not seen, or not looked for. */
export const panelChecked = entryKind(
  'panel-checked',
  (envelope) =>
    z.strictObject({
      ...envelope,
      panel: idSchema(),
      check: z.enum([...panelChecks, 'compound']),
      found: z.enum(checkStates),
    }),
  {
    job: (job, { panel, check, found }) => {
      withPanel(job, panel, (before) => ({ ...before, checks: { ...before.checks, [check]: found } }));
    },
  },
);
