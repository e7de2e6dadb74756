import { type ConductorSigns, metalOf } from '@fair-plug/core/findings';
import {
  type ConductorMetal,
  conductorMetals,
  countsAsAluminum,
  type DeviceMarking,
  deviceMarkings,
  type Insulation,
  insulations,
  type JacketMark,
  jacketMarks,
} from '@fair-plug/core/knowledge';
import type { House } from '@fair-plug/core/log';
import { Button, Checkbox, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { ChoiceKeys } from '@/components/choice-keys';
import { FromBefore } from '@/components/from-before';
import { useWholeWords } from '@/components/whole-words';
import { useDraft } from '@/local/use-draft';
import { placeOf, type SheetProps } from './sheet-props';
import classes from './sheets.module.css';

const breakersIn = {
  'north-america': ['', '15', '20', '25', '30', '40', '50'],
  uk: ['', '6', '16', '20', '32', '40', '50'],
} as const;
const sizes = ['', '14', '12', '10', '8', '6'] as const;

const sizesIn = (awg: string, amps: string) => ({
  ...(awg === '' ? {} : { awg: Number(awg) }),
  ...(amps === '' ? {} : { breakerAmps: Number(amps) }),
});

/** What the signs entered so far make of the metal. */
function MetalLine({ signs, walkHouse }: { readonly signs: ConductorSigns; readonly walkHouse: House }) {
  const words = useWholeWords();
  const { metal, because } = metalOf({
    ...signs,
    yearBuilt: walkHouse.yearBuilt ?? undefined,
    neighbours: walkHouse.aluminumNearby ?? undefined,
  });
  if (metal === 'unknown') return null;
  return (
    <p role="status" className={classes.soft}>
      <strong>{words.metalJudged[metal]}</strong>: {because.join(', ')}.
    </p>
  );
}

/** What is entered of the inside of a box; empty text: not seen. */
interface Inside {
  readonly metal: ConductorMetal | undefined;
  readonly jacket: JacketMark | undefined;
  readonly amps: string;
  readonly awg: string;
  readonly insulation: Insulation | undefined;
  readonly marking: DeviceMarking | undefined;
  readonly jumper: boolean;
  readonly pushIn: boolean;
}

/** What is seen inside the box: only after a qualified person has proved it dead. */
export function CoverOffSheet({ job, walk, house, onClose }: SheetProps) {
  const words = useWholeWords();
  const before = walk.here.receptacle?.coverOff ?? null;
  const [isDead, setDead] = useState(false);
  const draft = useDraft<Inside>(`cover off ${job} ${placeOf(walk)}`, {
    metal: before?.metal,
    jacket: before?.jacket,
    amps: before?.breakerAmps === undefined ? '' : String(before.breakerAmps),
    awg: before?.awg === undefined ? '' : String(before.awg),
    insulation: before?.insulation,
    marking: before?.marking,
    jumper: before?.jumper ?? false,
    pushIn: before?.pushIn ?? false,
  });
  const { metal, jacket, amps, awg, insulation, marking, jumper, pushIn } = draft.fields;
  const save = (): void => {
    walk.record.statement(
      (receptacle) => [
        {
          kind: 'cover-off',
          receptacle,
          provedDead: true,
          jumper,
          pushIn,
          ...(metal === undefined ? {} : { metal }),
          ...(jacket === undefined ? {} : { jacket }),
          ...(awg === '' ? {} : { awg: Number(awg) }),
          ...(amps === '' ? {} : { breakerAmps: Number(amps) }),
          ...(insulation === undefined ? {} : { insulation }),
          ...(marking === undefined ? {} : { marking }),
        },
      ],
      `Recorded: ${walk.here.name}, cover off`,
    );
    draft.clear();
    onClose();
  };
  return (
    <div className={classes.sheet}>
      <p className={classes.strong}>{words.cautions.box}</p>
      <Checkbox
        label="I am qualified; the breaker is off and every conductor in the box is proved dead"
        checked={isDead}
        onChange={(event) => setDead(event.currentTarget.checked)}
      />
      <FromBefore draft={draft} />
      <ChoiceKeys
        legend="Metal of the conductors"
        isDisabled={!isDead}
        choices={conductorMetals.map((one) => [one, words.metals[one].name] as const)}
        chosen={(one) => one === metal}
        onChoose={(one) => draft.change({ metal: one })}
      />
      <details>
        <summary>How to tell them apart</summary>
        <dl className={classes.signs}>
          {conductorMetals.map((one) => (
            <div key={one}>
              <dt>{words.metals[one].name}</dt>
              <dd>{words.metals[one].signs}</dd>
            </div>
          ))}
        </dl>
      </details>
      {metal !== undefined && countsAsAluminum(metal) && (
        <p className={classes.caution}>
          It snaps when worked: pull nothing out without need. No load test through it. Ordinary devices are
          made for copper alone.
        </p>
      )}
      <MetalLine signs={{ metal, jacket, insulation, ...sizesIn(awg, amps) }} walkHouse={house} />
      <div className={classes.row}>
        {house.region === 'north-america' && (
          <NativeSelect
            label="Size"
            disabled={!isDead}
            value={awg}
            data={sizes.map((size) => ({ value: size, label: size === '' ? 'not seen' : `${size} AWG` }))}
            onChange={(event) => draft.change({ awg: event.currentTarget.value })}
          />
        )}
        <NativeSelect
          label="Its breaker"
          disabled={!isDead}
          value={amps}
          data={breakersIn[house.region].map((one) => ({
            value: one,
            label: one === '' ? 'not seen' : `${one} A`,
          }))}
          onChange={(event) => draft.change({ amps: event.currentTarget.value })}
        />
        <NativeSelect
          label="Mark on the jacket"
          disabled={!isDead}
          value={jacket ?? ''}
          data={[
            { value: '', label: 'not seen' },
            ...jacketMarks.map((value) => ({ value, label: words.jackets[value] })),
          ]}
          onChange={(event) =>
            draft.change({ jacket: jacketMarks.find((one) => one === event.currentTarget.value) })
          }
        />
        <NativeSelect
          label="Mark on the device"
          disabled={!isDead}
          value={marking ?? ''}
          data={[
            { value: '', label: 'not looked' },
            ...deviceMarkings.map((value) => ({ value, label: words.markings[value] })),
          ]}
          onChange={(event) =>
            draft.change({ marking: deviceMarkings.find((one) => one === event.currentTarget.value) })
          }
        />
      </div>
      <ChoiceKeys
        legend="Insulation"
        isDisabled={!isDead}
        choices={insulations.map((one) => [one, words.insulations[one]] as const)}
        chosen={(one) => one === insulation}
        onChoose={(one) => draft.change({ insulation: one })}
      />
      <Checkbox
        label={words.screens.walk.jumper}
        disabled={!isDead}
        checked={jumper}
        onChange={(event) => draft.change({ jumper: event.currentTarget.checked })}
      />
      <Checkbox
        label="Push-in terminals in use"
        disabled={!isDead}
        checked={pushIn}
        onChange={(event) => draft.change({ pushIn: event.currentTarget.checked })}
      />
      <Button disabled={!isDead} onClick={save}>
        Record
      </Button>
    </div>
  );
}
