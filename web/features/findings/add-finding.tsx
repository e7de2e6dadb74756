import { urgencyWords } from '@fair-plug/core/conditions';
import type { Wording } from '@fair-plug/core/findings';
import { type House, receptaclesOf } from '@fair-plug/core/inspection';
import { Button, MultiSelect, NativeSelect, Textarea, TextInput } from '@mantine/core';
import { useState } from 'react';
import { Sheet } from '@/components/sheet';
import classes from './findings.module.css';
import type { Decisions } from './use-decisions';

export interface AddFindingProps {
  readonly opened: boolean;
  readonly onClose: () => void;
  readonly house: House;
  readonly decisions: Decisions | null;
}

/** A finding that nothing read or seen proposes. */
export function AddFinding({ opened, onClose, house, decisions }: AddFindingProps) {
  return (
    <Sheet opened={opened} onClose={onClose} title="Add a finding">
      <AddForm
        house={house}
        onAdd={(wording, receptacles) => {
          decisions?.add(wording, receptacles);
          onClose();
        }}
      />
    </Sheet>
  );
}

const empty: Wording = {
  urgency: 'repair',
  headline: '',
  what: '',
  why: '',
  correction: 'A licensed electrician looks at it.',
  by: 'electrician',
};

interface AddFormProps {
  readonly house: House;
  readonly onAdd: (wording: Wording, receptacles: readonly string[]) => void;
}

function AddForm({ house, onAdd }: AddFormProps) {
  const [wording, setWording] = useState<Wording>(empty);
  const [receptacles, setReceptacles] = useState<readonly string[]>([]);
  const set = (fields: Partial<Wording>): void => setWording({ ...wording, ...fields });
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
      <TextInput
        label="Headline"
        data-autofocus
        maxLength={200}
        value={wording.headline}
        onChange={(event) => set({ headline: event.currentTarget.value })}
      />
      <NativeSelect
        label="Urgency"
        value={wording.urgency}
        data={Object.entries(urgencyWords).map(([value, label]) => ({ value, label }))}
        onChange={(event) => set({ urgency: event.currentTarget.value as Wording['urgency'] })}
      />
      {texts.map(([field, label]) => (
        <Textarea
          key={field}
          label={label}
          autosize
          minRows={2}
          maxLength={1000}
          value={wording[field]}
          onChange={(event) => set({ [field]: event.currentTarget.value })}
        />
      ))}
      <MultiSelect
        label="Receptacles"
        searchable
        value={[...receptacles]}
        data={receptaclesOf(house).map(({ id, name }) => ({ value: id, label: name }))}
        onChange={setReceptacles}
      />
      <Button type="submit" disabled={!isWhole}>
        Add
      </Button>
    </form>
  );
}
