import { type ReferenceId, referenceIds } from '@fair-plug/core/knowledge';
import type { KitStatement } from '@fair-plug/core/log';
import { Checkbox } from '@mantine/core';
import { useWholeWords } from '@/components/whole-words';
import classes from './settings.module.css';
import type { SettingsProps } from './settings-props';

/** What was ticked and what was cleared, an entry each. */
const ticked = (before: readonly ReferenceId[], after: readonly ReferenceId[]): readonly KitStatement[] =>
  referenceIds
    .filter((id) => before.includes(id) !== after.includes(id))
    .map((reference) => ({ kind: 'reference-checked', reference, checked: after.includes(reference) }));

/** What the product recalls of the code: each is marked as from memory until somebody has read it. */
export function ReferencesSection({ firm, settle }: SettingsProps) {
  const { references } = useWholeWords();
  const { checked, edition } = firm.practice.code;
  return (
    <section className={classes.section} aria-labelledby="references">
      <h2 id="references">References</h2>
      <p className={classes.soft}>
        Quoted from memory. Tick what you have read in {edition === null ? 'the edition in force' : edition}:
        the mark then goes.
      </p>
      <Checkbox.Group
        value={[...checked]}
        aria-label="References that were checked"
        onChange={(shown: ReferenceId[]) => settle?.(...ticked(checked, shown))}
      >
        <div className={classes.views}>
          {referenceIds.map((id) => (
            <Checkbox
              key={id}
              value={id}
              disabled={settle === null}
              label={`${references[id].code} ${references[id].section}`.trim()}
              description={references[id].says}
            />
          ))}
        </div>
      </Checkbox.Group>
    </section>
  );
}
