import type { Wording } from '@fair-plug/core/findings';
import { type House, receptaclesOf } from '@fair-plug/core/log';
import { Button, MultiSelect, NativeSelect, Textarea, TextInput } from '@mantine/core';
import { FromBefore } from '@/components/from-before';
import { useWords } from '@/components/region-words';
import { Sheet } from '@/components/sheet';
import type { Decisions } from '@/components/use-decisions';
import { useDraft } from '@/local/use-draft';
import classes from './findings.module.css';

export interface AddFindingProps {
  readonly job: string;
  readonly opened: boolean;
  readonly onClose: () => void;
  readonly house: House;
  readonly decisions: Decisions | null;
}

/** A finding that nothing read or seen proposes. */
export function AddFinding({ job, opened, onClose, house, decisions }: AddFindingProps) {
  return (
    <Sheet opened={opened} onClose={onClose} title="Add a finding">
      <AddForm
        job={job}
        house={house}
        onAdd={(wording, receptacles) => {
          decisions?.add(wording, receptacles);
          onClose();
        }}
      />
    </Sheet>
  );
}

interface Added extends Wording {
  readonly receptacles: readonly string[];
}

const empty: Omit<Added, 'correction'> = {
  urgency: 'repair',
  headline: '',
  what: '',
  why: '',
  by: 'electrician',
  receptacles: [],
};

interface AddFormProps {
  readonly job: string;
  readonly house: House;
  readonly onAdd: (wording: Wording, receptacles: readonly string[]) => void;
}

function AddForm({ job, house, onAdd }: AddFormProps) {
  const words = useWords();
  const draft = useDraft<Added>(`new finding ${job}`, {
    ...empty,
    correction: words.screens.findings.looksAtIt,
  });
  const { receptacles, ...wording } = draft.fields;
  const texts = [
    ['what', 'What is wrong'],
    ['why', 'Why it matters'],
    ['correction', 'Correction'],
  ] as const;
  const isWhole = [wording.headline, wording.what, wording.why, wording.correction].every(
    (text) => text.trim() !== '',
  );
  return (
    <form
      className={classes.form}
      onSubmit={(event) => {
        event.preventDefault();
        if (!isWhole) return;
        draft.clear();
        const { headline, what, why, correction } = wording;
        onAdd(
          {
            ...wording,
            headline: headline.trim(),
            what: what.trim(),
            why: why.trim(),
            correction: correction.trim(),
          },
          receptacles,
        );
      }}
    >
      <FromBefore draft={draft} />
      <TextInput
        label="Headline"
        data-autofocus
        maxLength={200}
        value={wording.headline}
        onChange={(event) => draft.change({ headline: event.currentTarget.value })}
      />
      <NativeSelect
        label="Urgency"
        value={wording.urgency}
        data={Object.entries(words.urgencies).map(([value, label]) => ({ value, label }))}
        onChange={(event) => draft.change({ urgency: event.currentTarget.value as Wording['urgency'] })}
      />
      {texts.map(([field, label]) => (
        <Textarea
          key={field}
          label={label}
          autosize
          minRows={2}
          maxLength={1000}
          value={wording[field]}
          onChange={(event) => draft.change({ [field]: event.currentTarget.value })}
        />
      ))}
      <MultiSelect
        label={words.screens.receptaclesTitle}
        searchable
        value={[...receptacles]}
        data={receptaclesOf(house).map(({ id, name }) => ({ value: id, label: name }))}
        onChange={(chosen) => draft.change({ receptacles: chosen })}
      />
      <Button type="submit" disabled={!isWhole}>
        Add
      </Button>
    </form>
  );
}
