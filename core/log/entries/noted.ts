import { z } from 'zod';
import { envelope, idSchema, textSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

export const noted = entryKind(
  z.strictObject({ ...envelope, kind: z.literal('noted'), receptacle: idSchema, text: textSchema(1000) }),
  {
    receptacle: (receptacle, entry) => {
      receptacle.notes = [...receptacle.notes, entry];
    },
  },
);
