import { type InstrumentId, type Shown, shownSchema, usualLoadAmps } from '@fair-plug/core/circuit';
import { cautions } from '@fair-plug/core/conditions';
import { contacts, lampStates, pairs } from '@fair-plug/core/instruments';
import { instrumentWords } from '@fair-plug/core/judgement';
import { Button, Checkbox, Modal, NumberInput, SegmentedControl } from '@mantine/core';
import { useMediaQuery } from '@mantine/hooks';
import { type SubmitEvent, useState } from 'react';
import classes from './reading-form.module.css';

/** What the form opens with. */
export interface AskedReading {
  readonly instrument: InstrumentId;
  readonly loadsOff: boolean;
}

const enterable = ['probe', 'meter', 'meter-low', 'earth-meter', 'loaded', 'lamps'] as const;
type Enterable = (typeof enterable)[number];
const isEnterable = (id: InstrumentId): id is Enterable => enterable.some((one) => one === id);

const words = {
  hn: 'Hot–neutral',
  hg: 'Hot–ground',
  ng: 'Neutral–ground',
  hot: 'Hot (narrow slot)',
  neutral: 'Neutral (wide slot)',
  ground: 'Ground',
} as const;
/** Above this a reading on a 120 V circuit is worth a second look; it is kept as typed all the same. */
const unusualVolts = 250;

const fieldsOf = (instrument: Enterable) =>
  instrument === 'probe' || instrument === 'earth-meter' ? contacts : pairs;

interface Values {
  readonly [field: string]: string | number;
}

/** The statement that the fields make, or null while something is missing. */
function shownBy(instrument: Enterable, values: Values, amps: number, loadsOff: boolean): Shown | null {
  const state = loadsOff ? { state: { loadsOff: true } } : {};
  const read = Object.fromEntries(
    fieldsOf(instrument).map((field) => [
      field,
      instrument === 'probe' ? values[field] === 'sounds' : values[field],
    ]),
  );
  if (instrument === 'probe' && fieldsOf(instrument).some((field) => values[field] === undefined))
    return null;
  const parsed = shownSchema.safeParse({
    ...state,
    instrument,
    ...(instrument === 'loaded' ? { amps } : {}),
    ...read,
  });
  return parsed.success ? parsed.data : null;
}

export interface ReadingFormProps {
  readonly name: string;
  /** null: closed. */
  readonly asked: AskedReading | null;
  /** True where nothing read so far rules out a live ground. */
  readonly groundMayBeLive: boolean;
  readonly onRecord: (shown: Shown) => void;
  readonly onClose: () => void;
}

/** Enters what an instrument shows at the receptacle in hand. */
export function ReadingForm(props: ReadingFormProps) {
  const { asked, name, onClose } = props;
  const isPhone = useMediaQuery('(max-width: 48em)', false);
  return (
    <Modal
      opened={asked !== null}
      onClose={onClose}
      fullScreen={isPhone}
      title={`${name}: what does it show?`}
      closeButtonProps={{ 'aria-label': 'Close' }}
    >
      {asked !== null && <Fields key={`${asked.instrument} ${asked.loadsOff}`} {...props} asked={asked} />}
    </Modal>
  );
}

function Fields({ asked, groundMayBeLive, onRecord }: ReadingFormProps & { readonly asked: AskedReading }) {
  const [instrument, setInstrument] = useState<Enterable>(
    isEnterable(asked.instrument) ? asked.instrument : 'meter',
  );
  const [loadsOff, setLoadsOff] = useState(asked.loadsOff);
  const [values, setValues] = useState<Values>({});
  const [amps, setAmps] = useState<string | number>(usualLoadAmps);
  const shown = shownBy(instrument, values, Number(amps), loadsOff);
  const isUnusual = Object.values(values).some((value) => typeof value === 'number' && value > unusualVolts);
  const submit = (event: SubmitEvent): void => {
    event.preventDefault();
    if (shown !== null) onRecord(shown);
  };
  return (
    <form className={classes.form} onSubmit={submit}>
      <fieldset className={classes.instruments}>
        <legend>Instrument</legend>
        {enterable.map((id) => (
          <button
            key={id}
            type="button"
            aria-pressed={id === instrument}
            onClick={() => {
              setInstrument(id);
              setValues({});
            }}
          >
            {instrumentWords[id].name}
          </button>
        ))}
      </fieldset>
      {instrument === 'loaded' && (
        <p className={classes.caution}>
          {groundMayBeLive && (
            <strong>A live ground is not ruled out here: hold the probe to the ground first. </strong>
          )}
          {cautions['load-test']}
        </p>
      )}
      {instrument === 'loaded' && (
        <NumberInput label="Load" suffix=" A" min={0.1} max={100} value={amps} onChange={setAmps} />
      )}
      {fieldsOf(instrument).map((field, index) => (
        <Field
          key={`${instrument} ${field}`}
          label={words[field]}
          instrument={instrument}
          isFirst={index === 0}
          value={values[field]}
          onChange={(value) => setValues((before) => ({ ...before, [field]: value }))}
        />
      ))}
      <Checkbox
        label="Everything on the circuit is off or unplugged"
        checked={loadsOff}
        onChange={(event) => setLoadsOff(event.currentTarget.checked)}
      />
      {isUnusual && (
        <p className={classes.caution} role="alert">
          More than {unusualVolts} V is unusual here. It is recorded as typed; look again.
        </p>
      )}
      <Button type="submit" size="lg" disabled={shown === null}>
        Record
      </Button>
    </form>
  );
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
  if (instrument === 'probe' || instrument === 'lamps') {
    const choices = instrument === 'probe' ? (['silent', 'sounds'] as const) : lampStates;
    return (
      <fieldset className={classes.choice}>
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
      min={0}
      max={1000}
      decimalScale={2}
      hideControls
      value={value ?? ''}
      onChange={onChange}
      {...(isFirst ? { 'data-autofocus': true } : {})}
    />
  );
}
