import { type Region, regionIds, regions } from '@fair-plug/core/knowledge';
import type { Alteration, House, JobStatement } from '@fair-plug/core/log';
import { Button, NativeSelect, NumberInput, Select, TagsInput, TextInput } from '@mantine/core';
import { memo, type SubmitEvent, useMemo, useState } from 'react';
import { ownZone } from '@/components/house-time';
import { useWords } from '@/components/region-words';
import { SavedNumber, SavedText } from '@/components/saved-fields';
import { useDrawn } from '@/components/use-drawn';
import type { Recorder } from '@/local/use-recorder';
import classes from './prepare.module.css';

export interface SectionProps {
  readonly house: House;
  /** null for readers. */
  readonly record: Recorder | null;
}

/** A choice among yes, no and not known. */
export const asked = { null: 'Not known', true: 'Yes', false: 'No' } as const;
export const answers = Object.entries(asked).map(([value, label]) => ({ value, label }));
export const answerOf = (value: string): boolean | null => (value === 'null' ? null : value === 'true');

let known: readonly string[] | null = null;
/** The zones that this device knows, looked up once, and the one of the house. */
function zonesWith(zone: string | undefined): string[] {
  known ??= Intl.supportedValuesOf('timeZone');
  return zone === undefined || known.includes(zone) ? [...known] : [...known, zone];
}

/** In which all times of the house are told. */
const TimeZone = memo(function TimeZone({ zone, isDisabled, onChoose }: TimeZoneProps) {
  const zones = useMemo(() => zonesWith(zone), [zone]);
  return (
    <Select
      label="Time zone"
      placeholder={ownZone()}
      searchable
      // There are hundreds: what is typed finds the others.
      limit={20}
      allowDeselect={false}
      disabled={isDisabled}
      value={zone ?? null}
      data={zones}
      onChange={(chosen) => chosen !== null && onChoose(chosen)}
    />
  );
});

interface TimeZoneProps {
  readonly zone: string | undefined;
  readonly isDisabled: boolean;
  readonly onChoose: (zone: string) => void;
}

export function PropertySection({ house, record }: SectionProps) {
  const describe = (fields: object): void => record?.({ kind: 'job-described', ...fields });
  const text = (field: string) => (value: string | null) => {
    if (value !== null) describe({ [field]: value });
  };
  const isDisabled = record === null;
  const words = useWords();
  const chooseZone = useDrawn((timeZone: string) => describe({ timeZone }));
  return (
    <section className={classes.section} aria-labelledby="property">
      <h2 id="property">Property</h2>
      <div className={classes.fields}>
        <div className={classes.wide}>
          <SavedText
            label="Address"
            value={house.address}
            longest={200}
            isDisabled={isDisabled}
            onSave={text('address')}
          />
        </div>
        <SavedText
          label="Client"
          value={house.client}
          longest={120}
          isDisabled={isDisabled}
          onSave={text('client')}
        />
        <SavedText
          label="Kind of house"
          value={house.about}
          longest={400}
          isDisabled={isDisabled}
          onSave={text('about')}
        />
        <SavedNumber
          label="Year built"
          value={house.yearBuilt}
          least={1700}
          most={2100}
          isDisabled={isDisabled}
          onSave={(yearBuilt) => yearBuilt !== null && describe({ yearBuilt })}
        />
        <SavedNumber
          label="Storeys"
          value={house.storeys}
          least={1}
          most={60}
          isDisabled={isDisabled}
          onSave={(storeys) => storeys !== null && describe({ storeys })}
        />
        <NativeSelect
          label="Region"
          disabled={isDisabled}
          value={house.region}
          data={regionIds.map((value) => ({ value, label: words.regions[value].name }))}
          onChange={(event) => describe({ region: event.currentTarget.value as Region })}
        />
        <TimeZone zone={house.timeZone} isDisabled={isDisabled} onChoose={chooseZone} />
        <NativeSelect
          label={words.screens.prepare.grounds}
          disabled={isDisabled}
          value={String(house.groundedWiring)}
          data={answers}
          onChange={(event) => describe({ groundedWiring: answerOf(event.currentTarget.value) })}
        />
        <NativeSelect
          label={words.screens.prepare.aluminumNearby}
          disabled={isDisabled}
          value={String(house.aluminumNearby)}
          data={answers}
          onChange={(event) => describe({ aluminumNearby: answerOf(event.currentTarget.value) })}
        />
      </div>
      <RegionLine region={house.region} />
      <Alterations house={house} record={record} />
      <PowerFields house={house} record={record} />
    </section>
  );
}

/** What may be switched off, who said so, and what must stay on. */
function PowerFields({ house, record }: SectionProps) {
  const describe = (fields: object): void => record?.({ kind: 'job-described', ...fields });
  const isDisabled = record === null;
  return (
    <div className={classes.fields}>
      <NativeSelect
        label="May breakers be switched?"
        disabled={isDisabled}
        value={String(house.breakerLeave)}
        data={answers}
        onChange={(event) => describe({ breakerLeave: answerOf(event.currentTarget.value) })}
      />
      <SavedText
        label="Who said so"
        value={house.leaveFrom}
        longest={80}
        isDisabled={isDisabled}
        onSave={(leaveFrom) => describe({ leaveFrom })}
      />
      <div className={classes.wide}>
        <TagsInput
          label="Must not lose power"
          description="Enter after each: medical equipment, freezer, sump pump, computers"
          disabled={isDisabled}
          value={[...house.keepPowered]}
          onChange={(shown) => record?.(...keptPowered(house.keepPowered, shown))}
        />
      </div>
    </div>
  );
}

/** What was added to the list that was shown, and what was taken off it, an entry each. */
function keptPowered(before: readonly string[], after: readonly string[]): readonly JobStatement[] {
  const wanted = [...new Set(after.map((one) => one.trim().slice(0, 60)).filter((one) => one !== ''))];
  const noted = (equipment: string, kept: boolean) => ({ kind: 'kept-powered' as const, equipment, kept });
  return [
    ...before.filter((one) => !wanted.includes(one)).map((one) => noted(one, false)),
    ...wanted.filter((one) => !before.includes(one)).map((one) => noted(one, true)),
  ];
}

/** What follows the region: volts to expect, colours, and the code. */
function RegionLine({ region }: { readonly region: Region }) {
  const words = useWords();
  const { usualVolts } = regions[region];
  const { colours, code, source } = words.regions[region];
  return (
    <p className={classes.soft}>
      {words.screens.prepare.shouldRead} {usualVolts[0]} to {usualVolts[1]} V ({source}, from memory).
      Colours: {colours.hot}, {colours.neutral}, {colours.ground}. What is required: {code}.
    </p>
  );
}

function Alterations({ house, record }: SectionProps) {
  const [year, setYear] = useState<number | string>('');
  const [what, setWhat] = useState('');
  const note = (one: Alteration, made: boolean): void => record?.({ kind: 'alteration-noted', ...one, made });
  const add = (event: SubmitEvent): void => {
    event.preventDefault();
    if (typeof year !== 'number' || year < 1700 || year > 2100 || what.trim() === '') return;
    note({ year, what: what.trim() }, true);
    setYear('');
    setWhat('');
  };
  return (
    <div>
      <h3>Additions and alterations</h3>
      <ul className={classes.lines}>
        {house.alterations.map((one) => (
          <li key={`${one.year} ${one.what}`}>
            <span className={classes.year}>{one.year}</span> {one.what}
            {record !== null && (
              <Button
                size="compact-sm"
                variant="default"
                aria-label={`Remove ${one.what}`}
                onClick={() => note(one, false)}
              >
                Remove
              </Button>
            )}
          </li>
        ))}
      </ul>
      {record !== null && house.alterations.length < 20 && (
        <form className={classes.inline} onSubmit={add}>
          <NumberInput
            label="Year"
            w={90}
            allowDecimal={false}
            thousandSeparator={false}
            hideControls
            value={year}
            onChange={setYear}
          />
          <TextInput
            label="What was done"
            placeholder="Kitchen redone"
            maxLength={80}
            value={what}
            onChange={(event) => setWhat(event.currentTarget.value)}
          />
          <Button type="submit" variant="default">
            Add
          </Button>
        </form>
      )}
    </div>
  );
}
