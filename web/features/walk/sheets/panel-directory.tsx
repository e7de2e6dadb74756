import {
  type BreakerKind,
  breakerKinds,
  type ConductorMetal,
  type ConductorSize,
  conductorMetals,
  conductorSizes,
  largestBreaker,
  type Region,
} from '@fair-plug/core/knowledge';
import type { BreakerPosition, House, Panel } from '@fair-plug/core/log';
import { Button, NativeSelect, NumberInput, TextInput } from '@mantine/core';
import { type SubmitEvent, useRef, useState } from 'react';
import { v7 } from 'uuid';
import { FromBefore } from '@/components/from-before';
import { useWholeWords } from '@/components/whole-words';
import { useDraft } from '@/local/use-draft';
import { PartPhotos } from './part-photos';
import type { SheetProps } from './sheet-props';
import classes from './sheets.module.css';

/** A line as it is typed; empty: not said. */
interface Line {
  readonly number: string;
  readonly amps: string | number;
  readonly feeds: string;
  readonly protects: BreakerKind | '';
  readonly metal: ConductorMetal | '';
  readonly size: ConductorSize | '';
  readonly poles: Poles | '';
}

/** A pole a leg; two for what runs between legs, or shares a neutral. */
const poleCounts = ['1', '2', '3'] as const;
type Poles = (typeof poleCounts)[number];

const empty: Line = { number: '', amps: '', feeds: '', protects: '', metal: '', size: '', poles: '' };

const lineOf = ({ number, amps, feeds, protects, metal, size, poles }: BreakerPosition): Line => ({
  number: number ?? '',
  amps: amps ?? '',
  feeds: feeds ?? '',
  protects: protects ?? '',
  metal: metal ?? '',
  size: size ?? '',
  poles: poleCounts.find((one) => Number(one) === poles) ?? '',
});

const saidIn = ({ number, amps, feeds, protects, metal, size, poles }: Line) => ({
  number: number.trim(),
  amps: amps === '' ? null : Number(amps),
  feeds: feeds.trim() === '' ? null : feeds.trim(),
  ...(protects === '' ? {} : { protects }),
  ...(metal === '' ? {} : { metal }),
  ...(size === '' ? {} : { size }),
  ...(poles === '' ? {} : { poles: Number(poles) }),
});

/** "7" after "5", "8" after "7": directories count down two columns, or one after another. */
function nextNumber(breakers: readonly BreakerPosition[]): string {
  const numbers = breakers.map(({ number }) => Number(number)).filter((one) => Number.isInteger(one));
  const last = numbers.at(-1);
  if (last === undefined) return '1';
  const step = numbers.length > 1 && last - (numbers.at(-2) ?? last) === 2 ? 2 : 1;
  return String(last + step);
}

export interface PanelDirectoryProps extends Pick<SheetProps, 'job' | 'walk'> {
  readonly panel: Panel;
  readonly house: House;
  readonly isOpen: boolean;
}

/** The breakers of a panel, as its directory has them and as they were found: a line each, Enter after Enter. */
export function PanelDirectory({ job, panel, house, walk, isOpen }: PanelDirectoryProps) {
  const { parts } = useWholeWords();
  const [edited, setEdited] = useState<string | null>(null);
  const position = panel.breakers.find(({ id }) => id === edited) ?? null;
  return (
    <section className={classes.part} aria-label="Directory">
      <h3>Directory: {panel.breakers.length}</h3>
      {panel.breakers.length > 0 && (
        <ul className={classes.history}>
          {panel.breakers.map((one) => (
            <PositionLine
              key={one.id}
              position={one}
              onEdit={() => setEdited(one.id)}
              onGone={() =>
                walk.record.ofHouse(`${parts.position(one.number ?? '–')}: taken off`, {
                  kind: 'breaker-described',
                  panel: panel.id,
                  position: one.id,
                  gone: true,
                })
              }
            />
          ))}
        </ul>
      )}
      <LineForm
        job={job}
        key={edited ?? `new ${panel.breakers.length}`}
        panel={panel}
        house={house}
        walk={walk}
        isOpen={isOpen}
        position={position}
        onDone={() => setEdited(null)}
      />
      {position !== null && (
        <PartPhotos
          job={job}
          house={house}
          of="breaker"
          about={position.id}
          name={parts.position(position.number ?? '–')}
        />
      )}
    </section>
  );
}

interface PositionLineProps {
  readonly position: BreakerPosition;
  readonly onEdit: () => void;
  readonly onGone: () => void;
}

function PositionLine({ position, onEdit, onGone }: PositionLineProps) {
  const { parts, metals } = useWholeWords();
  const { number, amps, feeds, protects, metal, size, poles } = position;
  const name = parts.position(number ?? '–');
  const most = metal === undefined || size === undefined ? null : largestBreaker(metal, size);
  const isTooLarge = most !== null && typeof amps === 'number' && amps > most;
  return (
    <li>
      <span>
        <strong>{number ?? '–'}</strong> {feeds}
        <small>
          {[
            typeof amps === 'number' ? `${amps} A` : null,
            poles === undefined || poles === 1 ? null : `${poles} poles`,
            protects === undefined || protects === 'plain' ? null : parts.breakerKinds[protects],
            metal === undefined ? null : metals[metal].name,
            size === undefined ? null : `${size} AWG`,
            isTooLarge ? `at most ${most} A for this conductor` : null,
          ]
            .filter((part) => part !== null)
            .join(', ')}
        </small>
      </span>
      <span className={classes.row}>
        <Button variant="subtle" size="compact-md" aria-label={`Change ${name}`} onClick={onEdit}>
          Change
        </Button>
        <Button variant="subtle" size="compact-md" aria-label={`Take ${name} off`} onClick={onGone}>
          Take off
        </Button>
      </span>
    </li>
  );
}

interface LineFormProps extends PanelDirectoryProps {
  /** null: a new one. */
  readonly position: BreakerPosition | null;
  readonly onDone: () => void;
}

function LineForm({ panel, house, walk, isOpen, position, onDone }: LineFormProps) {
  const { parts } = useWholeWords();
  const first = useRef<HTMLInputElement>(null);
  const draft = useDraft<Line>(
    `directory ${panel.id} ${position?.id ?? 'new'}`,
    position === null ? { ...empty, number: nextNumber(panel.breakers) } : lineOf(position),
  );
  const line = draft.fields;
  const amps = line.amps === '' ? null : Number(line.amps);
  const isBad = amps !== null && (!Number.isInteger(amps) || amps < 1 || amps > 400);
  // A number alone is what the form proposes: it is a line once something stands beside it.
  const isSaid =
    line.number.trim() !== '' && (position !== null || amps !== null || line.feeds.trim() !== '');
  const save = (event: SubmitEvent): void => {
    event.preventDefault();
    if (!isSaid || isBad) return;
    walk.record.ofHouse(`${parts.position(line.number.trim())}: described`, {
      kind: 'breaker-described',
      panel: panel.id,
      position: position?.id ?? v7(),
      ...saidIn(line),
    });
    draft.clear();
    onDone();
    first.current?.focus();
  };
  return (
    <form className={classes.fields} onSubmit={save}>
      <FromBefore draft={draft} />
      <TextInput
        ref={first}
        label="Number"
        maxLength={40}
        value={line.number}
        onChange={(event) => draft.change({ number: event.currentTarget.value })}
      />
      <NumberInput
        label="Rated"
        suffix=" A"
        allowNegative={false}
        allowDecimal={false}
        clampBehavior="none"
        hideControls
        error={isBad ? 'From 1 to 400' : undefined}
        value={line.amps}
        onChange={(value) => draft.change({ amps: value })}
      />
      <TextInput
        label="Feeds, as it says"
        maxLength={80}
        value={line.feeds}
        onChange={(event) => draft.change({ feeds: event.currentTarget.value })}
      />
      <LineChoices line={line} region={house.region} isOpen={isOpen} onChange={draft.change} />
      <Button type="submit" disabled={!isSaid || isBad}>
        {position === null ? 'Add' : 'Change'}
      </Button>
    </form>
  );
}

interface LineChoicesProps {
  readonly line: Line;
  readonly region: Region;
  readonly isOpen: boolean;
  readonly onChange: (change: Partial<Line>) => void;
}

/** What a breaker protects against, and the conductor on it, which is seen with the cover off. */
function LineChoices({ line, region, isOpen, onChange }: LineChoicesProps) {
  const { parts, metals } = useWholeWords();
  return (
    <>
      <Choice
        label="Protects"
        value={line.protects}
        choices={breakerKinds.map((one) => [one, parts.breakerKinds[one]] as const)}
        onChange={(protects) => onChange({ protects })}
      />
      <Choice
        label="Poles"
        value={line.poles}
        choices={poleCounts.map((one) => [one, one] as const)}
        onChange={(poles) => onChange({ poles })}
      />
      <Choice
        label="Metal"
        isDisabled={!isOpen}
        value={line.metal}
        choices={conductorMetals.map((one) => [one, metals[one].name] as const)}
        onChange={(metal) => onChange({ metal })}
      />
      {region === 'north-america' && (
        <Choice
          label="Size"
          isDisabled={!isOpen}
          value={line.size}
          choices={conductorSizes.map((one) => [one, `${one} AWG`] as const)}
          onChange={(size) => onChange({ size })}
        />
      )}
    </>
  );
}

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly value: T | '';
  readonly choices: readonly (readonly [T, string])[];
  readonly isDisabled?: boolean;
  readonly onChange: (to: T | '') => void;
}

/** One of some things, or nothing said. */
function Choice<T extends string>({ label, value, choices, isDisabled = false, onChange }: ChoiceProps<T>) {
  return (
    <NativeSelect
      label={label}
      disabled={isDisabled}
      value={value}
      data={[
        { value: '', label: 'not said' },
        ...choices.map(([id, name]) => ({ value: id as string, label: name })),
      ]}
      onChange={(event) => onChange(choices.find(([id]) => id === event.currentTarget.value)?.[0] ?? '')}
    />
  );
}
