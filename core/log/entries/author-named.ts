import { z } from 'zod';
import { idSchema, textSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** Who an author of entries is, where they came in with a file from another firm. */
export const authorNamed = entryKind(
  'author-named',
  (envelope) =>
    z.strictObject({
      ...envelope,
      person: idSchema(),
      name: textSchema(120),
    }),
  {
    job: (job, { person, name }) => {
      job.authors = { ...job.authors, [person]: name };
    },
  },
);
