import { Button, Textarea } from '@mantine/core';
import type { SubmitEvent } from 'react';
import { FromBefore } from '@/components/from-before';
import { Phrases } from '@/components/photos/saved-phrase';
import { useDraft } from '@/local/use-draft';
import { placeOf, type SheetProps } from './sheet-props';
import classes from './sheets.module.css';

/** A note on the current receptacle. */
export function NoteSheet({ job, walk, onClose }: SheetProps) {
  const draft = useDraft(`note ${job} ${placeOf(walk)}`, { text: '' });
  const { text } = draft.fields;
  const notes = walk.here.receptacle?.notes ?? [];
  const save = (event: SubmitEvent): void => {
    event.preventDefault();
    if (text.trim() === '') return;
    walk.record.statement(
      (receptacle) => [{ kind: 'noted', receptacle, text: text.trim() }],
      `Noted: ${walk.here.name}`,
    );
    draft.clear();
    onClose();
  };
  return (
    <form className={classes.sheet} onSubmit={save}>
      {notes.map(({ id, text: noted }) => (
        <p key={id} className={classes.caution}>
          {noted}
        </p>
      ))}
      <FromBefore draft={draft} />
      <Textarea
        label="Note"
        description="Typed, or spoken with the keyboard’s own dictation: what stands here is kept as it comes."
        autosize
        minRows={3}
        maxLength={1000}
        value={text}
        onChange={(event) => draft.change({ text: event.currentTarget.value })}
        data-autofocus
      />
      <Phrases typed={text} onTake={(to) => draft.change({ text: to })} />
      <Button type="submit" disabled={text.trim() === ''}>
        Keep the note
      </Button>
    </form>
  );
}
