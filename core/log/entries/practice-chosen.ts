import { z } from 'zod';
import { type ReferenceId, referenceIds } from '../../knowledge/references.ts';
import { questionIds, questions, type Schools } from '../../knowledge/schools.ts';
import { lazily } from '../../lazily.ts';
import { defined } from '../drafts.ts';
import { textSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

const viewSchema = lazily(() =>
  z.enum(questionIds.flatMap((id) => questions[id] as readonly string[]) as [string, ...string[]]),
);

/** How the firm decides where practitioners differ, and what it works under. */
export const practiceChosen = entryKind(
  'practice-chosen',
  (envelope) =>
    z.strictObject({
      ...envelope,
      schools: z
        .partialRecord(z.enum(questionIds as [string, ...string[]]), viewSchema())
        .refine(
          (schools) =>
            questionIds.every((id) => {
              const view = schools[id];
              return view === undefined || (questions[id] as readonly string[]).includes(view);
            }),
          { message: 'no-such-view' },
        )
        .optional(),
      /** Edition of the code in force, such as "2023". */
      edition: textSchema(40).nullable().optional(),
      /** All references that somebody has read in that edition: from before `reference-checked`. */
      checked: z
        .array(z.enum(referenceIds as [string, ...string[]]))
        .max(100)
        .optional(),
      groundFaultRules: z.enum(['us', 'off']).optional(),
      /** The standard of practice that inspections follow. */
      standard: textSchema(200).nullable().optional(),
    }),
  {
    kit: (kit, { schools, edition, checked, groundFaultRules, standard = kit.firm.standard }) => {
      const { practice } = kit.firm;
      kit.firm = {
        ...kit.firm,
        standard,
        practice: {
          ...practice,
          ...defined({ groundFaultRules }),
          schools: { ...practice.schools, ...(schools as Partial<Schools> | undefined) },
          code: {
            ...practice.code,
            ...defined({ edition, checked: checked as readonly ReferenceId[] | undefined }),
          },
        },
      };
    },
  },
);
