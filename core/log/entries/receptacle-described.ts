import { z } from 'zod';
import { adapterTabs } from '../../knowledge/house-parts.ts';
import { receptacleTypes } from '../../knowledge/observations.ts';
import { defined } from '../drafts.ts';
import { idSchema, spotSchema, textSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

export const receptacleDescribed = entryKind(
  'receptacle-described',
  (envelope) =>
    z.strictObject({
      ...envelope,
      receptacle: idSchema(),
      room: idSchema(),
      name: textSchema(60),
      type: z.enum(receptacleTypes).optional(),
      /** A three-to-two adapter is in use. */
      adapter: z.boolean().optional(),
      /** What its tab was found to be. */
      adapterTab: z.enum(adapterTabs).optional(),
      spot: spotSchema().nullable().optional(),
      /** The receptacle whose lower half this is, where the halves read apart. */
      halfOf: idSchema().optional(),
    }),
  {
    receptacle: (receptacle, { room, name, type, adapter, adapterTab, spot, halfOf }) => {
      Object.assign(receptacle, { room }, defined({ name, type, adapter, adapterTab, spot, halfOf }));
    },
  },
);
