import { HouseFold, type JobEntry } from '@fair-plug/core/log';
import { summaryOf } from '@fair-plug/core/report';
import type { Transaction } from 'kysely';
import type { FirmData } from './firm-data.ts';
import type { Database } from './schema.ts';

/** Raised when a job's line in the list is made otherwise: lines of an older number are made anew as they are listed. */
export const readModelVersion = 2;

/** A job's log as far as it was read. */
export interface Read {
  readonly fold: HouseFold;
  readonly seq: number;
}

const lineOf = ({ fold, seq }: Read) => {
  const { address, about, yearBuilt, receptacles, tested, lastReadAt, timeZone } = summaryOf(fold.house);
  return {
    address,
    about,
    receptacles,
    tested,
    year_built: yearBuilt,
    last_read_at: lastReadAt === null ? null : new Date(lastReadAt),
    time_zone: timeZone,
    version: readModelVersion,
    summed_seq: seq,
  };
};

/** Writes a job's line, unless one of a longer log stands. */
export async function writeLine(
  transaction: Transaction<Database>,
  firm: FirmData,
  job: string,
  from: Read,
): Promise<void> {
  const line = lineOf(from);
  await transaction
    .insertInto('job')
    .values({ organization: firm.id, id: job, ...line })
    .onConflict((conflict) =>
      conflict
        .columns(['organization', 'id'])
        .doUpdateSet(line)
        .where((is) =>
          is.or([
            is('job.summed_seq', 'is', null),
            is('job.summed_seq', '<=', from.seq),
            is('job.version', '!=', readModelVersion),
          ]),
        ),
    )
    .execute();
}

/** The line of a job that begins with these entries. */
export const beginLine = (
  transaction: Transaction<Database>,
  firm: FirmData,
  job: string,
  entries: readonly JobEntry[],
): Promise<void> =>
  writeLine(transaction, firm, job, { fold: new HouseFold().add(entries), seq: entries.length });
