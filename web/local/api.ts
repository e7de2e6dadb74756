import type { Entry } from '@fair-plug/core/inspection';
import type { ProblemAnswer, ProblemCode } from '@/app/api/answers';
import type { PrintLine } from '@/app/api/jobs/[job]/report/route';
import type { AuditLine } from '@/data/audit';
import type { OwnFirm } from '@/data/firm-data';
import type { Invitation, Offer } from '@/data/invitations';
import type { JobSummary } from '@/data/jobs';
import type { LogHead, LogPage } from '@/data/logs';
import type { KeptMessage } from '@/data/mail';
import type { Member } from '@/data/people';
import type { PrintStage } from '@/data/report-pdf';
import type { Role } from '@/data/roles';
import { personHeader, protocol } from '../app/api/protocol';

export type { AuditLine, Invitation, JobSummary, KeptMessage, Member, Offer, OwnFirm, PrintStage, Role };

/** Who has signed in on the server. */
export interface Session {
  readonly person: { readonly id: string; readonly name: string; readonly email: string };
  readonly firms: readonly OwnFirm[];
}

const heldBack: readonly string[] = [
  'server-away',
  'database-away',
  'failed',
  'too-many',
  'signed-out',
  'not-allowed',
  'outdated',
];

/** A request that was not answered with success. `server-away`: nothing answered at all. */
export class RequestFailed extends Error {
  constructor(
    readonly code: ProblemCode | 'server-away',
    message: string,
  ) {
    super(message);
  }

  /** True where the same request may succeed later: when the server is back, or after signing in again. */
  get isPassing(): boolean {
    return heldBack.includes(this.code);
  }
}

/** Fired at the window where the server no longer knows who asks, or no longer lets them. */
export const sessionLost = 'fair-plug session lost';

/** Asks the server; throws RequestFailed. */
export async function ask<T>(path: string, init?: RequestInit): Promise<T> {
  let response: Response;
  try {
    response = await fetch(path, { ...init, signal: AbortSignal.timeout(15_000) });
  } catch {
    throw new RequestFailed('server-away', 'The server does not answer.');
  }
  if (response.ok) return (await response.json()) as T;
  const problem = (await response.json().catch(() => null)) as ProblemAnswer | null;
  if (problem?.error === undefined)
    throw new RequestFailed('failed', `The server answered ${response.status}.`);
  const { code, message, fields = [] } = problem.error;
  if (code === 'signed-out' || code === 'not-allowed') globalThis.dispatchEvent?.(new Event(sessionLost));
  const detail = fields.map((field) => `${field.path}: ${field.message}`).join('; ');
  throw new RequestFailed(code, detail === '' ? message : `${message} ${detail}`);
}

const withBody = (method: string, body: unknown): RequestInit => ({
  method,
  headers: { 'Content-Type': 'application/json' },
  body: JSON.stringify(body),
});
export const post = <T = unknown>(path: string, body: unknown): Promise<T> =>
  ask(path, withBody('POST', body));
export const put = <T = unknown>(path: string, body: unknown): Promise<T> => ask(path, withBody('PUT', body));

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
    for (const line of lines) yield JSON.parse(line) as PrintLine;
    if (done) return;
  }
}

async function printed(
  path: string,
  { language }: { readonly language: string },
  signal: AbortSignal,
  onStage: (stage: PrintStage) => void,
): Promise<{ readonly name: string; readonly file: Blob } | null> {
  const { timeZone } = Intl.DateTimeFormat().resolvedOptions();
  try {
    const response = await fetch(path, { ...withBody('POST', { language, timeZone }), signal });
    if (!response.ok || response.body === null)
      throw new RequestFailed('failed', `The server answered ${response.status}.`);
    for await (const line of linesOf(response.body)) {
      if (line.stage === 'failed') throw new RequestFailed('failed', line.message);
      if (line.stage === 'done') {
        const bytes = Uint8Array.from(atob(line.pdf), (one) => one.charCodeAt(0));
        return { name: line.name, file: new Blob([bytes], { type: 'application/pdf' }) };
      }
      onStage(line.stage);
    }
  } catch (error) {
    if (signal.aborted || isAbort(error)) return null;
    if (error instanceof RequestFailed) throw error;
    throw new RequestFailed('server-away', 'The server does not answer.');
  }
  throw new RequestFailed('failed', 'The report broke off.');
}

export const fetchSession = (): Promise<Session> => ask('/api/session');

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
  const about = <T>(path: string, init: RequestInit = {}): Promise<T> =>
    ask(path, {
      ...init,
      headers: {
        ...init.headers,
        'X-Fair-Plug-Firm': firm,
        'X-Fair-Plug-Protocol': String(protocol),
        [personHeader]: person,
      },
    });
  const send = (path: string, body: unknown): Promise<unknown> => about(path, withBody('POST', body));
  return {
    jobs: async () => (await about<{ jobs: readonly JobSummary[] }>('/api/jobs')).jobs,
    /** Every log of the firm and how far it goes. */
    logHeads: async () => (await about<{ logs: readonly LogHead[] }>('/api/logs')).logs,
    jobLog: (job: string, after: number) => about<LogPage<Entry>>(`/api/jobs/${job}/entries?after=${after}`),
    kitLog: (after: number) => about<LogPage<Entry>>(`/api/kit/entries?after=${after}`),
    sendNewJob: (job: string, entries: readonly unknown[]) => send('/api/jobs', { job, entries }),
    sendToJob: (job: string, entries: readonly unknown[]) => send(`/api/jobs/${job}/entries`, { entries }),
    sendToKit: (entries: readonly unknown[]) => send('/api/kit/entries', { entries }),
    people: async () => (await about<{ people: readonly Member[] }>('/api/people')).people,
    /** Names of everybody who belongs or belonged to the firm, by id. */
    names: async (): Promise<Readonly<Record<string, string>>> => {
      const { people } = await about<{ people: readonly { id: string; name: string }[] }>('/api/colleagues');
      return Object.fromEntries(people.map(({ id, name }) => [id, name]));
    },
    changeRole: (person: string, role: Role) => about(`/api/people/${person}`, withBody('PATCH', { role })),
    remove: (person: string) => about(`/api/people/${person}`, { method: 'DELETE' }),
    invitations: async () =>
      (await about<{ invitations: readonly Invitation[] }>('/api/invitations')).invitations,
    invite: (wanted: { role: Role; email: string | null }) =>
      about<{ link: string }>('/api/invitations', withBody('POST', wanted)),
    withdraw: (invitation: string) => about(`/api/invitations/${invitation}`, { method: 'DELETE' }),
    rename: (name: string) => about('/api/firm', withBody('PATCH', { name })),
    audit: async () => (await about<{ lines: readonly AuditLine[] }>('/api/audit')).lines,
    /** Says that somebody looks at a report: the server makes ready to print. */
    expectReport: () => send('/api/press', {}),
    /** The report as a PDF, printed by the server; tells how far it is. Throws RequestFailed. */
    printReport: (
      job: string,
      wanted: { readonly language: string },
      signal: AbortSignal,
      onStage: (stage: PrintStage) => void,
    ) => printed(`/api/jobs/${job}/report?firm=${firm}`, wanted, signal, onStage),
  };
}
export type FirmApi = ReturnType<typeof firmApi>;
