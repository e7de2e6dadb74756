import { Button, Textarea } from '@mantine/core';
import { type SubmitEvent, useState } from 'react';
import type { SheetProps } from './sheet-props';
import classes from './sheets.module.css';

export function NoteSheet({ walk, onClose }: SheetProps) {
  const [text, setText] = useState('');
  const notes = walk.receptacle?.notes ?? [];
  const save = (event: SubmitEvent): void => {
    event.preventDefault();
    if (text.trim() === '') return;
    walk.say((receptacle) => [{ kind: 'noted', receptacle, text: text.trim() }], `Noted: ${walk.name}`);
    onClose();
  };
  return (
    <form className={classes.sheet} onSubmit={save}>
      {notes.map(({ id, text: noted }) => (
        <p key={id} className={classes.caution}>
          {noted}
        </p>
      ))}
      <Textarea
        label="Note"
        autosize
        minRows={3}
        maxLength={1000}
        value={text}
        onChange={(event) => setText(event.currentTarget.value)}
        data-autofocus
      />
      <Button type="submit" disabled={text.trim() === ''}>
        Keep the note
      </Button>
    </form>
  );
}
