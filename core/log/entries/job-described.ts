import { z } from 'zod';
import { regionIds } from '../../knowledge/regions.ts';
import { textSchema, timeZoneSchema, yearSchema } from '../envelope.ts';
import type { Described } from '../house.ts';
import { entryKind } from './entry-kind.ts';

export const jobDescribed = entryKind(
  'job-described',
  (envelope) =>
    z.strictObject({
      ...envelope,
      address: textSchema(200).optional(),
      client: textSchema(120).optional(),
      yearBuilt: yearSchema().optional(),
      about: textSchema(400).optional(),
      /** Whether the branch wiring has grounds; null: not known. */
      groundedWiring: z.boolean().nullable().optional(),
      storeys: z.int().min(1).max(60).optional(),
      region: z.enum(regionIds).optional(),
      /** All that was added or made over, and when: from before `alteration-noted`. */
      alterations: z
        .array(z.strictObject({ year: yearSchema(), what: textSchema(80) }))
        .max(20)
        .optional(),
      /** Whether breakers may be switched; null: not asked. */
      breakerLeave: z.boolean().nullable().optional(),
      /** Who said so; null takes it back. */
      leaveFrom: textSchema(80).nullable().optional(),
      /** All equipment that must not lose power: from before `kept-powered`. */
      keepPowered: z.array(textSchema(60)).max(20).optional(),
      utilityOn: z.boolean().nullable().optional(),
      breakersFoundOff: textSchema(200).nullable().optional(),
      devicesFoundTripped: textSchema(200).nullable().optional(),
      present: textSchema(200).nullable().optional(),
      /** Houses of the same subdivision are known to have aluminum branch wiring. */
      aluminumNearby: z.boolean().nullable().optional(),
      timeZone: timeZoneSchema().optional(),
    }),
  {
    job: (job, entry) => {
      for (const field of described)
        if (entry[field] !== undefined) Object.assign(job, { [field]: entry[field] });
    },
  },
);

const described = [
  'address',
  'client',
  'yearBuilt',
  'about',
  'groundedWiring',
  'storeys',
  'region',
  'alterations',
  'breakerLeave',
  'leaveFrom',
  'keepPowered',
  'utilityOn',
  'breakersFoundOff',
  'devicesFoundTripped',
  'present',
  'aluminumNearby',
  'timeZone',
] as const satisfies readonly (keyof Described)[];
