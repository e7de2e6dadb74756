import { Button, NumberInput, TextInput } from '@mantine/core';
import { type SubmitEvent, useState } from 'react';
import classes from './feed-form.module.css';

export interface FeedFormProps {
  readonly breaker: string | null;
  readonly place: number | null;
  readonly onFeed: (breaker: string | null, place: number | null) => void;
}

/** Which breaker feeds the receptacle, and where along the run it comes. */
export function FeedForm({ breaker, place, onFeed }: FeedFormProps) {
  const [name, setName] = useState(breaker ?? '');
  const [position, setPosition] = useState<string | number>(place ?? '');
  const typed = name.trim() === '' ? null : name.trim();
  const counted = typeof position === 'number' ? position : null;
  const isChanged = typed !== breaker || counted !== place;
  const submit = (event: SubmitEvent): void => {
    event.preventDefault();
    if (isChanged) onFeed(typed, typed === null ? null : counted);
  };
  return (
    <form className={classes.form} onSubmit={submit}>
      <TextInput
        label="Breaker"
        placeholder="7"
        maxLength={40}
        value={name}
        onChange={(event) => setName(event.currentTarget.value)}
      />
      <NumberInput
        label="Place from panel"
        placeholder="not known"
        min={1}
        max={200}
        allowDecimal={false}
        value={position}
        onChange={setPosition}
      />
      <Button type="submit" variant="default" disabled={!isChanged}>
        Set
      </Button>
    </form>
  );
}
