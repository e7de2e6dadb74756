import { z } from 'zod';
import { idSchema, textSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** Words that the firm uses often, offered while a note or a caption is typed; null: no longer. */
export const phraseSaved = entryKind(
  'phrase-saved',
  (envelope) =>
    z.strictObject({
      ...envelope,
      phrase: idSchema(),
      text: textSchema(200).nullable(),
    }),
  {
    kit: (kit, { phrase: id, text }) => {
      const others = (kit.firm.phrases ?? []).filter((one) => one.id !== id);
      kit.firm = { ...kit.firm, phrases: text === null ? others : [...others, { id, text }] };
    },
  },
);
