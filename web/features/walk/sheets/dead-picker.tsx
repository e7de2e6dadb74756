import type { House } from '@fair-plug/core/inspection';
import { ChoiceKeys } from '@/components/choice-keys';
import { walkedRooms } from '../walk-order';
import classes from './sheets.module.css';

export interface DeadPickerProps {
  readonly house: House;
  readonly dead: ReadonlySet<string>;
  readonly onDead: (dead: ReadonlySet<string>) => void;
}

/** Which receptacles are dead now: each a key, room by room. */
export function DeadPicker({ house, dead, onDead }: DeadPickerProps) {
  const toggle = (id: string): void => {
    const next = new Set(dead);
    if (!next.delete(id)) next.add(id);
    onDead(next);
  };
  return (
    <section className={classes.rooms} aria-label="Which are dead now">
      {walkedRooms(house)
        .filter(({ receptacles }) => receptacles.length > 0)
        .map((room) => (
          <ChoiceKeys
            key={room.id}
            legend={room.name}
            choices={room.receptacles.map(({ id, name }) => [id, name] as const)}
            chosen={(id) => dead.has(id)}
            onChoose={toggle}
          />
        ))}
    </section>
  );
}
