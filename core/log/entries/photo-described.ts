import { z } from 'zod';
import { photoSizes, photoSubjects } from '../../knowledge/photos.ts';
import { defined } from '../drafts.ts';
import { idSchema, textSchema } from '../envelope.ts';
import { withPhoto } from '../photos.ts';
import { entryKind, fieldsOf } from './entry-kind.ts';

/** What is said of a photo, each field the latest. */
export const photoDescribed = entryKind(
  'photo-described',
  (envelope) =>
    z.strictObject({
      ...envelope,
      photo: idSchema(),
      caption: textSchema(300).nullable().optional(),
      size: z.enum(photoSizes).nullable().optional(),
      /** What it is of after all. */
      of: z.enum(photoSubjects).optional(),
      about: idSchema().optional(),
    }),
  {
    job: (job, entry) => {
      const { photo, of, about, ...said } = fieldsOf(entry);
      withPhoto(job, photo, ({ about: before, ...rest }) => ({
        ...rest,
        ...defined(said),
        // What it is of and which one are said together.
        ...(of === undefined ? defined({ about: before }) : { of, ...defined({ about }) }),
      }));
    },
  },
);
