import { z } from 'zod';
import { envelope, idSchema, textSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** Who an author of entries is, where they came in with a file from another firm. */
export const authorNamed = entryKind(
  z.strictObject({
    ...envelope,
    kind: z.literal('author-named'),
    person: idSchema,
    name: textSchema(120),
  }),
  {
    job: (job, { person, name }) => {
      job.authors = { ...job.authors, [person]: name };
    },
  },
);
