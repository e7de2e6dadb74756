import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { IconGripVertical } from '@tabler/icons-react';
import type { CSSProperties, ReactNode } from 'react';
import { PromptKeyboardSensor } from './prompt-keyboard-sensor';
import classes from './sortable-list.module.css';

/** One of a list was put where another stood. */
export interface Move {
  readonly id: string;
  readonly over: string;
  /** It came from above that one, and stands below it now. */
  readonly isDown: boolean;
}

/** The ids after a move, whatever their order has become since it was begun. */
export function moved(ids: readonly string[], { id, over, isDown }: Move): string[] {
  if (!ids.includes(id) || !ids.includes(over)) return [...ids];
  const others = ids.filter((one) => one !== id);
  others.splice(others.indexOf(over) + (isDown ? 1 : 0), 0, id);
  return others;
}

export interface SortableListProps {
  /** Of the list, for screen readers: "rooms". */
  readonly id: string;
  /** What one of them is called: "room". */
  readonly thing: string;
  readonly items: readonly { readonly id: string; readonly name: string }[];
  readonly isFixed: boolean;
  readonly onMove: (move: Move) => void;
  readonly children: ReactNode;
}

/** A list that is put in order by dragging its handles, with a pointer or by keyboard. */
export function SortableList({ id, thing, items, isFixed, onMove, children }: SortableListProps) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(PromptKeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const ids = items.map((one) => one.id);
  const nameOf = (of: string | number): string => items.find((one) => one.id === of)?.name ?? '';
  const placeOf = (of: string | number): number => ids.indexOf(String(of)) + 1;
  const drop = ({ active, over }: DragEndEvent): void => {
    if (over === null || active.id === over.id) return;
    onMove({ id: String(active.id), over: String(over.id), isDown: placeOf(active.id) < placeOf(over.id) });
  };
  return (
    <DndContext
      id={id}
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={drop}
      accessibility={{
        screenReaderInstructions: {
          draggable: `Space takes the ${thing} up, the arrow keys move it, Space puts it down, Escape leaves it where it was.`,
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
      <SortableContext items={ids} strategy={verticalListSortingStrategy} disabled={isFixed}>
        {children}
      </SortableContext>
    </DndContext>
  );
}

export interface SortableRowProps {
  readonly id: string;
  readonly name: string;
  readonly isFixed: boolean;
  readonly className: string | undefined;
  readonly children: ReactNode;
}

/** One row of it, its handle first. */
export function SortableRow({ id, name, isFixed, className, children }: SortableRowProps) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition } = useSortable({
    id,
  });
  const style: CSSProperties = {
    transform: CSS.Translate.toString(transform),
    ...(transition === undefined ? {} : { transition }),
  };
  return (
    <li ref={setNodeRef} className={className} style={style}>
      <button
        type="button"
        ref={setActivatorNodeRef}
        className={classes.handle}
        {...attributes}
        {...listeners}
        disabled={isFixed}
        aria-label={`Move ${name}`}
      >
        <IconGripVertical size={18} aria-hidden />
      </button>
      {children}
    </li>
  );
}
