import { phrasesFor } from '@fair-plug/core/log';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { SavedText, type SavedTextProps } from '@/components/saved-fields';
import { useFirmSettings } from '@/local/use-firm-settings';
import classes from './photos.module.css';

/** A line of text for which the firm's phrases are offered while it is typed. */
export function SavedPhrase(props: SavedTextProps) {
  const [typed, setTyped] = useState('');
  return (
    <div>
      <SavedText {...props} onType={setTyped} />
      <Phrases typed={typed} onTake={(text) => props.onSave(text)} />
    </div>
  );
}

/** Phrases of the firm that go on from what was typed, each a key. */
export function Phrases({
  typed,
  onTake,
}: {
  readonly typed: string;
  /** All that stands in the field then. */
  readonly onTake: (text: string) => void;
}) {
  const { phrases } = useFirmSettings();
  const offered = phrasesFor(phrases ?? [], typed);
  if (offered.length === 0) return null;
  return (
    <fieldset className={classes.phrases} aria-label="Phrases of the firm">
      {offered.map(({ id, phrase, text }) => (
        <Button
          key={id}
          variant="default"
          size="compact-md"
          // Before the field is left: what was typed until then is part of the phrase.
          onPointerDown={(event) => event.preventDefault()}
          onClick={() => onTake(text)}
        >
          {phrase}
        </Button>
      ))}
    </fieldset>
  );
}
