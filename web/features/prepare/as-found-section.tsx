import { NativeSelect } from '@mantine/core';
import { useWords } from '@/components/region-words';
import { SavedText } from '@/components/saved-fields';
import classes from './prepare.module.css';
import { answerOf, answers, type SectionProps } from './property-section';

/** The house as it was found: what must be so again when it is left. */
export function AsFoundSection({ house, record }: SectionProps) {
  const words = useWords();
  const describe = (fields: object): void => record?.({ kind: 'job-described', ...fields });
  const isDisabled = record === null;
  return (
    <section className={classes.section} aria-labelledby="as-found">
      <h2 id="as-found">As found</h2>
      <div className={classes.fields}>
        <NativeSelect
          label="Utility on"
          disabled={isDisabled}
          value={String(house.utilityOn)}
          data={answers}
          onChange={(event) => describe({ utilityOn: answerOf(event.currentTarget.value) })}
        />
        <SavedText
          label="Breakers found off"
          placeholder="none, or which"
          value={house.breakersFoundOff}
          longest={200}
          isDisabled={isDisabled}
          onSave={(breakersFoundOff) => describe({ breakersFoundOff })}
        />
        <SavedText
          label="Devices found tripped"
          placeholder="none, or where"
          value={house.devicesFoundTripped}
          longest={200}
          isDisabled={isDisabled}
          onSave={(devicesFoundTripped) => describe({ devicesFoundTripped })}
        />
        <SavedText
          label="Who was there"
          value={house.present}
          longest={200}
          isDisabled={isDisabled}
          onSave={(present) => describe({ present })}
        />
      </div>
      <p className={classes.soft}>{words.cautions['as-found']}</p>
    </section>
  );
}
