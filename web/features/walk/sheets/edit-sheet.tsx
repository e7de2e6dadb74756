import {
  type House,
  type JobStatement,
  namedRooms,
  namesakeOf,
  receptacleRedescribed,
  whereIs,
} from '@fair-plug/core/log';
import { Button, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { v7 } from 'uuid';
import { useWords } from '@/components/region-words';
import { SavedText } from '@/components/saved-fields';
import type { SheetProps } from './sheet-props';
import classes from './sheets.module.css';

/** The receptacle as the upper half, and a lower one like it. */
function takenApart(house: House, id: string, lower: string): readonly JobStatement[] {
  const at = whereIs(house, id);
  if (at === null) return [];
  const { name, type, spot } = at.receptacle;
  const details = {
    ...(type === null ? {} : { type }),
    ...(spot === null ? {} : { spot }),
  };
  return [
    ...receptacleRedescribed(house, id, { ...details, name: `${name} upper`.slice(0, 60) }),
    {
      kind: 'receptacle-described',
      receptacle: lower,
      room: at.room.id,
      ...details,
      name: `${name} lower`.slice(0, 60),
      halfOf: id,
    },
  ];
}

/** Renames a receptacle, moves it to another room, merges it with another, or takes its halves apart. */
export function EditSheet({ walk, house, onClose }: SheetProps) {
  const words = useWords();
  const { receptacle, room, name } = walk.here;
  const namesake = receptacle === null ? null : namesakeOf(house, receptacle);
  const [into, setInto] = useState(namesake?.id ?? '');
  if (receptacle === null || room === null) return <p>{words.screens.walk.nothingHere}</p>;
  const rooms = namedRooms(house);
  const others = rooms.flatMap((one) => one.receptacles).filter(({ id }) => id !== receptacle.id);
  const takeApart = (): void => {
    const lower = v7();
    walk.record.statement((id, standing) => takenApart(standing, id, lower), `${name}: halves apart`);
    onClose();
  };
  return (
    <div className={classes.sheet}>
      <SavedText
        label="Name"
        longest={60}
        value={name}
        onSave={(to) => to !== null && walk.record.fields({ name: to }, `Renamed: ${to}`)}
      />
      <NativeSelect
        label="Room"
        value={room.id}
        data={rooms.map((one) => ({ value: one.id, label: one.name }))}
        onChange={(event) => {
          const to = event.currentTarget.value;
          const toName = rooms.find(({ id }) => id === to)?.name ?? '';
          walk.record.ofHouse(`Moved: ${name} to ${toName}`, (standing) =>
            receptacleRedescribed(standing.house, receptacle.id, { room: to, spot: null }),
          );
          onClose();
        }}
      />
      {receptacle.halfOf === null &&
        !house.rooms.some(({ receptacles }) => receptacles.some((one) => one.halfOf === receptacle.id)) && (
          <section className={classes.part} aria-label="Halves">
            <h3>Halves that read apart</h3>
            <p className={classes.soft}>
              What was read so far stays with the upper half; the lower one becomes a line of its own.
            </p>
            <Button variant="default" onClick={takeApart}>
              Take the halves apart
            </Button>
          </section>
        )}
      <section className={classes.part} aria-label="Merge">
        <h3>Entered twice</h3>
        {namesake !== null && (
          <p>
            It was named {namesake.name} as well: merge them if they are one and the same, rename this one if
            not.
          </p>
        )}
        <div className={classes.row}>
          <NativeSelect
            label="It is the same as"
            value={into}
            data={[
              { value: '', label: 'choose' },
              ...others.map((one) => ({ value: one.id, label: one.name })),
            ]}
            onChange={(event) => setInto(event.currentTarget.value)}
          />
          <Button
            variant="default"
            disabled={into === ''}
            onClick={() => {
              const other = others.find(({ id }) => id === into);
              walk.record.ofHouse(`Merged: ${name} into ${other?.name ?? ''}`, {
                kind: 'receptacle-merged',
                receptacle: receptacle.id,
                into,
              });
              onClose();
            }}
          >
            Merge
          </Button>
        </div>
        <p className={classes.soft}>
          All that was read at both stays, under the other name. Undo takes it back.
        </p>
      </section>
    </div>
  );
}
