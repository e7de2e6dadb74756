import type { JobEntry, KitEntry } from '@fair-plug/core/inspection';
import type { ProblemAnswer, ProblemCode } from '@/app/api/answers';
import type { Session } from '@/data/firms';
import type { JobSummary } from '@/data/jobs';
import type { LogPage } from '@/data/logs';

export type { JobSummary, Session };

/** A request that was not answered with success. `server-away`: nothing answered at all. */
export class RequestFailed extends Error {
  constructor(
    readonly code: ProblemCode | 'server-away',
    message: string,
  ) {
    super(message);
  }

  /** True where the same request may succeed later. */
  get isPassing(): boolean {
    return this.code === 'server-away' || this.code === 'database-away' || this.code === 'failed';
  }
}

async function ask<T>(path: string, init?: RequestInit): Promise<T> {
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
  const detail = fields.map((field) => `${field.path}: ${field.message}`).join('; ');
  throw new RequestFailed(code, detail === '' ? message : `${message} ${detail}`);
}

const post = <T>(path: string, body: unknown): Promise<T> =>
  ask(path, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) });

export const fetchSession = (): Promise<Session> => ask('/api/session');
export const fetchJobs = async (): Promise<readonly JobSummary[]> =>
  (await ask<{ jobs: JobSummary[] }>('/api/jobs')).jobs;
export const fetchJobLog = async (job: string): Promise<readonly JobEntry[]> =>
  (await ask<LogPage<JobEntry>>(`/api/jobs/${job}/entries`)).entries;
export const fetchKitLog = async (): Promise<readonly KitEntry[]> =>
  (await ask<LogPage<KitEntry>>('/api/kit/entries')).entries;
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

export const sendNewJob = (job: string, entries: readonly unknown[]) => post('/api/jobs', { job, entries });
export const sendToJob = (job: string, entries: readonly unknown[]) =>
  post(`/api/jobs/${job}/entries`, { entries });
export const sendToKit = (entries: readonly unknown[]) => post('/api/kit/entries', { entries });
