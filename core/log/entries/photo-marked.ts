import { z } from 'zod';
import { lazily } from '../../lazily.ts';
import { idSchema, textSchema } from '../envelope.ts';
import { withPhoto } from '../photos.ts';
import { entryKind } from './entry-kind.ts';

/** What is drawn on a photo; lengths as shares of its longer side, from its top left corner. */
export const shapeSchema = lazily(() => {
  const share = z.number().min(0).max(1);
  const corner = { x: share, y: share };
  return z.discriminatedUnion('form', [
    z.strictObject({ form: z.literal('arrow'), ...corner, toX: share, toY: share }),
    z.strictObject({ form: z.literal('ring'), ...corner, radius: share }),
    z.strictObject({ form: z.literal('text'), ...corner, words: textSchema(60) }),
    z.strictObject({ form: z.literal('blur'), ...corner, width: share, height: share }),
  ]);
});

/** One thing drawn on a photo; null: taken off it. */
export const photoMarked = entryKind(
  'photo-marked',
  (envelope) =>
    z.strictObject({
      ...envelope,
      photo: idSchema(),
      drawn: idSchema(),
      shape: shapeSchema().nullable(),
    }),
  {
    job: (job, { photo, drawn: id, shape }) => {
      withPhoto(job, photo, (before) => {
        const isThere = before.marks.some((one) => one.id === id);
        const marks = isThere
          ? before.marks.flatMap((one) => (one.id !== id ? [one] : shape === null ? [] : [{ id, shape }]))
          : shape === null
            ? before.marks
            : [...before.marks, { id, shape }];
        return { ...before, marks };
      });
    },
  },
);
