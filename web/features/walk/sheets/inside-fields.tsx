import {
  type ConductorMetal,
  type DeviceMarking,
  deviceMarkings,
  type Insulation,
  type JacketMark,
  jacketMarks,
  type Region,
  type RemedyInPlace,
  remediesInPlace,
} from '@fair-plug/core/knowledge';
import { Checkbox, NativeSelect, NumberInput } from '@mantine/core';
import { ChoiceKeys } from '@/components/choice-keys';
import { useWholeWords } from '@/components/whole-words';
import classes from './sheets.module.css';

const breakersIn = {
  'north-america': ['', '15', '20', '25', '30', '40', '50'],
  uk: ['', '6', '16', '20', '32', '40', '50'],
} as const;
const sizes = ['', '14', '12', '10', '8', '6'] as const;

/** What is entered of the inside of a box; empty text: not seen. */
export interface Inside {
  readonly metal: ConductorMetal | undefined;
  readonly jacket: JacketMark | undefined;
  readonly amps: string;
  readonly awg: string;
  readonly insulation: Insulation | undefined;
  readonly marking: DeviceMarking | undefined;
  readonly jumper: boolean;
  readonly pushIn: boolean;
  readonly nicked: boolean;
  readonly ground: boolean | undefined;
  readonly remedy: RemedyInPlace | undefined;
  readonly jacketYear: string | number;
}

export const isYear = (typed: string | number): boolean =>
  Number.isInteger(Number(typed)) && Number(typed) >= 1700 && Number(typed) <= 2100;

interface MarksAndSizesProps {
  readonly inside: Inside;
  readonly region: Region;
  readonly isDisabled: boolean;
  readonly onChange: (change: Partial<Inside>) => void;
}

/** What stands on conductors, breaker, jacket and device. */
export function MarksAndSizes({ inside, region, isDisabled, onChange }: MarksAndSizesProps) {
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

/** What else a box tells of the wiring. */
export function BoxFound({ inside, isDisabled, onChange }: Omit<MarksAndSizesProps, 'region'>) {
  const words = useWholeWords();
  const { nicked, ground, remedy, jacketYear } = inside;
  return (
    <>
      <Checkbox
        label="A conductor is nicked or snapped"
        disabled={isDisabled}
        checked={nicked}
        onChange={(event) => onChange({ nicked: event.currentTarget.checked })}
      />
      <ChoiceKeys
        legend={words.parts.groundWire}
        isDisabled={isDisabled}
        choices={[
          ['yes', words.parts.groundSeen],
          ['no', words.parts.noGround],
        ]}
        chosen={(one) => ground === (one === 'yes')}
        onChoose={(one) => onChange({ ground: one === 'yes' })}
      />
      <div className={classes.row}>
        <NativeSelect
          label="Remedy found there"
          disabled={isDisabled}
          value={remedy ?? ''}
          data={[
            { value: '', label: 'none seen' },
            ...remediesInPlace.map((value) => ({ value, label: words.parts.remediesInPlace[value] })),
          ]}
          onChange={(event) =>
            onChange({ remedy: remediesInPlace.find((one) => one === event.currentTarget.value) })
          }
        />
        <NumberInput
          label="Year on the jacket"
          disabled={isDisabled}
          allowDecimal={false}
          allowNegative={false}
          hideControls
          clampBehavior="none"
          error={jacketYear !== '' && !isYear(jacketYear) ? 'From 1700 to 2100' : undefined}
          value={jacketYear}
          onChange={(value) => onChange({ jacketYear: value })}
        />
      </div>
    </>
  );
}
