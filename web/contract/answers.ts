import { urgencies } from '@fair-plug/core/knowledge';
import { lazily } from '@fair-plug/core/lazily.ts';
import { type BareLink, bareLinkSchema, chainHeadSchema, type Entry, idSchema } from '@fair-plug/core/log';
import { z } from 'zod';

/** What the server answers: written by it, and parsed by the browser, by one description, made when an answer comes. */

export const roles = ['owner', 'inspector', 'viewer'] as const;
export const roleSchema = lazily(() => z.enum(roles));
export type Role = z.infer<ReturnType<typeof roleSchema>>;

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
const fieldProblem = lazily(() => z.object({ path: z.string(), message: z.string() }));
export type FieldProblem = Readonly<z.infer<ReturnType<typeof fieldProblem>>>;

/** Whose chain something does not go with, and where it ends on the server. */
const deviceChain = lazily(() => z.object({ device: idSchema(), head: chainHeadSchema().nullable() }));
export type DeviceChain = Readonly<z.infer<ReturnType<typeof deviceChain>>>;

/** The body of every answer that is not a success. */
export const problemAnswer = lazily(() =>
  z.object({
    error: z.object({
      code: z.enum(problemCodes),
      message: z.string(),
      fields: z.array(fieldProblem()).readonly().optional(),
      chain: deviceChain().optional(),
    }),
  }),
);

/** How much of a photo the server has. */
export const photoState = lazily(() =>
  z.object({
    hash: z.string(),
    isWhole: z.boolean(),
    /** Ids of the blurs that are burnt into what stands in for it; null: nothing does. */
    burnt: z.array(z.string()).readonly().nullable(),
  }),
);
export type PhotoState = Readonly<z.infer<ReturnType<typeof photoState>>>;
export const photosAnswer = lazily(() => z.object({ photos: z.array(photoState()).readonly() }));
/** What became of a piece: bytes that the server has now. */
export const pieceAnswer = lazily(() => z.object({ have: z.number(), isThere: z.boolean() }));

/** ISO time. */
const instant = lazily(() => z.string());
const named = lazily(() => z.object({ id: z.string(), name: z.string() }));

const ownFirm = lazily(() => named().extend({ role: roleSchema() }));
export type OwnFirm = Readonly<z.infer<ReturnType<typeof ownFirm>>>;

/** Who has signed in on the server. */
export const sessionAnswer = lazily(() =>
  z.object({
    person: named().extend({ email: z.string() }),
    firms: z.array(ownFirm()),
  }),
);
export type Session = Readonly<z.infer<ReturnType<typeof sessionAnswer>>>;

/** A browser in which one has signed in. */
const ownSession = lazily(() =>
  z.object({
    id: z.string(),
    /** Such as "Firefox on Android"; null where it did not say. */
    browser: z.string().nullable(),
    isHere: z.boolean(),
    begunAt: instant(),
    /** To the day. */
    usedAt: instant(),
  }),
);
export type OwnSession = Readonly<z.infer<ReturnType<typeof ownSession>>>;
export const sessionsAnswer = lazily(() => z.object({ sessions: z.array(ownSession()) }));

/** What the sign-in page offers. */
export const startAnswer = lazily(() => z.object({ firstRun: z.boolean(), demo: z.boolean() }));
export type Start = z.infer<ReturnType<typeof startAnswer>>;

/** A line of the list of jobs. */
const jobSummary = lazily(() =>
  z.object({
    id: idSchema(),
    address: z.string().nullable(),
    about: z.string().nullable(),
    yearBuilt: z.number().nullable(),
    receptacles: z.number(),
    tested: z.number(),
    lastReadAt: instant().nullable(),
    /** Earlier servers did not say it. */
    timeZone: z.string().nullable().default(null),
    /** null: being assessed, or nothing was read. */
    findings: z
      .object({ reported: z.number(), toDecide: z.number(), urgency: z.enum(urgencies).nullable() })
      .nullable(),
  }),
);
export type JobSummary = Readonly<z.infer<ReturnType<typeof jobSummary>>>;
export const jobsAnswer = lazily(() => z.object({ jobs: z.array(jobSummary()) }));

/** A log of a firm, and the sequence number of its last entry. */
const logHead = lazily(() => z.object({ id: z.string(), kind: z.enum(['job', 'kit']), seq: z.number() }));
export type LogHead = Readonly<z.infer<ReturnType<typeof logHead>>>;
export const logsAnswer = lazily(() =>
  z.object({
    protocol: z.number(),
    /** The server's time; earlier servers did not say it. */
    now: instant().optional(),
    logs: z.array(logHead()),
    /** To be named() the next time; then only logs that grew since are told. Earlier servers told of all. */
    cursor: z.string().optional(),
  }),
);

/**
 * Entries of a log after a sequence number, and that of the last one given. Of an entry no more is asked than that it can
 * be kept and put in order: what it says was parsed when the server took it, and is read by kinds older than any schema.
 */
export const logPageAnswer = lazily(() =>
  z.object({
    entries: z.array(z.looseObject({ id: idSchema(), device: idSchema(), at: instant(), kind: z.string() })),
    /** Links whose entries are not there, of the whole log; earlier servers told of none. */
    links: z.array(bareLinkSchema()).default([]),
    cursor: z.number(),
  }),
);
export interface LogPage<E extends Entry> {
  readonly entries: readonly E[];
  readonly links: readonly BareLink[];
  /** Sequence number of the last entry given; the next page starts after it. */
  readonly cursor: number;
}

const member = lazily(() =>
  named().extend({
    email: z.string(),
    role: roleSchema(),
    /** null for those who belong to the firm. */
    removedAt: instant().nullable(),
  }),
);
export type Member = Readonly<z.infer<ReturnType<typeof member>>>;
export const peopleAnswer = lazily(() => z.object({ people: z.array(member()) }));
export const colleaguesAnswer = lazily(() => z.object({ people: z.array(named()) }));

const invitation = lazily(() =>
  z.object({
    id: z.string(),
    email: z.string().nullable(),
    role: roleSchema(),
    expiresAt: instant(),
  }),
);
export type Invitation = Readonly<z.infer<ReturnType<typeof invitation>>>;
export const invitationsAnswer = lazily(() => z.object({ invitations: z.array(invitation()) }));
export const linkAnswer = lazily(() => z.object({ link: z.string() }));

/** What an invitation offers to whoever holds its token. */
export const offerAnswer = lazily(() =>
  z.object({
    firm: named(),
    inviter: z.string(),
    email: z.string().nullable(),
    role: roleSchema(),
  }),
);
export type Offer = Readonly<z.infer<ReturnType<typeof offerAnswer>>>;

const auditLine = lazily(() =>
  z.object({
    id: z.string(),
    at: instant(),
    person: z.string(),
    action: z.string(),
    about: z.string().nullable(),
  }),
);
export type AuditLine = Readonly<z.infer<ReturnType<typeof auditLine>>>;
export const auditAnswer = lazily(() => z.object({ lines: z.array(auditLine()) }));

/** A message that would have been sent, in demo mode. */
export const keptMessage = lazily(() =>
  z.object({
    at: instant(),
    to: z.string(),
    subject: z.string(),
    text: z.string(),
  }),
);
export type KeptMessage = z.infer<ReturnType<typeof keptMessage>>;
export const mailAnswer = lazily(() => z.object({ messages: z.array(keptMessage()) }));

const printStages = ['waiting', 'opening', 'reading', 'printing'] as const;
export type PrintStage = (typeof printStages)[number];

/** A letterhead's mark as an entry may hold it: a data address. */
export const markAnswer = lazily(() => z.object({ mark: z.string() }));

/** A line of the answer to a wish for a PDF: how far the report is; at last the document itself. */
export const printLine = lazily(() =>
  z.discriminatedUnion('stage', [
    /** `before`: of one that waits, how many come first. */
    z.object({ stage: z.enum(printStages), before: z.number().optional() }),
    z.object({ stage: z.literal('done'), name: z.string(), pdf: z.string() }),
    z.object({ stage: z.literal('failed'), message: z.string() }),
  ]),
);
export type PrintLine = Readonly<z.infer<ReturnType<typeof printLine>>>;
