import type { Finding, Wording } from '@fair-plug/core/findings';
import { urgencies, type Worker, workers } from '@fair-plug/core/knowledge';
import { Button, NativeSelect, Textarea, TextInput } from '@mantine/core';
import { FromBefore } from '@/components/from-before';
import { useWords } from '@/components/region-words';
import type { Edit } from '@/components/use-decisions';
import { useDraft } from '@/local/use-draft';
import classes from './findings.module.css';

export interface FindingEditProps {
  readonly job: string;
  readonly finding: Finding;
  readonly onEdit: (edit: Edit) => void;
}

interface Worded extends Wording {
  readonly note: string;
}

const texts = [
  ['headline', 'Headline', 200],
  ['what', 'What is wrong', 1000],
  ['why', 'Why it matters', 1000],
  ['correction', 'Correction', 1000],
] as const;

/** What differs from the engine's word; null where it is the engine's again. */
function editOf(draft: Worded, { original, note }: Finding): Edit {
  const field = <K extends keyof Wording>(name: K): Wording[K] | null => {
    const value = typeof draft[name] === 'string' ? (draft[name].trim() as Wording[K]) : draft[name];
    return value === original[name] || value === '' ? null : value;
  };
  const noted = draft.note.trim();
  return {
    urgency: field('urgency'),
    headline: field('headline'),
    what: field('what'),
    why: field('why'),
    correction: field('correction'),
    by: field('by'),
    ...(noted === (note ?? '') ? {} : { note: noted === '' ? null : noted }),
  };
}

/** A finding in the inspector's own words; the engine's stay beside them. */
export function FindingEdit({ job, finding, onEdit }: FindingEditProps) {
  const words = useWords();
  const { urgency, headline, what, why, correction, by, note, original } = finding;
  const draft = useDraft<Worded>(`finding ${job} ${finding.key}`, {
    urgency,
    headline,
    what,
    why,
    correction,
    by,
    note: note ?? '',
  });
  const { fields, change } = draft;
  return (
    <form
      className={classes.form}
      onSubmit={(event) => {
        event.preventDefault();
        draft.clear();
        onEdit(editOf(fields, finding));
      }}
    >
      <FromBefore draft={draft} />
      <div className={classes.pair}>
        <NativeSelect
          label="Urgency"
          value={fields.urgency}
          data={urgencies.map((value) => ({ value, label: words.urgencies[value] }))}
          onChange={(event) => change({ urgency: event.currentTarget.value as Wording['urgency'] })}
        />
        <NativeSelect
          label="Who does it"
          value={fields.by}
          data={Object.entries(workers).map(([value, label]) => ({ value, label }))}
          onChange={(event) => change({ by: event.currentTarget.value as Worker })}
        />
      </div>
      {texts.map(([field, label, longest]) => {
        const isChanged = fields[field].trim() !== original[field];
        const shared = {
          label,
          maxLength: longest,
          value: fields[field],
          description: isChanged ? `As proposed: ${original[field]}` : undefined,
          onChange: (event: { currentTarget: { value: string } }) =>
            change({ [field]: event.currentTarget.value }),
        };
        return field === 'headline' ? (
          <TextInput key={field} data-autofocus {...shared} />
        ) : (
          <Textarea key={field} autosize minRows={2} {...shared} />
        );
      })}
      <Textarea
        label="Note"
        autosize
        minRows={1}
        maxLength={1000}
        value={fields.note}
        onChange={(event) => change({ note: event.currentTarget.value })}
      />
      <div className={classes.actions}>
        <Button type="submit">Keep</Button>
        <Button variant="default" onClick={() => change(original)}>
          The engine’s words again
        </Button>
      </div>
    </form>
  );
}
