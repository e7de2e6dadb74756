import { z } from 'zod';
import { aluminumPlaces } from '../../knowledge/house-parts.ts';
import { defined } from '../drafts.ts';
import { yearSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** Whether aluminum was seen at a place of the house, or looked for there and not found; null: not looked for. */
export const aluminumSought = entryKind(
  'aluminum-sought',
  (envelope) =>
    z.strictObject({
      ...envelope,
      place: z.enum(aluminumPlaces),
      found: z.boolean().nullable(),
      /** Year on a jacket there. */
      jacketYear: yearSchema().optional(),
    }),
  {
    job: (job, { place, found, jacketYear }) => {
      const { [place]: _, ...others } = job.parts.aluminumSought ?? {};
      const aluminum =
        found === null ? others : { ...others, [place]: { found, ...defined({ jacketYear }) } };
      job.parts = { ...job.parts, aluminumSought: aluminum };
    },
  },
);
