'use client';

import type { ReceptacleType } from '@fair-plug/core/knowledge';
import {
  type House,
  type NamedRoom,
  namedRooms,
  nextReceptacleName,
  type Receptacle,
} from '@fair-plug/core/log';
import { useMemo, useState } from 'react';
import { nextSpot } from '@/components/wall-places';
import { useOwnStorage } from '@/local/use-own-storage';
import { type CurrentPlace, standing, startOfWalk } from './walk-order';
import { followingType } from './walk-place';

/** Where the walk stands. */
export interface Here {
  readonly room: NamedRoom | null;
  /** null: the place for the next one. */
  readonly receptacle: Receptacle | null;
  readonly currentPlace: CurrentPlace | null;
  /** Name of the receptacle; of the next one to be added where that is. */
  readonly name: string;
  readonly type: ReceptacleType | null;
  /** Where the next one would be placed. */
  readonly nextSpot: number | null;
}

/** Where on its room's walls the next receptacle was tapped. */
interface Tapped {
  readonly room: string;
  readonly spot: number;
}

/** The place that the walk of a job has come to, which outlives the tab. */
export function useCurrentPlace(job: string, house: House) {
  const [chosen, setChosen] = useOwnStorage<CurrentPlace | null>(`in hand ${job}`, null);
  const [tapped, setTapped] = useState<Tapped | null>(null);
  const currentPlace = useMemo(
    () => (chosen === null ? null : standing(house, chosen)) ?? startOfWalk(house),
    [house, chosen],
  );
  const room = namedRooms(house).find((one) => one.id === currentPlace?.room) ?? null;
  const receptacle = room?.receptacles.find((one) => one.id === currentPlace?.receptacle) ?? null;
  const spot =
    tapped !== null && tapped.room === room?.id
      ? tapped.spot
      : nextSpot(room?.receptacles.map((one) => one.spot) ?? []);
  const here: Here = {
    room,
    receptacle,
    currentPlace,
    name: receptacle?.name ?? (room === null ? '' : nextReceptacleName(room)),
    type: receptacle === null ? followingType(room) : receptacle.type,
    nextSpot: receptacle === null ? spot : null,
  };
  return { here, spot, chosen, setChosen, setTapped };
}
