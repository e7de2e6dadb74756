import { z } from 'zod';
import { testerLayoutSchema } from '../../instruments/tester-layout.ts';
import { idSchema, textSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

export const testerDescribed = entryKind(
  'tester-described',
  (envelope) =>
    z.strictObject({
      ...envelope,
      tester: idSchema(),
      name: textSchema(60),
      layout: testerLayoutSchema,
      /** As printed on it: category and volts. */
      rating: textSchema(60).optional(),
    }),
  {
    kit: (kit, { tester, name, layout, rating = kit.testers.get(tester)?.rating ?? null }) => {
      const testers = new Map(kit.testers);
      // The latest described last.
      testers.delete(tester);
      kit.testers = testers.set(tester, { id: tester, name, layout, rating });
    },
  },
);
