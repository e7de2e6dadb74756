import { z } from 'zod';
import { pointKinds } from '../../knowledge/house-parts.ts';
import { defined } from '../drafts.ts';
import { idSchema, textSchema } from '../envelope.ts';
import { withPoint } from '../house-parts.ts';
import { entryKind, fieldsOf } from './entry-kind.ts';

/** A switch, a group of switches for one light, a dimmer or a lampholder; each field the latest. */
export const pointDescribed = entryKind(
  'point-described',
  (envelope) =>
    z.strictObject({
      ...envelope,
      point: idSchema(),
      room: idSchema().optional(),
      name: textSchema(60).optional(),
      pointKind: z.enum(pointKinds).optional(),
      /** Of a group: how many switches it has. */
      switches: z.int().min(2).max(4).optional(),
      /** Of a switch: whether it does what it should; null: not tried. */
      works: z.boolean().nullable().optional(),
      gone: z.boolean().optional(),
    }),
  {
    job: (job, entry) => {
      const { point, ...said } = { ...fieldsOf(entry), room: entry.room };
      withPoint(job, point, (before) => ({ ...before, ...defined(said) }));
    },
  },
);
