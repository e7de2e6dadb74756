import { z } from 'zod';
import { lazily } from '../../lazily.ts';
import { defined } from '../drafts.ts';
import { textSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** A picture small enough to travel with the log: the letterhead's mark, as a data address. */
const markSchema = lazily(() =>
  z
    .string()
    .max(80_000)
    .regex(/^data:image\/(png|jpeg);base64,[A-Za-z0-9+/]+={0,2}$/, 'no-picture'),
);

/** What stands at the head of every report; each field the latest, null takes it back. */
export const letterheadDescribed = entryKind(
  'letterhead-described',
  (envelope) =>
    z.strictObject({
      ...envelope,
      /** Address, telephone and whatever else stands below the firm's name. */
      lines: textSchema(400).nullable().optional(),
      licence: textSchema(120).nullable().optional(),
      mark: markSchema().nullable().optional(),
    }),
  {
    kit: (kit, { lines, licence, mark }) => {
      const letterhead = { ...kit.firm.letterhead, ...defined({ lines, licence, mark }) };
      kit.firm = { ...kit.firm, letterhead };
    },
  },
);
