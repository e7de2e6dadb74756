import type { BareLink, Entry } from '@fair-plug/core/log';
import { z } from 'zod';
import {
  auditAnswer,
  colleaguesAnswer,
  invitationsAnswer,
  jobsAnswer,
  type LogPage,
  linkAnswer,
  logPageAnswer,
  logsAnswer,
  markAnswer,
  type OwnSession,
  type PrintLine,
  type PrintStage,
  peopleAnswer,
  printLine,
  problemAnswer,
  type Role,
  type Session,
  sessionAnswer,
  sessionsAnswer,
} from '@/contract/answers';
import { personHeader, protocol } from '@/contract/protocol';
import { photoApi } from './photos/photo-api';
import { RequestFailed } from './request-failed';
import { finishSignOut } from './signing-out';

export { RequestFailed } from './request-failed';

/** Fired at the window where the server no longer knows who asks, or no longer lets them. */
export const sessionLost = 'fair-plug session lost';

/** Asks the server and parses what it answers; throws RequestFailed. */
export async function ask<S extends z.ZodType>(
  path: string,
  schema: () => S,
  init?: RequestInit,
  patience = 15_000,
): Promise<z.infer<S>> {
  // Whoever signed out is out before anything else is asked.
  if (!(await finishSignOut())) throw new RequestFailed('server-away', 'The server does not answer.');
  let response: Response;
  try {
    response = await fetch(path, { ...init, signal: AbortSignal.timeout(patience) });
  } catch {
    throw new RequestFailed('server-away', 'The server does not answer.');
  }
  const body: unknown = await response.json().catch(() => null);
  if (response.ok) {
    const answer = schema().safeParse(body);
    if (answer.success) return answer.data;
    throw new RequestFailed('failed', 'The server answered what this application does not understand.');
  }
  const problem = problemAnswer().safeParse(body);
  if (!problem.success) throw new RequestFailed('failed', `The server answered ${response.status}.`);
  const { code, message, fields = [], chain } = problem.data.error;
  if (code === 'signed-out' || code === 'not-allowed') globalThis.dispatchEvent?.(new Event(sessionLost));
  const detail = fields.map((field) => `${field.path}: ${field.message}`).join('; ');
  throw new RequestFailed(code, detail === '' ? message : `${message} ${detail}`, chain);
}

const withBody = (method: string, body: unknown): RequestInit => ({
  method,
  headers: { 'Content-Type': 'application/json' },
  body: JSON.stringify(body),
});
/** Answers of which nothing is read. */
const anything = () => z.unknown();
export const post = (path: string, body: unknown): Promise<unknown> =>
  ask(path, anything, withBody('POST', body));
export const put = (path: string, body: unknown): Promise<unknown> =>
  ask(path, anything, withBody('PUT', body));

const isAbort = (error: unknown): boolean => error instanceof DOMException && error.name === 'AbortError';

/** Reads an answer that comes a line of JSON at a time. */
async function* linesOf(body: ReadableStream<Uint8Array>): AsyncGenerator<PrintLine> {
  const reader = body.getReader();
  const decoder = new TextDecoder();
  let rest = '';
  for (;;) {
    const { value, done } = await reader.read();
    rest += decoder.decode(value, { stream: !done });
    const lines = rest.split('\n');
    rest = lines.pop() ?? '';
    for (const line of lines) yield printLine().parse(JSON.parse(line));
    if (done) return;
  }
}

async function printed(
  path: string,
  { language }: { readonly language: string },
  signal: AbortSignal,
  onStage: (stage: PrintStage, before?: number) => void,
): Promise<{ readonly name: string; readonly file: Blob } | null> {
  const { timeZone } = Intl.DateTimeFormat().resolvedOptions();
  try {
    const response = await fetch(path, { ...withBody('POST', { language, timeZone }), signal });
    if (!response.ok || response.body === null) {
      const problem = problemAnswer().safeParse(await response.json().catch(() => null));
      throw new RequestFailed(
        'failed',
        problem.data?.error.message ?? `The server answered ${response.status}.`,
      );
    }
    for await (const line of linesOf(response.body)) {
      if (line.stage === 'failed') throw new RequestFailed('failed', line.message);
      if (line.stage === 'done') {
        const bytes = Uint8Array.from(atob(line.pdf), (one) => one.charCodeAt(0));
        return { name: line.name, file: new Blob([bytes], { type: 'application/pdf' }) };
      }
      onStage(line.stage, line.before);
    }
  } catch (error) {
    if (signal.aborted || isAbort(error)) return null;
    if (error instanceof RequestFailed) throw error;
    throw new RequestFailed('server-away', 'The server does not answer.');
  }
  throw new RequestFailed('failed', 'The report broke off.');
}

export const fetchSessions = async (): Promise<readonly OwnSession[]> =>
  (await ask('/api/sessions', sessionsAnswer)).sessions;
export const endSession = (id: string): Promise<unknown> =>
  ask(`/api/sessions/${id}`, anything, { method: 'DELETE' });

export const fetchSession = (): Promise<Session> => ask('/api/session', sessionAnswer);

/** Throws RequestFailed with `database-away` or `server-away` while the application cannot store anything. */
export async function fetchHealth(): Promise<'ok'> {
  try {
    const response = await fetch('/api/health', { signal: AbortSignal.timeout(8000) });
    if (response.ok) return 'ok';
  } catch {
    throw new RequestFailed('server-away', 'The server does not answer.');
  }
  throw new RequestFailed('database-away', 'The database cannot be reached.');
}

/** What one person asks of the server about one firm. */
export function firmApi(firm: string, person: string) {
  const own = {
    'X-Fair-Plug-Firm': firm,
    'X-Fair-Plug-Protocol': String(protocol),
    [personHeader]: person,
  };
  const about = <S extends z.ZodType>(
    path: string,
    schema: () => S,
    init: RequestInit = {},
    patience?: number,
  ): Promise<z.infer<S>> => ask(path, schema, { ...init, headers: { ...init.headers, ...own } }, patience);
  const logPage = async (path: string): Promise<LogPage<Entry>> =>
    (await about(path, logPageAnswer)) as unknown as LogPage<Entry>;
  const send = (path: string, body: unknown): Promise<unknown> =>
    about(path, anything, withBody('POST', body));
  return {
    jobs: async () => (await about('/api/jobs', jobsAnswer)).jobs,
    /** How far the firm's logs go: all of them, or those that grew since. */
    logHeads: (since: string | null) =>
      about(since === null ? '/api/logs' : `/api/logs?since=${since}`, logsAnswer),
    jobLog: (job: string, after: number) => logPage(`/api/jobs/${job}/entries?after=${after}`),
    kitLog: (after: number) => logPage(`/api/kit/entries?after=${after}`),
    sendNewJob: (job: string, entries: readonly unknown[]) => send('/api/jobs', { job, entries }),
    sendToJob: (job: string, entries: readonly unknown[], links?: readonly BareLink[]) =>
      send(`/api/jobs/${job}/entries`, { entries, links }),
    sendToKit: (entries: readonly unknown[], links?: readonly BareLink[]) =>
      send('/api/kit/entries', { entries, links }),
    /** A picture as a letterhead's mark is kept: the server decodes it, makes it small and encodes it anew. */
    markFrom: async (picture: string) =>
      (await about('/api/kit/mark', markAnswer, withBody('POST', { picture }))).mark,
    ...photoApi(firm, own, about),
    people: async () => (await about('/api/people', peopleAnswer)).people,
    /** Names of everybody who belongs or belonged to the firm, by id. */
    names: async (): Promise<Readonly<Record<string, string>>> => {
      const { people } = await about('/api/colleagues', colleaguesAnswer);
      return Object.fromEntries(people.map(({ id, name }) => [id, name]));
    },
    changeRole: (person: string, role: Role) =>
      about(`/api/people/${person}`, anything, withBody('PATCH', { role })),
    remove: (person: string) => about(`/api/people/${person}`, anything, { method: 'DELETE' }),
    invitations: async () => (await about('/api/invitations', invitationsAnswer)).invitations,
    invite: (wanted: { role: Role; email: string | null }) =>
      about('/api/invitations', linkAnswer, withBody('POST', wanted)),
    withdraw: (invitation: string) => about(`/api/invitations/${invitation}`, anything, { method: 'DELETE' }),
    rename: (name: string) => about('/api/firm', anything, withBody('PATCH', { name })),
    audit: async () => (await about('/api/audit', auditAnswer)).lines,
    /** Says that somebody looks at a report: the server makes ready to print. */
    expectReport: () => send('/api/press', {}),
    /** The report as a PDF, printed by the server; tells how far it is. Throws RequestFailed. */
    printReport: (
      job: string,
      wanted: { readonly language: string },
      signal: AbortSignal,
      onStage: (stage: PrintStage, before?: number) => void,
    ) => printed(`/api/jobs/${job}/report?firm=${firm}`, wanted, signal, onStage),
  };
}
export type FirmApi = ReturnType<typeof firmApi>;
