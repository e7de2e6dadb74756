import { z } from 'zod';
import { envelope, idSchema, textSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** Words that the firm uses often, offered while a note or a caption is typed; null: no longer. */
export const phraseSaved = entryKind(
  z.strictObject({
    ...envelope,
    kind: z.literal('phrase-saved'),
    phrase: idSchema,
    text: textSchema(200).nullable(),
  }),
  {
    kit: (kit, { phrase: id, text }) => {
      const others = (kit.firm.phrases ?? []).filter((one) => one.id !== id);
      kit.firm = { ...kit.firm, phrases: text === null ? others : [...others, { id, text }] };
    },
  },
);
