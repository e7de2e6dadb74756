import type { House } from '../inspection/index.ts';
import { surveyOf } from './survey.ts';

/** What a list of jobs says of a house. */
export interface HouseSummary {
  readonly address: string;
  readonly about: string | null;
  readonly yearBuilt: number | null;
  readonly receptacles: number;
  readonly tested: number;
  readonly withFinding: number;
  /** Receptacles that are not to be used. */
  readonly actNow: number;
  /** ISO time of the latest reading. */
  readonly lastReadAt: string | null;
}

export function summaryOf(house: House): HouseSummary {
  const { summary, rooms } = surveyOf(house);
  return {
    address: house.address,
    about: house.about,
    yearBuilt: house.yearBuilt,
    receptacles: summary.receptacles,
    tested: summary.tested,
    withFinding: summary.withFinding,
    actNow: rooms
      .flatMap(({ lines }) => lines)
      .filter(({ verdict, danger }) => danger !== null || verdict?.urgency === 'act-now').length,
    lastReadAt: house.lastReadAt,
  };
}
