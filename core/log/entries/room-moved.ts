import { z } from 'zod';
import { idSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** A room is walked behind another one, or first. */
export const roomMoved = entryKind(
  'room-moved',
  (envelope) =>
    z.strictObject({
      ...envelope,
      /** Not `room`: the order is the house's. */
      moved: idSchema(),
      after: idSchema().nullable(),
    }),
  {
    job: (job, { moved, after }) => {
      job.roomOrders = [...job.roomOrders, { room: moved, after }];
    },
  },
);
