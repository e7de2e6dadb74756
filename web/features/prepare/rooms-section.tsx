import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import type { JobStatement, Room } from '@fair-plug/core/inspection';
import { Button, TextInput } from '@mantine/core';
import { IconGripVertical } from '@tabler/icons-react';
import { type SubmitEvent, useState } from 'react';
import { v7 } from 'uuid';
import { SavedNumber, SavedText } from '@/components/saved-fields';
import classes from './prepare.module.css';
import type { SectionProps } from './property-section';
import { RoomTemplates } from './room-templates';

type NamedRoom = Room & { readonly id: string };

/** The rooms in the order of the walk, with how many receptacles are looked for in each. */
export function RoomsSection({ house, say }: SectionProps) {
  const rooms = house.rooms.filter((room): room is NamedRoom => room.id !== null);
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
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const ids = rooms.map(({ id }) => id);
  const nameOf = (id: string | number): string => rooms.find((room) => room.id === id)?.name ?? '';
  const placeOf = (id: string | number): number => ids.indexOf(String(id)) + 1;
  const drop = ({ active, over }: DragEndEvent): void => {
    if (over === null || active.id === over.id) return;
    const order = arrayMove(ids, ids.indexOf(String(active.id)), ids.indexOf(String(over.id)));
    say?.({ kind: 'rooms-ordered', rooms: order });
  };
  return (
    <DndContext
      id="rooms"
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={drop}
      accessibility={{
        screenReaderInstructions: {
          draggable:
            'Space takes the room up, the arrow keys move it, Space puts it down, Escape leaves it where it was.',
        },
        announcements: {
          onDragStart: ({ active }) => `${nameOf(active.id)} taken up`,
          onDragOver: ({ active, over }) =>
            over === null ? undefined : `${nameOf(active.id)} would be number ${placeOf(over.id)}`,
          onDragEnd: ({ active, over }) =>
            `${nameOf(active.id)} put down at ${placeOf(over?.id ?? active.id)}`,
          onDragCancel: ({ active }) => `${nameOf(active.id)} left where it was`,
        },
      }}
    >
      <SortableContext items={ids} strategy={verticalListSortingStrategy} disabled={say === null}>
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
      </SortableContext>
    </DndContext>
  );
}

function RoomRow({ room, say }: { readonly room: NamedRoom; readonly say: SectionProps['say'] }) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition } = useSortable({
    id: room.id,
  });
  const { id, name, expected, receptacles } = room;
  const describe = (fields: Partial<Extract<JobStatement, { kind: 'room-described' }>>): void =>
    say?.({ kind: 'room-described', room: id, name, ...fields });
  return (
    <li
      ref={setNodeRef}
      className={classes.room}
      style={{
        transform: CSS.Translate.toString(transform),
        ...(transition === undefined ? {} : { transition }),
      }}
    >
      <button
        type="button"
        ref={setActivatorNodeRef}
        className={classes.handle}
        {...attributes}
        {...listeners}
        aria-label={`Move ${name}`}
        disabled={say === null}
      >
        <IconGripVertical size={20} aria-hidden />
      </button>
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
        label={`Receptacles expected in ${name}`}
        placeholder="?"
        value={expected}
        least={0}
        most={200}
        isDisabled={say === null}
        onSave={(count) => describe({ expected: count })}
      />
      <span className={classes.count}>{receptacles.length} listed</span>
    </li>
  );
}
