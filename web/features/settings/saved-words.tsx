import { Textarea } from '@mantine/core';
import { useState } from 'react';

export interface SavedWordsProps {
  readonly label: string;
  readonly description?: string;
  readonly placeholder?: string;
  readonly value: string | null;
  readonly longest: number;
  readonly isDisabled: boolean;
  /** Follows what is typed. */
  readonly onType?: (text: string) => void;
  /** Called when the field is left with something else in it; null: emptied. */
  readonly onSave: (text: string | null) => void;
}

/** Some lines of text that are kept when the field is left. */
export function SavedWords({ value, longest, isDisabled, onType, onSave, ...shared }: SavedWordsProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const leave = (): void => {
    if (typed === null) return;
    const text = typed.trim() === '' ? null : typed.trim();
    if (text !== value) onSave(text);
    setTyped(null);
  };
  return (
    <Textarea
      {...shared}
      autosize
      minRows={2}
      maxRows={12}
      maxLength={longest}
      disabled={isDisabled}
      value={typed ?? value ?? ''}
      onChange={(event) => {
        setTyped(event.currentTarget.value);
        onType?.(event.currentTarget.value);
      }}
      onBlur={leave}
    />
  );
}
