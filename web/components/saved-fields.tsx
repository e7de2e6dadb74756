import { NumberInput, Slider, type SliderProps, Textarea, TextInput } from '@mantine/core';
import { useDebouncedCallback } from '@mantine/hooks';
import { type ChangeEvent, type KeyboardEvent, useEffect, useState } from 'react';
import { useWhenGone } from './use-when-gone';

interface Shared {
  readonly label: string;
  readonly description?: string;
  readonly placeholder?: string;
  readonly isDisabled?: boolean;
  /** The label is for those who do not see the row it stands in. */
  readonly isInRow?: boolean;
}

const labelled = ({ label, isInRow = false, ...rest }: Omit<Shared, 'isDisabled'>) =>
  isInRow ? { 'aria-label': label, ...rest } : { label, ...rest };

interface Kept {
  readonly value: string | null;
  /** Follows what is typed. */
  readonly onType?: ((text: string) => void) | undefined;
  /** Called when the field is left with something else in it; null: emptied. */
  readonly onSave: (text: string | null) => void;
}

/** What a field of text needs so that what is typed is kept when the field is left. */
function useTyped({ value, onType, onSave }: Kept) {
  const [typed, setTyped] = useState<string | null>(null);
  const leave = (): void => {
    if (typed === null) return;
    const text = typed.trim() === '' ? null : typed.trim();
    if (text !== value) onSave(text);
    setTyped(null);
  };
  useWhenGone(leave);
  return {
    value: typed ?? value ?? '',
    onChange: (event: ChangeEvent<HTMLInputElement | HTMLTextAreaElement>): void => {
      setTyped(event.currentTarget.value);
      onType?.(event.currentTarget.value);
    },
    onBlur: leave,
  };
}

/** Enter leaves a field of one line. */
const leaveOnEnter = (event: KeyboardEvent<HTMLInputElement>): void => {
  if (event.key === 'Enter') event.currentTarget.blur();
};

export interface SavedTextProps extends Shared, Kept {
  readonly longest: number;
}

/** A line of text that is kept when the field is left. */
export function SavedText({ value, longest, onType, onSave, isDisabled = false, ...shared }: SavedTextProps) {
  const typed = useTyped({ value, onType, onSave });
  return (
    <TextInput
      {...labelled(shared)}
      maxLength={longest}
      disabled={isDisabled}
      {...typed}
      onKeyDown={leaveOnEnter}
    />
  );
}

/** A day that is kept when the field is left. */
export function SavedDay({ value, onSave, isDisabled = false, ...shared }: Shared & Omit<Kept, 'onType'>) {
  const typed = useTyped({ value, onSave });
  return <TextInput type="date" {...labelled(shared)} disabled={isDisabled} {...typed} />;
}

/** Some lines of text that are kept when the field is left. */
export function SavedWords({
  value,
  longest,
  onType,
  onSave,
  isDisabled = false,
  ...shared
}: SavedTextProps) {
  const typed = useTyped({ value, onType, onSave });
  return (
    <Textarea
      {...labelled(shared)}
      autosize
      minRows={2}
      maxRows={12}
      maxLength={longest}
      disabled={isDisabled}
      {...typed}
    />
  );
}

export interface SavedNumberProps extends Shared {
  readonly value: number | null;
  readonly least: number;
  readonly most: number;
  /** Parts of a whole count too. */
  readonly isDecimal?: boolean;
  /** Behind the number, such as " V". */
  readonly suffix?: string;
  readonly onSave: (value: number | null) => void;
}

/** A number that is kept when the field is left; one out of bounds is not taken, and said so. */
export function SavedNumber({
  value,
  least,
  most,
  isDecimal = false,
  suffix = '',
  onSave,
  isDisabled = false,
  ...shared
}: SavedNumberProps) {
  const [typed, setTyped] = useState<number | string | null>(null);
  const isOut = typeof typed === 'number' && (typed < least || typed > most);
  const leave = (): void => {
    if (typed === null || isOut) return;
    const number = typeof typed === 'number' ? typed : null;
    if (number !== value) onSave(number);
    setTyped(null);
  };
  useWhenGone(leave);
  return (
    <NumberInput
      {...labelled(shared)}
      allowDecimal={isDecimal}
      allowNegative={least < 0}
      suffix={suffix}
      inputMode={isDecimal ? 'decimal' : 'numeric'}
      thousandSeparator={false}
      clampBehavior="none"
      hideControls
      disabled={isDisabled}
      value={typed ?? value ?? ''}
      error={isOut ? `From ${least} to ${most}` : undefined}
      onChange={setTyped}
      onBlur={leave}
      onKeyDown={leaveOnEnter}
    />
  );
}

/** A slider that has stood still for so long is kept. */
const stillMilliseconds = 350;

export interface SavedSliderProps
  extends Omit<SliderProps, 'value' | 'onChange' | 'onChangeEnd' | 'defaultValue'> {
  readonly value: number;
  /** Follows the thumb. */
  readonly onSlide?: (value: number) => void;
  readonly onSave: (value: number) => void;
}

/** A slider whose value is kept once it stands still. */
export function SavedSlider({ value, onSlide, onSave, ...shared }: SavedSliderProps) {
  const [moved, setMoved] = useState<number | null>(null);
  const save = useDebouncedCallback(onSave, { delay: stillMilliseconds, flushOnUnmount: true });
  // What was kept takes over, unless the thumb has gone on meanwhile: that is kept next.
  useEffect(() => setMoved((now) => (now === value ? null : now)), [value]);
  return (
    <Slider
      color="ink"
      {...shared}
      value={moved ?? value}
      onChange={(to) => {
        setMoved(to);
        onSlide?.(to);
        save(to);
      }}
    />
  );
}
