import type { Pool } from 'pg';
import { RateLimiterPostgres, type RateLimiterRes } from 'rate-limiter-flexible';

const minute = 60;

/** How often something may be tried, by what, within how many seconds. Kept in PostgreSQL, so a restart forgets nothing. */
const rules = {
  'sign-in-address': { points: 10, duration: 15 * minute },
  // In a browser where the person signed in before: whoever tries elsewhere does not lock them out.
  'sign-in-known': { points: 10, duration: 15 * minute },
  'sign-in-source': { points: 60, duration: 15 * minute },
  'reset-address': { points: 4, duration: 60 * minute },
  'reset-source': { points: 20, duration: 60 * minute },
  // Whoever guesses from within a session does not lock the door for its owner.
  'password-person': { points: 10, duration: 15 * minute },
  'join-source': { points: 100, duration: 60 * minute },
  // A device sends a few times a minute; after weeks without a network, some hundred times.
  'entries-person': { points: 1500, duration: 5 * minute },
  // Pieces of photos: two hundred photos of a megabyte each.
  'photos-person': { points: 1500, duration: 5 * minute },
  // Lines of the trail, not tries.
  'refusals-person': { points: 20, duration: 60 * minute },
  'report-person': { points: 40, duration: 10 * minute },
} as const;
export type Limit = keyof typeof rules;

/** Counts what is tried. */
export class Limits {
  private readonly limiters: ReadonlyMap<Limit, RateLimiterPostgres>;

  constructor(pool: Pool) {
    this.limiters = new Map(
      (Object.keys(rules) as Limit[]).map((limit) => [
        limit,
        new RateLimiterPostgres({
          storeClient: pool,
          storeType: 'pool',
          tableName: 'rate_limit',
          tableCreated: true,
          keyPrefix: limit,
          ...rules[limit],
        }),
      ]),
    );
  }

  /** Counts one try; answers the seconds to wait where there were too many, else null. */
  async secondsToWait(limit: Limit, key: string): Promise<number | null> {
    try {
      // Keys are cut off by the table; an address longer than that is none.
      await this.limiters.get(limit)?.consume(key.slice(0, 200).toLowerCase());
      return null;
    } catch (refused) {
      if (refused instanceof Error) throw refused;
      return Math.ceil((refused as RateLimiterRes).msBeforeNext / 1000);
    }
  }
}
