import { Button, NumberInput, TextInput } from '@mantine/core';
import { type SubmitEvent, useRef, useState } from 'react';
import { useWhenGone } from '@/components/use-when-gone';
import classes from './feed-form.module.css';

export interface FeedFormProps {
  readonly breaker: string | null;
  readonly place: number | null;
  readonly onFeed: (breaker: string | null, place: number | null) => void;
}

/** Which breaker feeds the receptacle, and where along the run it comes; both are kept when the two fields are left. */
export function FeedForm({ breaker, place, onFeed }: FeedFormProps) {
  const [name, setName] = useState(breaker ?? '');
  const [position, setPosition] = useState<string | number>(place ?? '');
  const typed = name.trim() === '' ? null : name.trim();
  const counted = typeof position === 'number' ? position : null;
  // A place along a run that nobody knows says nothing.
  const isChanged = typed !== breaker || (typed !== null && counted !== place);
  const isKept = useRef(false);
  const feed = (): void => {
    if (!isChanged || isKept.current) return;
    isKept.current = true;
    onFeed(typed, typed === null ? null : counted);
  };
  useWhenGone(feed);
  const submit = (event: SubmitEvent): void => {
    event.preventDefault();
    feed();
  };
  return (
    <form
      className={classes.form}
      onSubmit={submit}
      onChange={() => {
        isKept.current = false;
      }}
      onBlur={(event) => {
        if (!event.currentTarget.contains(event.relatedTarget)) feed();
      }}
    >
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
