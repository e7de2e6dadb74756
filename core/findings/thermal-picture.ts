import type { ThermalPicture } from '../log/index.ts';

export interface Hottest {
  readonly degrees: number;
  /** Counted from nought. */
  readonly row: number;
  readonly column: number;
}

/** The hottest temperature of a picture, and where. */
export function hottestIn({ temperatures, columns }: ThermalPicture): Hottest | null {
  let best = -1;
  temperatures.forEach((one, at) => {
    if (best === -1 || one > (temperatures[best] as number)) best = at;
  });
  return best === -1
    ? null
    : { degrees: temperatures[best] as number, row: Math.floor(best / columns), column: best % columns };
}
