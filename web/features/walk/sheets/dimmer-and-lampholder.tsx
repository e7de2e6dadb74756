import {
  dimmerOf,
  lampKinds,
  regions,
  shellOf,
  type TemperatureUnit,
  temperatureUnits,
} from '@fair-plug/core/knowledge';
import { dimmerFigures, type House, type JobStatement, type Point } from '@fair-plug/core/log';
import { NativeSelect } from '@mantine/core';
import { ChoiceKeys } from '@/components/choice-keys';
import { SavedNumber } from '@/components/saved-fields';
import { useWholeWords } from '@/components/whole-words';
import type { SheetProps } from './sheet-props';
import classes from './sheets.module.css';

interface PointProps extends Pick<SheetProps, 'walk'> {
  readonly point: Point;
}

type Measured = Omit<Extract<JobStatement, { kind: 'dimmer-measured' }>, 'kind' | 'point'>;

/** A dimmer's plate, its watts and its rating, and what they come to. */
export function DimmerFields({ point, walk }: PointProps) {
  const { parts } = useWholeWords();
  const name = point.name ?? parts.pointKinds.dimmer;
  const {
    plate = null,
    unit = 'F',
    watts = null,
    rated = null,
    sidesOff = null,
    ganged = null,
    lamps,
  } = point.dimmer;
  const measure = (said: Measured): void =>
    walk.record.ofHouse(`${name}: measured`, { kind: 'dimmer-measured', point: point.id, ...said });
  return (
    <>
      <div className={classes.fields}>
        <SavedNumber
          label="Plate"
          suffix={` °${unit}`}
          least={-80}
          most={3000}
          isDecimal
          value={plate}
          onSave={(to) => measure({ plate: to, unit })}
        />
        <UnitSelect unit={unit} onChange={(to) => measure({ unit: to })} />
        <SavedNumber
          label="On it"
          suffix=" W"
          least={0}
          most={10_000}
          value={watts}
          onSave={(to) => measure({ watts: to })}
        />
        <SavedNumber
          label="Rated"
          suffix=" W"
          least={1}
          most={10_000}
          value={rated}
          onSave={(to) => measure({ rated: to })}
        />
        <SavedNumber
          label="Devices in its box"
          least={1}
          most={8}
          value={ganged}
          onSave={(to) => measure({ ganged: to })}
        />
      </div>
      <ChoiceKeys
        legend="Side fins broken off"
        choices={[
          ['0', 'None'],
          ['1', 'One side'],
          ['2', 'Both'],
        ]}
        chosen={(one) => Number(one) === sidesOff}
        onChoose={(one) => measure({ sidesOff: one === '0' ? 0 : one === '1' ? 1 : 2 })}
      />
      <ChoiceKeys
        legend="Lamps"
        choices={lampKinds.map((one) => [one, parts.lampKinds[one]] as const)}
        chosen={(one) => one === lamps}
        onChoose={(one) => measure({ lamps: one })}
      />
      <DimmerJudged name={name} dimmer={point.dimmer} />
    </>
  );
}

/** What a dimmer's figures come to. */
function DimmerJudged({ name, dimmer }: { readonly name: string; readonly dimmer: Point['dimmer'] }) {
  const { rules } = useWholeWords();
  const figures = dimmerFigures({ dimmer });
  const { watts, rated } = figures;
  const judged = dimmerOf(figures);
  return (
    <div role="status">
      {judged.isOverloaded && judged.allowed !== null && watts !== null && rated !== null && (
        <p className={classes.caution}>
          {rules.dimmerOverloaded({ name, connected: watts, allowed: judged.allowed, rated }).headline}
        </p>
      )}
      {judged.plate === 'referred' && <p className={classes.caution}>This warm, it is referred.</p>}
      {judged.plate === 'written-down' && (
        <p className={classes.caution}>Warm: written down. From 54 °C (130 °F) on it is referred.</p>
      )}
    </div>
  );
}

export function UnitSelect({
  unit,
  onChange,
}: {
  readonly unit: TemperatureUnit;
  readonly onChange: (to: TemperatureUnit) => void;
}) {
  return (
    <NativeSelect
      label="Degrees"
      value={unit}
      data={temperatureUnits.map((value) => ({ value, label: `°${value}` }))}
      onChange={(event) => onChange(event.currentTarget.value === 'C' ? 'C' : 'F')}
    />
  );
}

interface ShellFieldsProps extends PointProps {
  readonly house: House;
}

/** Volts from a lampholder's screw shell to ground, and what they come to. */
export function ShellFields({ point, walk, house }: ShellFieldsProps) {
  const { parts, rules } = useWholeWords();
  const name = point.name ?? parts.pointKinds.lampholder;
  const { switchOn = null, switchOff = null } = point.shell;
  const found = shellOf({ on: switchOn, off: switchOff }, regions[house.region].nominalVolts);
  const measure = (said: { readonly switchOn?: number | null; readonly switchOff?: number | null }): void =>
    walk.record.ofHouse(`${name}: measured`, { kind: 'lampholder-measured', point: point.id, ...said });
  return (
    <>
      <p className={classes.soft}>{parts.shellMeasured}</p>
      <div className={classes.fields}>
        <SavedNumber
          label="Switch on"
          suffix=" V"
          least={0}
          most={1000}
          isDecimal
          value={switchOn}
          onSave={(to) => measure({ switchOn: to })}
        />
        <SavedNumber
          label="Switch off"
          suffix=" V"
          least={0}
          most={1000}
          isDecimal
          value={switchOff}
          onSave={(to) => measure({ switchOff: to })}
        />
      </div>
      <p role="status" className={classes.caution}>
        {found === null
          ? ''
          : found === 'sound'
            ? 'On the neutral, as it should be.'
            : rules.shell({ name, found }).headline}
      </p>
    </>
  );
}
