import type { HouseSummary } from '@fair-plug/core/report';
import type { FirmData } from './firm-data.ts';

/** A line of the list of jobs. */
export interface JobSummary extends HouseSummary {
  readonly id: string;
}

/** The jobs of a firm, the one read last first. */
export async function listJobs(firm: FirmData): Promise<readonly JobSummary[]> {
  const rows = await firm.transaction((transaction) =>
    transaction
      .selectFrom('job')
      .selectAll()
      .where('organization', '=', firm.id)
      .orderBy('last_read_at', (order) => order.desc().nullsLast())
      .orderBy('id', 'desc')
      .execute(),
  );
  return rows.map((row) => ({
    id: row.id,
    address: row.address,
    about: row.about,
    yearBuilt: row.year_built,
    receptacles: row.receptacles,
    tested: row.tested,
    withFinding: row.with_finding,
    actNow: row.act_now,
    lastReadAt: row.last_read_at?.toISOString() ?? null,
  }));
}
