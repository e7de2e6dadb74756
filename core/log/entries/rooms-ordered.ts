import { z } from 'zod';
import { idSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** Rooms in the order of the walk, those left out behind them: from before `room-moved`. */
export const roomsOrdered = entryKind(
  'rooms-ordered',
  (envelope) =>
    z.strictObject({
      ...envelope,
      rooms: z.array(idSchema()).min(1).max(300),
    }),
  {
    job: (job, { rooms }) => {
      job.roomOrders = [...job.roomOrders, { rooms }];
    },
  },
);
