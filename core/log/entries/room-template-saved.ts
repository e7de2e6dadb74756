import { z } from 'zod';
import { idSchema, textSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** Rooms to begin a house with; one without rooms is no longer offered. */
export const roomTemplateSaved = entryKind(
  'room-template-saved',
  (envelope) =>
    z.strictObject({
      ...envelope,
      template: idSchema(),
      name: textSchema(60),
      rooms: z
        .array(z.strictObject({ name: textSchema(60), expected: z.int().min(0).max(200).nullable() }))
        .max(100),
    }),
  {
    kit: (kit, { template, name, rooms }) => {
      kit.templates = new Map(kit.templates).set(template, { id: template, name, rooms });
    },
  },
);
