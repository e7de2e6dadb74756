import { z } from 'zod';
import { envelope, idSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** A room is walked behind another one, or first. */
export const roomMoved = entryKind(
  z.strictObject({
    ...envelope,
    kind: z.literal('room-moved'),
    /** Not `room`: the order is the house's. */
    moved: idSchema,
    after: idSchema.nullable(),
  }),
  {
    job: (job, { moved, after }) => {
      job.roomOrders = [...job.roomOrders, { room: moved, after }];
    },
  },
);
