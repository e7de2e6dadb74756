import type { House } from '@fair-plug/core/inspection';
import { ChoiceKeys } from '@/components/choice-keys';
import { walkedRooms } from '../walk-order';
import classes from './sheets.module.css';

export interface DeadPickerProps {
  readonly house: House;
  readonly dead: readonly string[];
  readonly onDead: (dead: readonly string[]) => void;
}

/** Which receptacles are dead now: each a key, room by room. */
export function DeadPicker({ house, dead, onDead }: DeadPickerProps) {
  const toggle = (id: string): void =>
    onDead(dead.includes(id) ? dead.filter((one) => one !== id) : [...dead, id]);
  return (
    <section className={classes.rooms} aria-label="Which are dead now">
      {walkedRooms(house)
        .filter(({ receptacles }) => receptacles.length > 0)
        .map((room) => (
          <ChoiceKeys
            key={room.id}
            legend={room.name}
            choices={room.receptacles.map(({ id, name }) => [id, name] as const)}
            chosen={(id) => dead.includes(id)}
            onChoose={toggle}
          />
        ))}
    </section>
  );
}
