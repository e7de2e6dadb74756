import type { House } from '../inspection/index.ts';
import { reportOn } from './report.ts';

/** What a list of jobs says of a house. */
export interface HouseSummary {
  readonly address: string;
  readonly about: string | null;
  readonly yearBuilt: number | null;
  readonly receptacles: number;
  readonly tested: number;
  readonly withFinding: number;
  readonly actNow: number;
  /** ISO time of the latest reading. */
  readonly lastReadAt: string | null;
}

export function summaryOf(house: House): HouseSummary {
  const { summary, findings } = reportOn(house);
  return {
    address: house.address,
    about: house.about,
    yearBuilt: house.yearBuilt,
    receptacles: summary.receptacles,
    tested: summary.tested,
    withFinding: summary.withFinding,
    actNow: findings
      .filter(({ urgency }) => urgency === 'act-now')
      .reduce((sum, { receptacles }) => sum + receptacles.length, 0),
    lastReadAt: house.lastReadAt,
  };
}
