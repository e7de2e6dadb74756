import { z } from 'zod';
import { longestSide, photoSubjects } from '../../knowledge/photos.ts';
import { hashSchema, idSchema, instantSchema } from '../envelope.ts';
import { entryKind, fieldsOf } from './entry-kind.ts';

/** A photo: what it is of, and by which hash its bytes are stored. They are sent after the entry. */
export const photoTaken = entryKind(
  'photo-taken',
  (envelope) =>
    z.strictObject({
      ...envelope,
      photo: idSchema(),
      of: z.enum(photoSubjects),
      /** The id of what it is of; left out for the house. */
      about: idSchema().optional(),
      /** SHA-256 of the bytes that are sent. */
      hash: hashSchema(),
      width: z.int().min(1).max(longestSide),
      height: z.int().min(1).max(longestSide),
      /** As its camera says. */
      takenAt: instantSchema().optional(),
    }),
  {
    job: (job, entry) => {
      const { photo: id, takenAt = entry.at, ...said } = fieldsOf(entry);
      const before = job.photos ?? [];
      // One id is one photo, whoever said it twice.
      if (before.some((one) => one.id === id)) return;
      job.photos = [...before, { id, ...said, takenAt, addedAt: entry.at, author: entry.author, marks: [] }];
    },
  },
);
