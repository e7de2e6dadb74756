import { z } from 'zod';
import { type ReferenceId, referenceIds } from '../../knowledge/references.ts';
import { withItem } from '../drafts.ts';
import { entryKind } from './entry-kind.ts';

/** Somebody has read a reference in the edition in force; or nobody has, after all. */
export const referenceChecked = entryKind(
  'reference-checked',
  (envelope) =>
    z.strictObject({
      ...envelope,
      reference: z.enum(referenceIds as [ReferenceId, ...ReferenceId[]]),
      checked: z.boolean(),
    }),
  {
    kit: (kit, { reference, checked }) => {
      const { practice } = kit.firm;
      const code = { ...practice.code, checked: withItem(practice.code.checked, reference, checked) };
      kit.firm = { ...kit.firm, practice: { ...practice, code } };
    },
  },
);
