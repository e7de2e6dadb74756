import { type ReferenceId, referenceIds, references } from '@fair-plug/core/corrections';
import { Checkbox } from '@mantine/core';
import type { KitPart } from '@/local/use-logs';
import classes from './settings.module.css';
import type { SettingsProps } from './settings-props';

/** What was ticked and what was cleared, done to the ticks as they stand by then. */
const ticked =
  (before: readonly ReferenceId[], after: readonly ReferenceId[]): KitPart =>
  ({ firm }) => {
    const standing = firm.practice.code.checked;
    const cleared = before.filter((id) => !after.includes(id));
    const kept = standing.filter((id) => !cleared.includes(id));
    const added = after.filter((id) => !before.includes(id) && !kept.includes(id));
    return [{ kind: 'practice-chosen', checked: [...kept, ...added] }];
  };

/** What the product recalls of the code: each is marked as from memory until somebody has read it. */
export function ReferencesSection({ firm, settle }: SettingsProps) {
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
        onChange={(shown: ReferenceId[]) => settle?.(ticked(checked, shown))}
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
