import { z } from 'zod';
import { protectionLabels } from '../../knowledge/observations.ts';
import { withItemOf } from '../drafts.ts';
import { idSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** A label is on a receptacle or its device; or it is not. */
export const labelNoted = entryKind(
  'label-noted',
  (envelope) =>
    z.strictObject({
      ...envelope,
      receptacle: idSchema(),
      label: z.enum(protectionLabels),
      there: z.boolean(),
    }),
  {
    receptacle: (receptacle, { label, there }) => {
      const { protection } = receptacle;
      const labels = withItemOf(protectionLabels, protection.labels ?? [], label, there);
      receptacle.protection = { ...protection, labels };
    },
  },
);
