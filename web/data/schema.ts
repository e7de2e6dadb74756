import type { Entry } from '@fair-plug/core/inspection';
import type { ColumnType, Generated, JSONColumnType } from 'kysely';

/** Set by PostgreSQL, never by us. */
type Stamp = ColumnType<Date, never, never>;

interface OrganizationTable {
  id: string;
  name: string;
  created_at: Stamp;
}

interface PersonTable {
  organization: string;
  id: string;
  name: string;
  created_at: Stamp;
}

/** A log of entries: one inspection, or the firm's kit. */
interface LogTable {
  organization: string;
  id: string;
  kind: 'job' | 'kit';
  /** The last sequence number given out; its row is locked while entries are appended. */
  last_seq: Generated<number>;
  created_at: Stamp;
}

interface EntryTable {
  organization: string;
  log: string;
  id: string;
  /** 1, 2, 3 … within its log, in the order of arrival. */
  seq: number;
  body: JSONColumnType<Entry>;
  received_at: Stamp;
}

/** Read model of a job's log, for the list of jobs. */
interface JobTable {
  organization: string;
  id: string;
  address: string;
  about: string | null;
  year_built: number | null;
  receptacles: number;
  tested: number;
  with_finding: number;
  act_now: number;
  last_read_at: Date | null;
}

export interface Database {
  organization: OrganizationTable;
  person: PersonTable;
  log: LogTable;
  entry: EntryTable;
  job: JobTable;
}
