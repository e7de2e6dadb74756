import { z } from 'zod';
import { remediesInPlace } from '../../knowledge/house-parts.ts';
import { conductorMetals, deviceMarkings, insulations, jacketMarks } from '../../knowledge/observations.ts';
import { defined } from '../drafts.ts';
import { idSchema, yearSchema } from '../envelope.ts';
import { entryKind, fieldsOf } from './entry-kind.ts';

/** What was seen with the cover off, by a qualified person who proved the box dead. */
export const coverOff = entryKind(
  'cover-off',
  (envelope) =>
    z.strictObject({
      ...envelope,
      receptacle: idSchema(),
      provedDead: z.literal(true),
      metal: z.enum(conductorMetals).optional(),
      /** What stands on the cable's jacket. */
      jacket: z.enum(jacketMarks).optional(),
      awg: z.int().min(4).max(18).optional(),
      breakerAmps: z.int().min(5).max(100).optional(),
      insulation: z.enum(insulations).optional(),
      /** A jumper from neutral to ground. */
      jumper: z.boolean().optional(),
      pushIn: z.boolean().optional(),
      marking: z.enum(deviceMarkings).optional(),
      /** What was done before to its aluminum. */
      remedy: z.enum(remediesInPlace).optional(),
      /** Whether a ground arrives in the box. */
      ground: z.boolean().optional(),
      /** A conductor is nicked or snapped. */
      nicked: z.boolean().optional(),
      /** Year on its jacket. */
      jacketYear: yearSchema().optional(),
    }),
  {
    receptacle: (receptacle, entry) => {
      const { provedDead: _, ...seen } = fieldsOf(entry);
      receptacle.coverOff = { ...receptacle.coverOff, ...defined(seen) };
    },
  },
);
