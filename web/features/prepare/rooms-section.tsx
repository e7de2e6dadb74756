import { type NamedRoom, namedRooms, roomRedescribed } from '@fair-plug/core/log';
import { Button, TextInput } from '@mantine/core';
import { type SubmitEvent, useState } from 'react';
import { v7 } from 'uuid';
import { useWords } from '@/components/region-words';
import { SavedNumber, SavedText } from '@/components/saved-fields';
import { moved, SortableList, SortableRow } from '@/components/sortable-list';
import { ListImport } from './list-import';
import classes from './prepare.module.css';
import type { SectionProps } from './property-section';
import { RoomTemplates } from './room-templates';

/** The rooms in the order of the walk, with how many receptacles are looked for in each. */
export function RoomsSection({ house, record }: SectionProps) {
  const rooms = namedRooms(house);
  const [name, setName] = useState('');
  const add = (event: SubmitEvent): void => {
    event.preventDefault();
    if (name.trim() === '') return;
    record?.({ kind: 'room-described', room: v7(), name: name.trim() });
    setName('');
  };
  return (
    <section className={classes.section} aria-labelledby="rooms">
      <h2 id="rooms">Rooms, in the order of the walk</h2>
      {rooms.length > 0 && <RoomOrder rooms={rooms} record={record} />}
      {record !== null && (
        <form className={classes.inline} onSubmit={add}>
          <TextInput
            label="One more room"
            placeholder="Den"
            maxLength={60}
            value={name}
            onChange={(event) => setName(event.currentTarget.value)}
          />
          <Button type="submit" variant="default">
            Add
          </Button>
        </form>
      )}
      {record !== null && <RoomTemplates rooms={rooms} record={record} />}
      {record !== null && <ListImport record={record} />}
    </section>
  );
}

function RoomOrder({
  rooms,
  record,
}: {
  readonly rooms: readonly NamedRoom[];
  readonly record: SectionProps['record'];
}) {
  return (
    <SortableList
      id="rooms"
      thing="room"
      items={rooms}
      isFixed={record === null}
      onMove={(move) =>
        record?.(({ house }) => {
          const ids = namedRooms(house).map(({ id }) => id);
          const order = moved(ids, move);
          const at = order.indexOf(move.id);
          return [{ kind: 'room-moved', moved: move.id, after: order[at - 1] ?? null }];
        })
      }
    >
      <p className={`${classes.room} ${classes.count}`} aria-hidden>
        <span />
        <span>Room</span>
        <span>Expected</span>
        <span className={classes.count} />
      </p>
      <ul className={classes.rooms}>
        {rooms.map((room) => (
          <RoomRow key={room.id} room={room} record={record} />
        ))}
      </ul>
    </SortableList>
  );
}

function RoomRow({ room, record }: { readonly room: NamedRoom; readonly record: SectionProps['record'] }) {
  const words = useWords();
  const { id, name, expected, receptacles } = room;
  const describe = (fields: Parameters<typeof roomRedescribed>[2]): void =>
    record?.((standing) => roomRedescribed(standing.house, id, fields));
  return (
    <SortableRow id={id} name={name} isFixed={record === null} className={classes.room}>
      <SavedText
        isInRow
        label={`Name of ${name}`}
        value={name}
        longest={60}
        isDisabled={record === null}
        onSave={(to) => to !== null && describe({ name: to })}
      />
      <SavedNumber
        isInRow
        label={words.screens.prepare.expectedIn(name)}
        placeholder="?"
        value={expected}
        least={0}
        most={200}
        isDisabled={record === null}
        onSave={(count) => describe({ expected: count })}
      />
      <span className={classes.count}>{receptacles.length} listed</span>
    </SortableRow>
  );
}
