import { usualGroup } from '@fair-plug/core/findings';
import {
  faultsFitting,
  type GroupFault,
  mostSwitches,
  type PointKind,
  pointKinds,
  pointSigns,
  positionsOf,
  worksFromEverywhere,
} from '@fair-plug/core/knowledge';
import { type House, type JobStatement, type Point, pointsOf } from '@fair-plug/core/log';
import { Button, SegmentedControl } from '@mantine/core';
import { useState } from 'react';
import { v7 } from 'uuid';
import { ChoiceKeys } from '@/components/choice-keys';
import { SavedText } from '@/components/saved-fields';
import { useWholeWords } from '@/components/whole-words';
import { DimmerFields, ShellFields } from './dimmer-and-lampholder';
import { PartPhotos } from './part-photos';
import type { SheetProps } from './sheet-props';
import classes from './sheets.module.css';

/** "Den switch 2": the room's name, what it is, and the first number that is free. */
function nextName(house: House, room: string, kind: string): string {
  const taken = new Set(pointsOf(house).map(({ name }) => name));
  for (let number = 1; ; number += 1) {
    const name = `${room} ${kind.toLowerCase()} ${number}`;
    if (!taken.has(name)) return name;
  }
}

/** What names stand for while a group's kind is a sentence. */
const shortKind = (kind: PointKind, name: string): string => (kind === 'three-way' ? 'light' : name);

/** Switches, dimmers and lampholders of the room in hand. */
export function SwitchesSheet({ job, house, walk, onClose }: SheetProps) {
  const { parts } = useWholeWords();
  const { room } = walk.here;
  const points = pointsOf(house).filter((point) => point.room === room?.id);
  const [chosen, setChosen] = useState<string | null>(null);
  const point = points.find(({ id }) => id === chosen) ?? null;
  if (room === null) return null;
  const add = (pointKind: PointKind): void => {
    const id = v7();
    const kind = shortKind(pointKind, parts.pointKinds[pointKind]);
    walk.record.ofHouse(`+ ${parts.pointKinds[pointKind]}`, (standing) => [
      {
        kind: 'point-described',
        point: id,
        room: room.id,
        pointKind,
        name: nextName(standing.house, room.name, kind).slice(0, 60),
      },
    ]);
    setChosen(id);
  };
  return (
    <div className={classes.sheet}>
      <ChoiceKeys
        legend={`Add in ${room.name}`}
        isNumbered={point === null}
        choices={pointKinds.map((kind) => [kind, parts.pointKinds[kind]] as const)}
        chosen={() => false}
        onChoose={add}
      />
      {points.length > 0 && (
        <ChoiceKeys
          legend="Here"
          choices={points.map(({ id, name }) => [id, name ?? ''] as const)}
          chosen={(id) => id === chosen}
          onChoose={setChosen}
        />
      )}
      {point !== null && (
        <>
          <OnePoint key={point.id} point={point} walk={walk} house={house} />
          <PartPhotos
            job={job}
            house={house}
            of="point"
            about={point.id}
            name={point.name ?? parts.pointKinds.switch}
          />
        </>
      )}
      <Button onClick={onClose}>Done</Button>
    </div>
  );
}

export interface OnePointProps extends Pick<SheetProps, 'walk' | 'house'> {
  readonly point: Point;
}

type Described = Omit<Extract<JobStatement, { kind: 'point-described' }>, 'kind' | 'point'>;

function OnePoint({ point, walk, house }: OnePointProps) {
  const { parts } = useWholeWords();
  const { pointKind = 'switch', name = '' } = point;
  const describe = (said: Described, words = name): void =>
    walk.record.ofHouse(words, { kind: 'point-described', point: point.id, ...said });
  return (
    <section className={classes.part} aria-label={name}>
      <div className={classes.row}>
        <SavedText
          label="Name"
          longest={60}
          value={name}
          onSave={(to) => to !== null && describe({ name: to })}
        />
        <Button variant="subtle" onClick={() => describe({ gone: true }, `${name}: taken off`)}>
          Take off
        </Button>
      </div>
      {pointKind !== 'lampholder' && (
        <ChoiceKeys
          legend="Seen, heard or felt"
          choices={pointSigns.map((sign) => [sign, parts.pointSigns[sign]] as const)}
          chosen={(sign) => point.signs.includes(sign)}
          onChoose={(sign) =>
            walk.record.ofHouse(`${name}: ${parts.pointSigns[sign].toLowerCase()}`, (standing) => [
              {
                kind: 'point-sign-noted',
                point: point.id,
                sign,
                seen: !signsNow(standing.house, point.id).includes(sign),
              },
            ])
          }
        />
      )}
      {pointKind === 'switch' && <SwitchFields point={point} walk={walk} house={house} onWorks={describe} />}
      {pointKind === 'three-way' && <GroupFields point={point} walk={walk} onSwitches={describe} />}
      {pointKind === 'dimmer' && <DimmerFields point={point} walk={walk} />}
      {pointKind === 'lampholder' && <ShellFields point={point} walk={walk} house={house} />}
    </section>
  );
}

const pointNow = (house: House, id: string): Point | undefined =>
  pointsOf(house).find((one) => one.id === id);
const signsNow = (house: House, id: string): Point['signs'] => pointNow(house, id)?.signs ?? [];

interface SwitchFieldsProps extends OnePointProps {
  readonly onWorks: (said: { readonly works: boolean }) => void;
}

/** A plain switch: whether it works, and which receptacles of the room hang on it. */
function SwitchFields({ point, walk, onWorks }: SwitchFieldsProps) {
  const words = useWholeWords();
  const here = walk.here.room?.receptacles ?? [];
  return (
    <>
      <ChoiceKeys
        legend="Switched on and off"
        choices={[
          ['works', 'Works'],
          ['not', 'Does not'],
        ]}
        chosen={(one) => point.works === (one === 'works')}
        onChoose={(one) => onWorks({ works: one === 'works' })}
      />
      {here.length > 0 && (
        <ChoiceKeys
          legend={words.parts.switchTurns}
          choices={here.map(({ id, name }) => [id, name] as const)}
          chosen={(id) => point.receptacles.includes(id)}
          onChoose={(outlet) =>
            walk.record.ofHouse(point.name ?? '', (standing) => [
              {
                kind: 'switch-linked',
                point: point.id,
                outlet,
                linked: !(pointNow(standing.house, point.id)?.receptacles.includes(outlet) ?? false),
              },
            ])
          }
        />
      )}
    </>
  );
}

const lever = (one: string): string => (one === 'u' ? 'up' : 'down');

interface GroupFieldsProps extends Pick<OnePointProps, 'point' | 'walk'> {
  readonly onSwitches: (said: { readonly switches: number }) => void;
}

/** One light and its switches: whether it is on in each position of the levers, and what that makes likely. */
function GroupFields({ point, walk, onSwitches }: GroupFieldsProps) {
  const { parts } = useWholeWords();
  const switches = point.switches ?? usualGroup;
  const tried = Object.fromEntries(
    Object.entries(point.combinations).filter(([positions]) => positions.length === switches),
  );
  const fits: readonly GroupFault[] = Object.keys(tried).length < 2 ? [] : faultsFitting(tried, switches);
  const isWhole = Object.keys(tried).length === 2 ** switches;
  const works = worksFromEverywhere(tried, switches);
  return (
    <>
      <ChoiceKeys
        legend="Switches"
        choices={Array.from(
          { length: mostSwitches - 1 },
          (_, at) => [String(at + 2), String(at + 2)] as const,
        )}
        chosen={(count) => Number(count) === switches}
        onChoose={(count) => onSwitches({ switches: Number(count) })}
      />
      {positionsOf(switches).map((positions) => {
        const label = [...positions].map(lever).join(' – ');
        return (
          <div key={positions} className={classes.check}>
            <span>{label}</span>
            <SegmentedControl
              aria-label={label}
              size="md"
              data={[
                { value: 'on', label: 'Light on' },
                { value: 'off', label: 'Off' },
              ]}
              value={positions in tried ? (tried[positions] ? 'on' : 'off') : ''}
              onChange={(value) =>
                walk.record.ofHouse(`${point.name ?? ''}: ${label} ${value}`, {
                  kind: 'combination-tried',
                  point: point.id,
                  positions,
                  lit: value === 'on',
                })
              }
            />
          </div>
        );
      })}
      {Object.keys(tried).length >= 2 && (
        <p role="status" className={classes.caution}>
          {works
            ? 'Works from every place.'
            : fits.length === 0
              ? 'No single fault of switches and travelers does that.'
              : `${isWhole ? 'Fits' : 'May still be'}: ${fits.map((fault) => parts.groupFaults[fault]).join(', ')}.`}
        </p>
      )}
    </>
  );
}
