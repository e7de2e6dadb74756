import { z } from 'zod';
import { idSchema, spotSchema, textSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

export const roomDescribed = entryKind(
  'room-described',
  (envelope) =>
    z.strictObject({
      ...envelope,
      room: idSchema(),
      name: textSchema(60),
      /** How many receptacles are looked for there; null: not said. */
      expected: z.int().min(0).max(200).nullable().optional(),
      /** Where its door is. */
      door: spotSchema().optional(),
    }),
  {
    room: (room, { name, expected = room.expected, door = room.door }) => {
      Object.assign(room, { name, expected, door });
    },
  },
);
