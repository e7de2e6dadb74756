import { z } from 'zod';
import { idSchema, textSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

export const noted = entryKind(
  'noted',
  (envelope) => z.strictObject({ ...envelope, receptacle: idSchema(), text: textSchema(1000) }),
  {
    receptacle: (receptacle, entry) => {
      receptacle.notes = [...receptacle.notes, entry];
    },
  },
);
