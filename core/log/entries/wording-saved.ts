import { z } from 'zod';
import { conditionIds } from '../../knowledge/condition.ts';
import { textSchema } from '../envelope.ts';
import { wordingPlaces } from '../firm.ts';
import { entryKind } from './entry-kind.ts';

const without = <T extends object>(record: T, key: keyof T): T => {
  const { [key]: _, ...rest } = record;
  return rest as T;
};

/** The firm's own words: at a place of the report, or for the correction of a condition; null gives the usual ones back. */
export const wordingSaved = entryKind(
  'wording-saved',
  (envelope) =>
    z.strictObject({
      ...envelope,
      of: z.union([z.enum(wordingPlaces), z.strictObject({ correctionOf: z.enum(conditionIds) })]),
      text: textSchema(4000).nullable(),
    }),
  {
    kit: (kit, { of, text }) => {
      const { wordings, practice } = kit.firm;
      const { corrections } = practice;
      kit.firm =
        typeof of === 'string'
          ? { ...kit.firm, wordings: text === null ? without(wordings, of) : { ...wordings, [of]: text } }
          : {
              ...kit.firm,
              practice: {
                ...practice,
                corrections:
                  text === null
                    ? without(corrections, of.correctionOf)
                    : { ...corrections, [of.correctionOf]: text },
              },
            };
    },
  },
);
