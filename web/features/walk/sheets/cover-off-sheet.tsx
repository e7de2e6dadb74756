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
  type Region,
} from '@fair-plug/core/knowledge';
import type { House, Receptacle } from '@fair-plug/core/log';
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

/** What was entered before, as fields. */
function insideOf(receptacle: Receptacle | null): Inside {
  const before = receptacle?.coverOff ?? null;
  return {
    metal: before?.metal,
    jacket: before?.jacket,
    amps: before?.breakerAmps === undefined ? '' : String(before.breakerAmps),
    awg: before?.awg === undefined ? '' : String(before.awg),
    insulation: before?.insulation,
    marking: before?.marking,
    jumper: before?.jumper ?? false,
    pushIn: before?.pushIn ?? false,
  };
}

/** The fields as an entry; what was not seen is left out. */
const coverOff = (
  receptacle: string,
  { metal, jacket, amps, awg, insulation, marking, jumper, pushIn }: Inside,
) => ({
  kind: 'cover-off' as const,
  receptacle,
  provedDead: true as const,
  jumper,
  pushIn,
  ...(metal === undefined ? {} : { metal }),
  ...(jacket === undefined ? {} : { jacket }),
  ...sizesIn(awg, amps),
  ...(insulation === undefined ? {} : { insulation }),
  ...(marking === undefined ? {} : { marking }),
});

function MetalSigns() {
  const words = useWholeWords();
  return (
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
  );
}

interface MarksAndSizesProps {
  readonly inside: Inside;
  readonly region: Region;
  readonly isDisabled: boolean;
  readonly onChange: (change: Partial<Inside>) => void;
}

/** What stands on conductors, breaker, jacket and device. */
function MarksAndSizes({ inside, region, isDisabled, onChange }: MarksAndSizesProps) {
  const words = useWholeWords();
  const { awg, amps, jacket, marking } = inside;
  return (
    <div className={classes.row}>
      {region === 'north-america' && (
        <NativeSelect
          label="Size"
          disabled={isDisabled}
          value={awg}
          data={sizes.map((size) => ({ value: size, label: size === '' ? 'not seen' : `${size} AWG` }))}
          onChange={(event) => onChange({ awg: event.currentTarget.value })}
        />
      )}
      <NativeSelect
        label="Its breaker"
        disabled={isDisabled}
        value={amps}
        data={breakersIn[region].map((one) => ({
          value: one,
          label: one === '' ? 'not seen' : `${one} A`,
        }))}
        onChange={(event) => onChange({ amps: event.currentTarget.value })}
      />
      <NativeSelect
        label="Mark on the jacket"
        disabled={isDisabled}
        value={jacket ?? ''}
        data={[
          { value: '', label: 'not seen' },
          ...jacketMarks.map((value) => ({ value, label: words.jackets[value] })),
        ]}
        onChange={(event) =>
          onChange({ jacket: jacketMarks.find((one) => one === event.currentTarget.value) })
        }
      />
      <NativeSelect
        label="Mark on the device"
        disabled={isDisabled}
        value={marking ?? ''}
        data={[
          { value: '', label: 'not looked' },
          ...deviceMarkings.map((value) => ({ value, label: words.markings[value] })),
        ]}
        onChange={(event) =>
          onChange({ marking: deviceMarkings.find((one) => one === event.currentTarget.value) })
        }
      />
    </div>
  );
}

/** What is seen inside the box: only after a qualified person has proved it dead. */
export function CoverOffSheet({ job, walk, house, onClose }: SheetProps) {
  const words = useWholeWords();
  const [isDead, setDead] = useState(false);
  const draft = useDraft<Inside>(`cover off ${job} ${placeOf(walk)}`, insideOf(walk.here.receptacle));
  const { metal, jacket, amps, awg, insulation, jumper, pushIn } = draft.fields;
  const save = (): void => {
    walk.record.statement(
      (receptacle) => [coverOff(receptacle, draft.fields)],
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
      <MetalSigns />
      {metal !== undefined && countsAsAluminum(metal) && (
        <p className={classes.caution}>
          It snaps when worked: pull nothing out without need. No load test through it. Ordinary devices are
          made for copper alone.
        </p>
      )}
      <MetalLine signs={{ metal, jacket, insulation, ...sizesIn(awg, amps) }} walkHouse={house} />
      <MarksAndSizes
        inside={draft.fields}
        region={house.region}
        isDisabled={!isDead}
        onChange={draft.change}
      />
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
