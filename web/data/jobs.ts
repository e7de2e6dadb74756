import type { JobSummary } from '../contract/answers.ts';
import { assessSoon } from './assessor.ts';
import type { FirmData } from './firm-data.ts';
import { readModelVersion } from './job-lines.ts';

/** The jobs of a firm, the one read last first. Those whose findings are of an older log are assessed beside this. */
export async function listJobs(firm: FirmData): Promise<readonly JobSummary[]> {
  const { rows, kit } = await firm.transaction(async (transaction) => ({
    rows: await transaction
      .selectFrom('job')
      .innerJoin('log', (join) =>
        join.onRef('log.organization', '=', 'job.organization').onRef('log.id', '=', 'job.id'),
      )
      .selectAll('job')
      .select('log.last_seq')
      .where('job.organization', '=', firm.id)
      .orderBy('last_read_at', (order) => order.desc().nullsLast())
      .orderBy('job.id', 'desc')
      .execute(),
    kit: await transaction
      .selectFrom('log')
      .select('last_seq')
      .where('organization', '=', firm.id)
      .where('kind', '=', 'kit')
      .executeTakeFirst(),
  }));
  const isCurrent = (row: (typeof rows)[number]): boolean =>
    row.version === readModelVersion &&
    row.assessed_seq === row.last_seq &&
    row.assessed_kit_seq === (kit?.last_seq ?? 0);
  const isSummed = (row: (typeof rows)[number]): boolean =>
    row.version === readModelVersion && row.summed_seq === row.last_seq;
  // Of which something may be found is assessed, and its line made with it.
  const stale = rows.filter((row) => !isCurrent(row) && (row.tested > 0 || !isSummed(row)));
  assessSoon(
    firm,
    stale.map(({ id }) => id),
  );
  return rows.map((row) => ({
    id: row.id,
    address: row.address,
    about: row.about,
    yearBuilt: row.year_built,
    receptacles: row.receptacles,
    tested: row.tested,
    lastReadAt: row.last_read_at?.toISOString() ?? null,
    timeZone: row.time_zone,
    findings: isCurrent(row) ? row.findings : null,
  }));
}

/** What the list calls a job; null where the firm has none such. */
export async function jobNamed(
  firm: FirmData,
  job: string,
): Promise<{ readonly address: string | null } | null> {
  const row = await firm.transaction((transaction) =>
    transaction
      .selectFrom('job')
      .select('address')
      .where('organization', '=', firm.id)
      .where('id', '=', job)
      .executeTakeFirst(),
  );
  return row ?? null;
}
