import { z } from 'zod';
import { idSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** Takes entries back: they stay in the log and no longer count; a later withdrawal of this one puts them back. */
export const withdrawn = entryKind(
  'withdrawn',
  (envelope) =>
    z.strictObject({
      ...envelope,
      entries: z.array(idSchema()).min(1).max(20),
    }),
  {},
);
