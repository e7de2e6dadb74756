import type { Connection } from './database.ts';

/** A line of the list of jobs. */
export interface JobSummary {
  readonly id: string;
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

/** The jobs of an organization, the one read last first. */
export async function listJobs(connection: Connection, organization: string): Promise<readonly JobSummary[]> {
  const rows = await connection
    .selectFrom('job')
    .selectAll()
    .where('organization', '=', organization)
    .orderBy('last_read_at', (order) => order.desc().nullsLast())
    .orderBy('id', 'desc')
    .execute();
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
