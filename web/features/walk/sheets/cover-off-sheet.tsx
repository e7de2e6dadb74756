import { type ConductorSigns, metalOf } from '@fair-plug/core/findings';
import { conductorMetals, countsAsAluminum, insulations } from '@fair-plug/core/knowledge';
import type { House, Receptacle } from '@fair-plug/core/log';
import { Button, Checkbox } from '@mantine/core';
import { useState } from 'react';
import { ChoiceKeys } from '@/components/choice-keys';
import { FromBefore } from '@/components/from-before';
import { MetalEnds } from '@/components/metal-ends';
import { useWholeWords } from '@/components/whole-words';
import { useDraft } from '@/local/use-draft';
import { BoxFound, type Inside, isYear, MarksAndSizes } from './inside-fields';
import { placeOf, type SheetProps } from './sheet-props';
import classes from './sheets.module.css';

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
      <strong>{words.metalJudged[metal]}</strong>: {because.map(words.metalSign).join(', ')}.
    </p>
  );
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
    nicked: before?.nicked ?? false,
    ground: before?.ground,
    remedy: before?.remedy,
    jacketYear: before?.jacketYear ?? '',
  };
}

/** The fields as an entry; what was not seen is left out. */
const coverOff = (
  receptacle: string,
  {
    metal,
    jacket,
    amps,
    awg,
    insulation,
    marking,
    jumper,
    pushIn,
    nicked,
    ground,
    remedy,
    jacketYear,
  }: Inside,
) => ({
  kind: 'cover-off' as const,
  receptacle,
  provedDead: true as const,
  jumper,
  pushIn,
  ...(nicked ? { nicked } : {}),
  ...(ground === undefined ? {} : { ground }),
  ...(remedy === undefined ? {} : { remedy }),
  ...(isYear(jacketYear) ? { jacketYear: Number(jacketYear) } : {}),
  ...(metal === undefined ? {} : { metal }),
  ...(jacket === undefined ? {} : { jacket }),
  ...sizesIn(awg, amps),
  ...(insulation === undefined ? {} : { insulation }),
  ...(marking === undefined ? {} : { marking }),
});

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
      <MetalEnds />
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
      <BoxFound inside={draft.fields} isDisabled={!isDead} onChange={draft.change} />
      <Button disabled={!isDead} onClick={save}>
        Record
      </Button>
    </div>
  );
}
