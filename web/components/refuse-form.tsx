import { Button, Textarea } from '@mantine/core';
import { useDraft } from '@/local/use-draft';
import { FromBefore } from './from-before';
import classes from './refuse-form.module.css';

export interface RefuseFormProps {
  readonly draftedAs: string;
  readonly onRefuse: (reason: string) => void;
}

/** Why a finding is none. */
export function RefuseForm({ draftedAs, onRefuse }: RefuseFormProps) {
  const draft = useDraft(draftedAs, { reason: '' });
  const { reason } = draft.fields;
  return (
    <form
      className={classes.form}
      onSubmit={(event) => {
        event.preventDefault();
        if (reason.trim() === '') return;
        draft.clear();
        onRefuse(reason.trim());
      }}
    >
      <p className={classes.soft}>
        It is left out of the report; the readings stay, with this reason at each of its receptacles.
      </p>
      <FromBefore draft={draft} />
      <Textarea
        label="Why is it no finding?"
        data-autofocus
        autosize
        minRows={2}
        maxLength={500}
        value={reason}
        onChange={(event) => draft.change({ reason: event.currentTarget.value })}
      />
      <Button type="submit" disabled={reason.trim() === ''}>
        Refuse
      </Button>
    </form>
  );
}
