import { type HazardId, oddValues } from '@fair-plug/core/assessment';
import {
  type InstrumentId,
  instrumentIds,
  instruments,
  lampStates,
  type Shown,
  type Span,
  shownSchema,
} from '@fair-plug/core/instruments';
import { Button, Checkbox, NumberInput, SegmentedControl } from '@mantine/core';
import { type SubmitEvent, useState } from 'react';
import { ChoiceKeys } from '@/components/choice-keys';
import { FromBefore } from '@/components/from-before';
import { useRegion, useWords } from '@/components/region-words';
import { useDraft } from '@/local/use-draft';
import type { AskedReading } from './asked-reading';
import classes from './reading-fields.module.css';

type Enterable = Shown['instrument'];
const isEnterable = (id: InstrumentId): id is Enterable => instruments[id].watches === undefined;
/** The quickest first; lamps, which the patterns record, for another state alone. */
const enterable = [
  ...instrumentIds
    .filter((id) => isEnterable(id) && id !== 'lamps')
    .toSorted((a, b) => instruments[a].seconds - instruments[b].seconds),
  'lamps',
] as readonly Enterable[];

const fieldsOf = (instrument: Enterable): readonly Span[] =>
  Object.values(instruments[instrument].reads?.fields ?? {});

/** Words among which the value of a field is one; none where it is a number. */
function choicesOf(instrument: Enterable): readonly string[] | null {
  const channel = instruments[instrument].reads?.value.channel;
  if (channel === 'sounds') return ['silent', 'sounds'];
  return channel === 'lamp' ? lampStates : null;
}

/** True of a meter between the contacts: not every pair need be measured. */
const mayLack = (instrument: Enterable): boolean =>
  instruments[instrument].reads?.value.channel === 'volts' && fieldsOf(instrument).includes('hn');

const sounds = (instrument: Enterable): boolean => instruments[instrument].reads?.value.channel === 'sounds';

interface Values {
  readonly [field: string]: string | number;
}

/** The statement that the fields make, or null while something is missing. */
function shownBy(instrument: Enterable, values: Values, set: number, loadsOff: boolean): Shown | null {
  const { setting } = instruments[instrument];
  const state = loadsOff ? { state: { loadsOff: true } } : {};
  const read: Record<string, string | number | boolean> = {};
  for (const field of fieldsOf(instrument)) {
    const value = values[field];
    if (sounds(instrument)) read[field] = value === 'sounds';
    else if (value !== undefined && value !== '') read[field] = value;
  }
  if (sounds(instrument) && fieldsOf(instrument).some((field) => values[field] === undefined)) return null;
  const parsed = shownSchema().safeParse({
    ...state,
    instrument,
    ...(setting === undefined ? {} : { [setting.name]: set }),
    ...read,
  });
  return parsed.success ? parsed.data : null;
}

/** A probe is held to the plate screw too; what was not said is left out. */
const plateOf = (instrument: Enterable, values: Values): boolean | undefined =>
  !sounds(instrument) || values.plate === undefined ? undefined : values.plate === 'sounds';

export interface ReadingFieldsProps {
  readonly asked: AskedReading;
  /** Key of what is drafted at the current receptacle. */
  readonly place: string;
  /** Why an instrument is not used here as things stand. */
  readonly hazardOf: (instrument: InstrumentId) => HazardId | null;
  readonly onRecord: (shown: Shown, plateScrew?: boolean) => void;
}

/** An instrument, and what it shows. */
export function ReadingFields({ asked, place, hazardOf, onRecord }: ReadingFieldsProps) {
  const words = useWords();
  const [instrument, setInstrument] = useState<Enterable>(
    isEnterable(asked.instrument) ? asked.instrument : 'meter',
  );
  const hazard = hazardOf(instrument);
  const isLoad = instruments[instrument].reads?.load !== undefined;
  return (
    <div className={classes.form}>
      <ChoiceKeys
        legend="Instrument"
        choices={enterable.map((id) => [id, words.instruments[id].name] as const)}
        chosen={(id) => id === instrument}
        onChoose={setInstrument}
      />
      {(hazard !== null || isLoad) && (
        <p className={classes.caution}>
          {hazard !== null && <strong>{words.screens.walk.hazards[hazard]} </strong>}
          {isLoad && words.cautions['load-test']}
        </p>
      )}
      <ValueFields
        key={instrument}
        instrument={instrument}
        areLoadsOff={asked.loadsOff}
        place={place}
        onRecord={onRecord}
      />
    </div>
  );
}

interface ValueFieldsProps extends Pick<ReadingFieldsProps, 'place' | 'onRecord'> {
  readonly instrument: Enterable;
  readonly areLoadsOff: boolean;
}

/** What one instrument shows: checked, as it is typed, by the schemas of entries. */
function ValueFields({ instrument, areLoadsOff, place, onRecord }: ValueFieldsProps) {
  const [loadsOff, setLoadsOff] = useState(areLoadsOff);
  const draft = useDraft<Values>(`reading ${place} ${instrument}`, {});
  const { amps = instruments[instrument].setting?.usual ?? 0, ...values } = draft.fields;
  const shown = shownBy(instrument, values, Number(amps), loadsOff);
  const region = useRegion();
  const words = useWords();
  const labels = { ...words.screens.pairs, ...words.screens.probed };
  const odd = shown === null ? [] : oddValues(shown, region);
  const submit = (event: SubmitEvent): void => {
    event.preventDefault();
    if (shown === null) return;
    draft.clear();
    onRecord(shown, plateOf(instrument, values));
  };
  return (
    <form className={classes.form} onSubmit={submit}>
      <FromBefore draft={draft} />
      {instruments[instrument].setting !== undefined && (
        <NumberInput
          label="Load"
          suffix=" A"
          allowNegative={false}
          clampBehavior="none"
          value={amps}
          onChange={(value) => draft.change({ amps: value })}
        />
      )}
      {mayLack(instrument) && (
        <p className={classes.hint}>One pair is enough; leave empty what was not measured.</p>
      )}
      {fieldsOf(instrument).map((field, index) => (
        <Field
          key={field}
          label={labels[field]}
          instrument={instrument}
          isFirst={index === 0}
          value={values[field]}
          onChange={(value) => draft.change({ [field]: value })}
        />
      ))}
      {sounds(instrument) && (
        <Field
          label="Plate screw"
          instrument={instrument}
          isFirst={false}
          value={values.plate}
          onChange={(plate) => draft.change({ plate })}
        />
      )}
      <Checkbox
        label="Everything on the circuit is off or unplugged"
        checked={loadsOff}
        onChange={(event) => setLoadsOff(event.currentTarget.checked)}
      />
      {odd.map((one) => (
        <p key={one.kind} className={classes.caution} role="alert">
          {words.oddValue(one)} It is recorded as typed; look again.
        </p>
      ))}
      <Button type="submit" size="lg" disabled={shown === null}>
        Record
      </Button>
    </form>
  );
}

/** The first choice has the focus when the fields show: at once, and from the dialog that opens around them. */
function takeFocus(fieldset: HTMLFieldSetElement | null): void {
  const first = fieldset?.querySelector('input');
  if (first === null || first === undefined) return;
  first.dataset.autofocus = 'true';
  first.focus();
}

function Field({
  label,
  instrument,
  isFirst,
  value,
  onChange,
}: {
  readonly label: string;
  readonly instrument: Enterable;
  readonly isFirst: boolean;
  readonly value: string | number | undefined;
  readonly onChange: (value: string | number) => void;
}) {
  const choices = choicesOf(instrument);
  if (choices !== null) {
    return (
      <fieldset className={classes.choice} ref={isFirst ? takeFocus : null}>
        <legend>{label}</legend>
        <SegmentedControl
          fullWidth
          size="md"
          aria-label={label}
          data={[...choices]}
          value={typeof value === 'string' ? value : ''}
          onChange={onChange}
        />
      </fieldset>
    );
  }
  return (
    <NumberInput
      label={label}
      suffix=" V"
      inputMode="decimal"
      size="md"
      allowNegative={false}
      clampBehavior="none"
      hideControls
      value={value ?? ''}
      onChange={onChange}
      {...(isFirst ? { autoFocus: true, 'data-autofocus': true } : {})}
    />
  );
}
