import { NumberInput, Slider, type SliderProps, TextInput } from '@mantine/core';
import { useDebouncedCallback } from '@mantine/hooks';
import { useEffect, useState } from 'react';

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

export interface SavedTextProps extends Shared {
  readonly value: string | null;
  readonly longest: number;
  /** Called when the field is left with something else in it; null: emptied. */
  readonly onSave: (text: string | null) => void;
}

/** A line of text that is kept when the field is left. */
export function SavedText({ value, longest, onSave, isDisabled = false, ...shared }: SavedTextProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const leave = (): void => {
    if (typed === null) return;
    const text = typed.trim() === '' ? null : typed.trim();
    if (text !== value) onSave(text);
    setTyped(null);
  };
  return (
    <TextInput
      {...labelled(shared)}
      maxLength={longest}
      disabled={isDisabled}
      value={typed ?? value ?? ''}
      onChange={(event) => setTyped(event.currentTarget.value)}
      onBlur={leave}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur();
      }}
    />
  );
}

export interface SavedNumberProps extends Shared {
  readonly value: number | null;
  readonly least: number;
  readonly most: number;
  readonly onSave: (value: number | null) => void;
}

/** A whole number that is kept when the field is left; one out of bounds is not taken, and said so. */
export function SavedNumber({ value, least, most, onSave, isDisabled = false, ...shared }: SavedNumberProps) {
  const [typed, setTyped] = useState<number | string | null>(null);
  const isOut = typeof typed === 'number' && (typed < least || typed > most);
  const leave = (): void => {
    if (typed === null || isOut) return;
    const number = typeof typed === 'number' ? typed : null;
    if (number !== value) onSave(number);
    setTyped(null);
  };
  return (
    <NumberInput
      {...labelled(shared)}
      allowDecimal={false}
      allowNegative={false}
      thousandSeparator={false}
      clampBehavior="none"
      hideControls
      disabled={isDisabled}
      value={typed ?? value ?? ''}
      error={isOut ? `From ${least} to ${most}` : undefined}
      onChange={setTyped}
      onBlur={leave}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur();
      }}
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
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was kept takes over
  useEffect(() => setMoved(null), [value]);
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
