import type { Entry } from '@fair-plug/core/log';
import type { FindingSummary } from '@fair-plug/core/report';
import type { ColumnType, Generated, JSONColumnType, RawBuilder } from 'kysely';
import type { Role } from '../contract/answers.ts';

/** Set by PostgreSQL, never by us. */
type Stamp = ColumnType<Date, never, never>;

interface OrganizationTable {
  id: string;
  name: string;
  created_at: Stamp;
}

/** Somebody who can sign in. */
interface PersonTable {
  id: string;
  name: string;
  email: string;
  email_verified: Generated<boolean>;
  image: string | null;
  created_at: Stamp;
  updated_at: ColumnType<Date, never, Date>;
}

interface SessionTable {
  id: string;
  person: string;
  token: string;
  expires_at: Date;
  ip_address: string | null;
  user_agent: string | null;
  created_at: Stamp;
  updated_at: ColumnType<Date, never, Date>;
}

/** What a person signs in with. */
interface AccountTable {
  id: string;
  person: string;
  account_id: string;
  provider_id: string;
  password: string | null;
  created_at: Stamp;
  updated_at: ColumnType<Date, never, Date>;
}

/** What a link that was sent is good for, until then. */
interface VerificationTable {
  id: string;
  /** Of what it is good for and its token, a hash. */
  identifier: string;
  value: string;
  expires_at: Date;
}

/** Who belongs to a firm, or did: a removed person's entries keep their author. */
interface MembershipTable {
  organization: string;
  person: string;
  role: Role;
  created_at: Stamp;
  removed_at: Date | null;
}

/** A link by which somebody may join a firm, once. Only the hash of its token is kept. */
interface InvitationTable {
  organization: string;
  id: string;
  token_hash: string;
  firm_name: string;
  /** null: made before it was kept. */
  inviter: string | null;
  inviter_name: string;
  email: string | null;
  role: Role;
  created_at: Stamp;
  expires_at: Date;
  /** When it was taken up or withdrawn. */
  settled_at: Date | null;
}

/** Who did what that an owner should be able to look up; rows are only ever added. */
interface AuditTable {
  organization: string;
  id: Generated<string>;
  at: Stamp;
  person: string;
  person_name: string;
  action: string;
  about: string | null;
}

/** A log of entries: one inspection, or the firm's kit. */
interface LogTable {
  organization: string;
  id: string;
  kind: 'job' | 'kit';
  /** The last sequence number given out; its row is locked while entries are appended. */
  last_seq: Generated<number>;
  /** The transaction that grew it last, as a number in text (xid8). */
  changed: ColumnType<string, never, RawBuilder<string>>;
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

/** What a device entered in a log, as a chain: the link of an entry, or of one that is not there. */
interface LinkTable {
  organization: string;
  log: string;
  device: string;
  place: number;
  after: string | null;
  body: string;
  /** null: refused, or erased. */
  entry: string | null;
}

/** Read model of a job's log, for the list of jobs. */
interface JobTable {
  organization: string;
  id: string;
  address: string | null;
  about: string | null;
  year_built: number | null;
  receptacles: number;
  tested: number;
  last_read_at: Date | null;
  time_zone: string | null;
  /** Number of the last entry that the line above was made of; null: made before it was noted. */
  summed_seq: number | null;
  /** Of the code that made the row: what an older one made is made anew. */
  version: Generated<number>;
  /** What its findings come to, by the log up to `assessed_seq` and the kit's up to `assessed_kit_seq`. */
  findings: JSONColumnType<FindingSummary | null, string | null | undefined, string | null>;
  assessed_seq: number | null;
  assessed_kit_seq: number | null;
}

/** What is known of a photo's bytes; unique within a firm only. */
interface PhotoTable {
  organization: string;
  /** SHA-256 of the whole. */
  hash: string;
  has_whole: Generated<boolean>;
  /** Ids of the blurs that are burnt into its stand-in; null: it has none. */
  burnt: JSONColumnType<readonly string[] | null, string | null | undefined, string | null>;
  received_at: Stamp;
}

/** Bytes of a version of a photo, or of what of it has arrived. */
interface PhotoPieceTable {
  organization: string;
  hash: string;
  version: string;
  /** Of what is arriving: where in the whole it begins. Else 0, 1, 2 … */
  place: number;
  bytes: Buffer;
}

export interface Database {
  organization: OrganizationTable;
  person: PersonTable;
  session: SessionTable;
  account: AccountTable;
  verification: VerificationTable;
  membership: MembershipTable;
  invitation: InvitationTable;
  audit: AuditTable;
  log: LogTable;
  entry: EntryTable;
  link: LinkTable;
  job: JobTable;
  photo: PhotoTable;
  photo_piece: PhotoPieceTable;
}
