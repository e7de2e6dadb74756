import type { ReceptacleType } from '@fair-plug/core/knowledge';
import {
  type House,
  type JobStatement,
  namedRooms,
  nextReceptacleName,
  type Room,
  whereIs,
} from '@fair-plug/core/log';

/** The place that the screen shows, and that what is pressed now is about. */
export interface Place {
  readonly room: string;
  /** Of one that is to be added, the id that it will have. */
  readonly receptacle: string;
  readonly isNew: boolean;
  readonly name: string;
  /** Where one that is to be added would be placed. */
  readonly spot: number | null;
}

/** Types that come one at a time, and are not carried on to the next. */
const isSpecial = (type: ReceptacleType): boolean =>
  type === 'ground-fault' || type === 'range-or-dryer' || type === 'protected-socket';

/** The kind that a new receptacle of a room has until somebody says otherwise: that of the one before. */
export function followingType(room: Room | null): ReceptacleType | null {
  const last = room?.receptacles.findLast(({ type }) => type !== null && !isSpecial(type));
  return last?.type ?? null;
}

/** What has to be said of a place before anything is said at it: nothing, where its receptacle is in the house. */
export function describedAt(
  place: Place,
  house: House,
): readonly Extract<JobStatement, { kind: 'receptacle-described' }>[] {
  if (!place.isNew || whereIs(house, place.receptacle) !== null) return [];
  const room = namedRooms(house).find(({ id }) => id === place.room);
  const type = followingType(room ?? null);
  const isTaken = room?.receptacles.some(({ name }) => name === place.name) ?? false;
  return [
    {
      kind: 'receptacle-described',
      receptacle: place.receptacle,
      room: place.room,
      // Another tab may have added one under that name meanwhile.
      name: isTaken && room !== undefined ? nextReceptacleName(room) : place.name,
      ...(type === null ? {} : { type }),
      ...(place.spot === null ? {} : { spot: place.spot }),
    },
  ];
}
