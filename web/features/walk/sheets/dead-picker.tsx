import { type House, namedRooms } from '@fair-plug/core/log';
import { ChoiceKeys } from '@/components/choice-keys';
import classes from './sheets.module.css';

export interface DeadPickerProps {
  readonly house: House;
  readonly dead: readonly string[];
  readonly onToggle: (receptacle: string) => void;
}

/** Which receptacles are dead now: each a key, room by room. */
export function DeadPicker({ house, dead, onToggle }: DeadPickerProps) {
  return (
    <section className={classes.rooms} aria-label="Which are dead now">
      {namedRooms(house)
        .filter(({ receptacles }) => receptacles.length > 0)
        .map((room) => (
          <ChoiceKeys
            key={room.id}
            legend={room.name}
            choices={room.receptacles.map(({ id, name }) => [id, name] as const)}
            chosen={(id) => dead.includes(id)}
            onChoose={onToggle}
          />
        ))}
    </section>
  );
}

/** The list with the receptacle on it where it was not, and without it where it was. */
export const toggled = (dead: readonly string[], receptacle: string): readonly string[] =>
  dead.includes(receptacle) ? dead.filter((one) => one !== receptacle) : [...dead, receptacle];
