import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import type { OwnFirm, Role } from '@/contract/answers';
import { oldestTaken, personHeader, protocol, protocolHeader } from '@/contract/protocol';
import { note } from '@/data/audit';
import { type Connection, database, isDatabaseAway, isDiskFull, limits } from '@/data/database';
import { FirmData, firmsOf, type Named } from '@/data/firm-data';
import type { Limit } from '@/data/limits';
import { log, loggable } from '@/data/log';
import { TooManyWaiting } from '@/data/password-hashes';
import { isGuessable } from '@/data/passwords';
import { mayActAs } from '@/data/roles';
import { hasRoom } from '@/data/room';
import { publicOrigin, signIn } from '@/data/sign-in';
import { answerProblem, Problem } from './answers';

/** A person who has signed in. */
export interface Person extends Named {
  readonly email: string;
}

export interface AskedByAnyone {
  readonly connection: Connection;
}
export interface AskedByPerson extends AskedByAnyone {
  readonly person: Person;
  /** The id of the session that they asked in. */
  readonly session: string;
  readonly firms: readonly OwnFirm[];
}
export interface AskedByMember extends AskedByPerson {
  readonly firm: FirmData;
  readonly role: Role;
}

/** Answers whoever asks. The routes that do are few, and a test lists them. */
export const answerAnyone = (
  request: Request,
  work: (asked: AskedByAnyone) => Promise<Response>,
): Promise<Response> => guarded(request, (connection) => work({ connection }));

/** Answers who has signed in, whether or not they belong to a firm. */
export const answerPerson = (
  request: Request,
  work: (asked: AskedByPerson) => Promise<Response>,
): Promise<Response> => guarded(request, (connection) => asPerson(connection, request, work));

/** Answers who may do at least what `needed` may in the firm that the request names. */
export const answerMember = (
  request: Request,
  needed: Role,
  work: (asked: AskedByMember) => Promise<Response>,
): Promise<Response> =>
  guarded(request, (connection) =>
    asPerson(connection, request, async (asked) => {
      refuseOtherProtocols(request);
      const { person, firms } = asked;
      const named = firmNamedBy(request) ?? (firms.length === 1 ? firms[0]?.id : undefined);
      const entered = named === undefined ? null : await FirmData.of(connection, person.id, named);
      if (entered === null) throw new Problem('not-allowed', 'You do not belong to this firm.');
      try {
        if (!mayActAs(entered.role, needed))
          throw new Problem('not-allowed', `This takes the part of ${needed}; yours is ${entered.role}.`);
        return await work({ ...asked, ...entered });
      } catch (error) {
        await noteRefusal(entered.firm, person, error);
        throw error;
      }
    }),
  );

/** Says in the firm's trail what somebody was refused; so many an hour, since whoever tries may try for ever. */
async function noteRefusal(firm: FirmData, person: Person, error: unknown): Promise<void> {
  if (!(error instanceof Problem) || (error.code !== 'not-allowed' && error.code !== 'refused')) return;
  if ((await limits().secondsToWait('refusals-person', person.id)) !== null) return;
  await note(firm, person, 'refused', error.message).catch((failed) => log.error(loggable(failed)));
}

export const firmHeader = 'x-fair-plug-firm';
const uuid = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

/** The firm that a request is about: in a header, or, for links that a browser follows, in the query. */
function firmNamedBy(request: Request): string | undefined {
  const named = request.headers.get(firmHeader) ?? new URL(request.url).searchParams.get('firm') ?? undefined;
  if (named !== undefined && !uuid.test(named)) throw new Problem('not-allowed', 'There is no such firm.');
  return named;
}

async function asPerson(
  connection: Connection,
  request: Request,
  work: (asked: AskedByPerson) => Promise<Response>,
): Promise<Response> {
  const { response: found, headers } = await signIn().api.getSession({
    headers: request.headers,
    returnHeaders: true,
  });
  if (found === null) throw new Problem('signed-out', 'Sign in first.');
  const { id, name, email } = found.user;
  refuseOtherPersons(request, id);
  const answer = await work({
    connection,
    person: { id, name, email },
    session: found.session.id,
    firms: await firmsOf(connection, id),
  });
  for (const cookie of headers.getSetCookie()) answer.headers.append('Set-Cookie', cookie);
  return answer;
}

/**
 * What one person entered is not taken in another's session: a browser that was handed over may send before it knows.
 * Who names nobody is whoever has signed in.
 */
function refuseOtherPersons(request: Request, signedIn: string): void {
  const meant = request.headers.get(personHeader);
  if (meant !== null && meant !== signedIn)
    throw new Problem('signed-out', 'Somebody else has signed in in this browser.');
}

/** A browser that runs an older or newer application than this server's waits; who names no protocol speaks this one. */
function refuseOtherProtocols(request: Request): void {
  const spoken = Number(request.headers.get(protocolHeader) ?? protocol);
  // What an older application kept is taken; what newer ones wrote it would read wrongly.
  const brings = request.method === 'POST' && spoken >= oldestTaken;
  if (spoken < protocol && !brings)
    throw new Problem('outdated', 'The application in this browser is older than the server. Load it again.');
  if (spoken > protocol)
    throw new Problem('outdated', 'The server is older than the application in this browser.');
}

/** Other sites' pages may not write here. Who is no browser says nothing of where a request comes from. */
function refuseOtherSites(request: Request): void {
  if (request.method === 'GET' || request.method === 'HEAD') return;
  const site = request.headers.get('sec-fetch-site');
  const origin = request.headers.get('origin');
  const isOwn = site !== null ? site === 'same-origin' : origin === null || origin === publicOrigin();
  if (!isOwn) throw new Problem('not-allowed', 'Other sites may not do this.');
}

/** Where a request comes from, as the reverse proxy (or the server itself) says. */
export const sourceOf = (request: Request): string =>
  request.headers.get('x-forwarded-for')?.split(',').at(-1)?.trim() || 'unknown';

/** Refuses while the server's disk has no room for more than its reserve. */
export async function needRoom(): Promise<void> {
  if (!(await hasRoom())) throw new Problem('no-room', noRoom);
}

const noRoom = 'The server’s disk is full. Nothing was stored; what was entered waits on the devices.';

/** Refuses a password that is among the first that would be tried. */
export function refuseGuessable(
  password: string,
  person: { readonly email: string; readonly name?: string },
): void {
  if (isGuessable(password, person))
    throw new Problem('refused', 'This password would soon be guessed. Choose another.');
}

/** Counts a try, and refuses where there were too many. */
export async function limit(which: Limit, key: string): Promise<void> {
  const wait = await limits().secondsToWait(which, key);
  if (wait === null) return;
  const minutes = Math.max(1, Math.ceil(wait / 60));
  throw new Problem(
    'too-many',
    `Too many tries. Again in ${minutes} ${minutes === 1 ? 'minute' : 'minutes'}.`,
  );
}

/** Runs a route's work, and words whatever goes wrong in one place. */
async function guarded(
  request: Request,
  work: (connection: Connection) => Promise<Response>,
): Promise<Response> {
  const began = performance.now();
  let answer: Response;
  try {
    refuseOtherSites(request);
    answer = await work(database());
  } catch (error) {
    answer = answerProblem(await problemOf(error));
  }
  log.info({
    method: request.method,
    path: new URL(request.url).pathname,
    status: answer.status,
    milliseconds: Math.round(performance.now() - began),
  });
  return answer;
}

async function problemOf(error: unknown): Promise<Problem> {
  if (error instanceof Problem) return error;
  if (error instanceof TooManyWaiting)
    return new Problem('too-many', 'Too many are signing in at once. Try again in a minute.');
  if (isDiskFull(error)) return new Problem('no-room', noRoom);
  if (isDatabaseAway(error) || !(await databaseAnswers()))
    return new Problem('database-away', 'The database cannot be reached. Nothing was stored.');
  const reference = randomUUID();
  log.error({ reference, ...loggable(error) });
  return new Problem('failed', `The server failed at this. Reference: ${reference}`);
}

/** Asked after a failure that does not name its reason. */
const databaseAnswers = (): Promise<boolean> =>
  sql`select 1`.execute(database()).then(
    () => true,
    () => false,
  );
