import { toCelsius } from './heat.ts';
import type { TemperatureUnit } from './house-parts.ts';

/** What is left of turning one scale into the other does not count. */
function rounded(celsius: number): number {
  return Math.round(celsius * 1e6) / 1e6;
}

/** Trade limits of a dimmer's plate: above the first it is written down, from the second on it is referred (common practice). */
const writtenDownAbove = rounded(toCelsius(120, 'F'));
const referredFrom = rounded(toCelsius(130, 'F'));

/** What of its rating a dimmer keeps with no, one and both side fins broken off (common practice: 600, 500, 400 W). */
const keptWithSidesOff = [1, 5 / 6, 2 / 3] as const;

export interface DimmerMeasured {
  readonly plate: number | null;
  readonly unit: TemperatureUnit;
  /** Connected, W. */
  readonly watts: number | null;
  /** What stands on it, W. */
  readonly rated: number | null;
  /** Side fins broken off; null: not seen. */
  readonly sidesOff: 0 | 1 | 2 | null;
  /** Devices side by side in its box, itself among them; null: not said. */
  readonly ganged: number | null;
}

export interface DimmerJudged {
  readonly plate: 'cool' | 'written-down' | 'referred' | null;
  /** Watts that it may carry as it is mounted; null where its rating is not known. */
  readonly allowed: number | null;
  readonly isOverloaded: boolean;
}

/** Where nobody saw the fins: at the end of a row one side is off, in the middle both. */
const sidesByGanging = (ganged: number | null): 0 | 1 | 2 =>
  ganged === null || ganged < 2 ? 0 : ganged === 2 ? 1 : 2;

export function dimmerOf({ plate, unit, watts, rated, sidesOff, ganged }: DimmerMeasured): DimmerJudged {
  const celsius = plate === null ? null : rounded(toCelsius(plate, unit));
  const allowed =
    rated === null ? null : Math.round(rated * keptWithSidesOff[sidesOff ?? sidesByGanging(ganged)]);
  return {
    plate:
      celsius === null
        ? null
        : celsius >= referredFrom
          ? 'referred'
          : celsius > writtenDownAbove
            ? 'written-down'
            : 'cool',
    allowed,
    isOverloaded: allowed !== null && watts !== null && watts > allowed,
  };
}
