import { urgencies } from '@fair-plug/core/knowledge';
import { type BareLink, bareLinkSchema, chainHeadSchema, type Entry, idSchema } from '@fair-plug/core/log';
import { z } from 'zod';

/** What the server answers: written by it, and parsed by the browser, by one description. */

export const roles = ['owner', 'inspector', 'viewer'] as const;
export const roleSchema = z.enum(roles);
export type Role = z.infer<typeof roleSchema>;

export const problemCodes = [
  'malformed',
  'invalid',
  'too-large',
  'wrong-type',
  'signed-out',
  'wrong-credentials',
  'not-allowed',
  'too-many',
  'outdated',
  'not-found',
  'conflict',
  'waits',
  'clock',
  'chain',
  'refused',
  'database-away',
  'no-room',
  'failed',
] as const;
export type ProblemCode = (typeof problemCodes)[number];

/** What was wrong with one field of a request: its path ("/entries/0/lamps/hn") and what was expected. */
const fieldProblem = z.object({ path: z.string(), message: z.string() });
export type FieldProblem = Readonly<z.infer<typeof fieldProblem>>;

/** Whose chain something does not go with, and where it ends on the server. */
const deviceChain = z.object({ device: idSchema, head: chainHeadSchema.nullable() });
export type DeviceChain = Readonly<z.infer<typeof deviceChain>>;

/** The body of every answer that is not a success. */
export const problemAnswer = z.object({
  error: z.object({
    code: z.enum(problemCodes),
    message: z.string(),
    fields: z.array(fieldProblem).readonly().optional(),
    chain: deviceChain.optional(),
  }),
});

/** How much of a photo the server has. */
export const photoState = z.object({
  hash: z.string(),
  isWhole: z.boolean(),
  /** Ids of the blurs that are burnt into what stands in for it; null: nothing does. */
  burnt: z.array(z.string()).readonly().nullable(),
});
export type PhotoState = Readonly<z.infer<typeof photoState>>;
export const photosAnswer = z.object({ photos: z.array(photoState).readonly() });
/** What became of a piece: bytes that the server has now. */
export const pieceAnswer = z.object({ have: z.number(), isThere: z.boolean() });

/** ISO time. */
const instant = z.string();
const named = z.object({ id: z.string(), name: z.string() });

const ownFirm = named.extend({ role: roleSchema });
export type OwnFirm = Readonly<z.infer<typeof ownFirm>>;

/** Who has signed in on the server. */
export const sessionAnswer = z.object({
  person: named.extend({ email: z.string() }),
  firms: z.array(ownFirm),
});
export type Session = Readonly<z.infer<typeof sessionAnswer>>;

/** A browser in which one has signed in. */
const ownSession = z.object({
  id: z.string(),
  /** Such as "Firefox on Android"; null where it did not say. */
  browser: z.string().nullable(),
  isHere: z.boolean(),
  begunAt: instant,
  /** To the day. */
  usedAt: instant,
});
export type OwnSession = Readonly<z.infer<typeof ownSession>>;
export const sessionsAnswer = z.object({ sessions: z.array(ownSession) });

/** What the sign-in page offers. */
export const startAnswer = z.object({ firstRun: z.boolean(), demo: z.boolean() });
export type Start = z.infer<typeof startAnswer>;

/** A line of the list of jobs. */
const jobSummary = z.object({
  id: idSchema,
  address: z.string().nullable(),
  about: z.string().nullable(),
  yearBuilt: z.number().nullable(),
  receptacles: z.number(),
  tested: z.number(),
  lastReadAt: instant.nullable(),
  /** Earlier servers did not say it. */
  timeZone: z.string().nullable().default(null),
  /** null: being assessed, or nothing was read. */
  findings: z
    .object({ reported: z.number(), toDecide: z.number(), urgency: z.enum(urgencies).nullable() })
    .nullable(),
});
export type JobSummary = Readonly<z.infer<typeof jobSummary>>;
export const jobsAnswer = z.object({ jobs: z.array(jobSummary) });

/** A log of a firm, and the sequence number of its last entry. */
const logHead = z.object({ id: z.string(), kind: z.enum(['job', 'kit']), seq: z.number() });
export type LogHead = Readonly<z.infer<typeof logHead>>;
export const logsAnswer = z.object({
  protocol: z.number(),
  /** The server's time; earlier servers did not say it. */
  now: instant.optional(),
  logs: z.array(logHead),
  /** To be named the next time; then only logs that grew since are told. Earlier servers told of all. */
  cursor: z.string().optional(),
});

/**
 * Entries of a log after a sequence number, and that of the last one given. Of an entry no more is asked than that it can
 * be kept and put in order: what it says was parsed when the server took it, and is read by kinds older than any schema.
 */
export const logPageAnswer = z.object({
  entries: z.array(z.looseObject({ id: idSchema, device: idSchema, at: instant, kind: z.string() })),
  /** Links whose entries are not there, of the whole log; earlier servers told of none. */
  links: z.array(bareLinkSchema).default([]),
  cursor: z.number(),
});
export interface LogPage<E extends Entry> {
  readonly entries: readonly E[];
  readonly links: readonly BareLink[];
  /** Sequence number of the last entry given; the next page starts after it. */
  readonly cursor: number;
}

const member = named.extend({
  email: z.string(),
  role: roleSchema,
  /** null for those who belong to the firm. */
  removedAt: instant.nullable(),
});
export type Member = Readonly<z.infer<typeof member>>;
export const peopleAnswer = z.object({ people: z.array(member) });
export const colleaguesAnswer = z.object({ people: z.array(named) });

const invitation = z.object({
  id: z.string(),
  email: z.string().nullable(),
  role: roleSchema,
  expiresAt: instant,
});
export type Invitation = Readonly<z.infer<typeof invitation>>;
export const invitationsAnswer = z.object({ invitations: z.array(invitation) });
export const linkAnswer = z.object({ link: z.string() });

/** What an invitation offers to whoever holds its token. */
export const offerAnswer = z.object({
  firm: named,
  inviter: z.string(),
  email: z.string().nullable(),
  role: roleSchema,
});
export type Offer = Readonly<z.infer<typeof offerAnswer>>;

const auditLine = z.object({
  id: z.string(),
  at: instant,
  person: z.string(),
  action: z.string(),
  about: z.string().nullable(),
});
export type AuditLine = Readonly<z.infer<typeof auditLine>>;
export const auditAnswer = z.object({ lines: z.array(auditLine) });

/** A message that would have been sent, in demo mode. */
export const keptMessage = z.object({
  at: instant,
  to: z.string(),
  subject: z.string(),
  text: z.string(),
});
export type KeptMessage = z.infer<typeof keptMessage>;
export const mailAnswer = z.object({ messages: z.array(keptMessage) });

const printStages = ['waiting', 'opening', 'reading', 'printing'] as const;
export type PrintStage = (typeof printStages)[number];

/** A letterhead's mark as an entry may hold it: a data address. */
export const markAnswer = z.object({ mark: z.string() });

/** A line of the answer to a wish for a PDF: how far the report is; at last the document itself. */
export const printLine = z.discriminatedUnion('stage', [
  /** `before`: of one that waits, how many come first. */
  z.object({ stage: z.enum(printStages), before: z.number().optional() }),
  z.object({ stage: z.literal('done'), name: z.string(), pdf: z.string() }),
  z.object({ stage: z.literal('failed'), message: z.string() }),
]);
export type PrintLine = Readonly<z.infer<typeof printLine>>;
