import { coverageOf, type House, receptaclesOf } from '../log/index.ts';

/** What a list of jobs says of a house by its log alone. */
export interface HouseSummary {
  readonly address: string | null;
  readonly about: string | null;
  readonly yearBuilt: number | null;
  readonly receptacles: number;
  readonly tested: number;
  /** ISO time of the latest reading. */
  readonly lastReadAt: string | null;
  readonly timeZone: string | null;
}

export function summaryOf(house: House): HouseSummary {
  const { address, about, yearBuilt, lastReadAt, timeZone = null } = house;
  const receptacles = receptaclesOf(house).length;
  return { address, about, yearBuilt, receptacles, tested: coverageOf(house).tested, lastReadAt, timeZone };
}
