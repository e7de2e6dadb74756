import { questionIds, type ViewWords } from '@fair-plug/core/knowledge';
import { Radio, Switch } from '@mantine/core';
import { SavedText } from '@/components/saved-fields';
import { useWholeWords } from '@/components/whole-words';
import classes from './settings.module.css';
import type { SettingsProps } from './settings-props';

/** The code the firm works under, and its school where practitioners differ. */
export function PracticeSection({ firm, settle }: SettingsProps) {
  const { schools, code, groundFaultRules } = firm.practice;
  const isDisabled = settle === null;
  const words = useWholeWords();
  return (
    <section className={classes.section} aria-labelledby="practice">
      <h2 id="practice">Code and schools</h2>
      <div className={classes.pair}>
        <SavedText
          label="Edition of the code in force"
          placeholder="2023"
          value={code.edition}
          longest={40}
          isDisabled={isDisabled}
          onSave={(edition) => settle?.({ kind: 'practice-chosen', edition })}
        />
        <SavedText
          label="Standard of practice followed"
          value={firm.standard}
          longest={200}
          isDisabled={isDisabled}
          onSave={(standard) => settle?.({ kind: 'practice-chosen', standard })}
        />
      </div>
      <Switch
        label="Ground-fault rules by the years of the United States"
        description="Where another country’s years hold, leave them off: nothing is then said about missing protection."
        checked={groundFaultRules === 'us'}
        disabled={isDisabled}
        onChange={(event) =>
          settle?.({ kind: 'practice-chosen', groundFaultRules: event.currentTarget.checked ? 'us' : 'off' })
        }
      />
      <p className={classes.soft}>
        Where practitioners differ, choose once. Reports follow it, and say the others’ view in a line.
      </p>
      {questionIds.map((id) => {
        const { asks } = words.questions[id];
        const views: Readonly<Record<string, ViewWords>> = words.questions[id].views;
        return (
          <Radio.Group
            key={id}
            label={asks}
            value={schools[id]}
            onChange={(view) => settle?.({ kind: 'practice-chosen', schools: { [id]: view } })}
          >
            <div className={classes.views}>
              {Object.entries(views).map(([view, { name, says, source }]) => (
                <Radio
                  key={view}
                  value={view}
                  disabled={isDisabled}
                  label={`${name}: ${says}`}
                  description={source}
                />
              ))}
            </div>
          </Radio.Group>
        );
      })}
    </section>
  );
}
