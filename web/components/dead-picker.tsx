import { currentLamps, type House, namedRooms } from '@fair-plug/core/log';
import { ChoiceKeys } from './choice-keys';
import classes from './dead-picker.module.css';
import { markOf } from './map-mark';
import { RoomMap } from './room-map';

export interface DeadPickerProps {
  readonly house: House;
  readonly dead: readonly string[];
  readonly onToggle: (receptacle: string) => void;
}

/** Which receptacles are dead now: each a mark on the plan of its room, and a key beneath. */
export function DeadPicker({ house, dead, onToggle }: DeadPickerProps) {
  return (
    <section className={classes.rooms} aria-label="Which are dead now">
      {namedRooms(house)
        .filter(({ receptacles }) => receptacles.length > 0)
        .map((room) => (
          <div key={room.id} className={classes.room}>
            <RoomMap
              name={room.name}
              door={room.door}
              marks={room.receptacles.map((one) => ({
                ...markOf(one, { lamps: currentLamps(one), verdict: null }),
                isChosen: dead.includes(one.id),
              }))}
              onTake={onToggle}
              isBesideKeys
            />
            <ChoiceKeys
              legend={room.name}
              choices={room.receptacles.map(({ id, name }) => [id, name] as const)}
              chosen={(id) => dead.includes(id)}
              onChoose={onToggle}
            />
          </div>
        ))}
    </section>
  );
}

/** The list with the receptacle on it where it was not, and without it where it was. */
export const toggled = (dead: readonly string[], receptacle: string): readonly string[] =>
  dead.includes(receptacle) ? dead.filter((one) => one !== receptacle) : [...dead, receptacle];
