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
export function RoomsSection({ house, say }: SectionProps) {
  const rooms = namedRooms(house);
  const [name, setName] = useState('');
  const add = (event: SubmitEvent): void => {
    event.preventDefault();
    if (name.trim() === '') return;
    say?.({ kind: 'room-described', room: v7(), name: name.trim() });
    setName('');
  };
  return (
    <section className={classes.section} aria-labelledby="rooms">
      <h2 id="rooms">Rooms, in the order of the walk</h2>
      {rooms.length > 0 && <RoomOrder rooms={rooms} say={say} />}
      {say !== null && (
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
      {say !== null && <RoomTemplates rooms={rooms} say={say} />}
      {say !== null && <ListImport say={say} />}
    </section>
  );
}

function RoomOrder({
  rooms,
  say,
}: {
  readonly rooms: readonly NamedRoom[];
  readonly say: SectionProps['say'];
}) {
  return (
    <SortableList
      id="rooms"
      thing="room"
      items={rooms}
      isFixed={say === null}
      onMove={(move) =>
        say?.(({ house }) => {
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
          <RoomRow key={room.id} room={room} say={say} />
        ))}
      </ul>
    </SortableList>
  );
}

function RoomRow({ room, say }: { readonly room: NamedRoom; readonly say: SectionProps['say'] }) {
  const words = useWords();
  const { id, name, expected, receptacles } = room;
  const describe = (fields: Parameters<typeof roomRedescribed>[2]): void =>
    say?.((standing) => roomRedescribed(standing.house, id, fields));
  return (
    <SortableRow id={id} name={name} isFixed={say === null} className={classes.room}>
      <SavedText
        isInRow
        label={`Name of ${name}`}
        value={name}
        longest={60}
        isDisabled={say === null}
        onSave={(to) => to !== null && describe({ name: to })}
      />
      <SavedNumber
        isInRow
        label={words.screens.prepare.expectedIn(name)}
        placeholder="?"
        value={expected}
        least={0}
        most={200}
        isDisabled={say === null}
        onSave={(count) => describe({ expected: count })}
      />
      <span className={classes.count}>{receptacles.length} listed</span>
    </SortableRow>
  );
}
