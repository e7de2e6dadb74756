'use client';

import {
  type Entry,
  foldHouse,
  foldKit,
  type House,
  type JobEntry,
  type JobStatement,
  type KitEntry,
  type KitStatement,
  type Tester,
} from '@fair-plug/core/inspection';
import { useQuery } from '@tanstack/react-query';
import { useLiveQuery } from 'dexie-react-hooks';
import { useCallback, useMemo } from 'react';
import {
  fetchHealth,
  fetchJobLog,
  fetchJobs,
  fetchKitLog,
  fetchSession,
  type JobSummary,
  RequestFailed,
  type Session,
} from './api';
import { useWakeOutbox } from './local-store';
import { joined, logQueryKey } from './outbox';
import { deviceId, keep, kitKey, type LogKey, store, type Unsent } from './store';

const none: readonly never[] = [];

export type Loaded<T> =
  | { readonly kind: 'loading' }
  | { readonly kind: 'failed'; readonly error: RequestFailed }
  | ({ readonly kind: 'loaded' } & T);

/** Asks again every few seconds for as long as nothing was answered. */
const untilAnswered = {
  refetchInterval: (query: { state: { status: string; error: unknown } }) =>
    query.state.status === 'error' &&
    !(query.state.error instanceof RequestFailed && query.state.error.code === 'not-found')
      ? 4000
      : (false as const),
};

export const useSession = (): Session | null =>
  useQuery({
    queryKey: ['session'],
    queryFn: fetchSession,
    staleTime: Number.POSITIVE_INFINITY,
    ...untilAnswered,
  }).data ?? null;

export function useJobs(): Loaded<{ jobs: readonly JobSummary[] }> {
  const { data, error } = useQuery({ queryKey: ['jobs'], queryFn: fetchJobs, ...untilAnswered });
  if (data !== undefined) return { kind: 'loaded', jobs: data };
  return error instanceof RequestFailed ? { kind: 'failed', error } : { kind: 'loading' };
}

const useUnsentOf = (log: LogKey): readonly Unsent[] | undefined =>
  useLiveQuery(() => store.unsent.where('log').equals(log).sortBy('order'), [log]);

/** Confirmed entries and unsent ones together. */
function useLog<E extends Entry>(
  log: LogKey,
  fetchLog: () => Promise<readonly E[]>,
): Loaded<{ entries: readonly E[] }> {
  const confirmed = useQuery({ queryKey: logQueryKey(log), queryFn: fetchLog, ...untilAnswered });
  const unsent = useUnsentOf(log);
  const entries = useMemo(() => {
    if (unsent === undefined) return null;
    const own = unsent.filter((row) => row.refused === null).map((row) => row.entry);
    const opensHere = unsent.some((row) => row.opens);
    if (confirmed.data === undefined && !opensHere) return null;
    return joined(confirmed.data ?? none, own) as readonly E[];
  }, [confirmed.data, unsent]);
  if (entries !== null) return { kind: 'loaded', entries };
  if (confirmed.error instanceof RequestFailed) return { kind: 'failed', error: confirmed.error };
  return { kind: 'loading' };
}

export function useHouse(job: string): Loaded<{ house: House; entries: readonly JobEntry[] }> {
  const fetchLog = useCallback(() => fetchJobLog(job), [job]);
  const log = useLog<JobEntry>(job, fetchLog);
  const entries = log.kind === 'loaded' ? log.entries : none;
  const house = useMemo(() => foldHouse(entries), [entries]);
  return log.kind === 'loaded' ? { kind: 'loaded', house, entries } : log;
}

export function useTesters(): Loaded<{ testers: readonly Tester[] }> {
  const log = useLog<KitEntry>(kitKey, fetchKitLog);
  const entries = log.kind === 'loaded' ? log.entries : none;
  const testers = useMemo(() => foldKit(entries), [entries]);
  return log.kind === 'loaded' ? { kind: 'loaded', testers } : log;
}

export const useDevice = (): string | null =>
  useQuery({ queryKey: ['device'], queryFn: deviceId, staleTime: Number.POSITIVE_INFINITY }).data ?? null;

/** Functions that keep the statements of one action in this browser and see to it that they are sent. */
export function useKeep() {
  const session = useSession();
  const wake = useWakeOutbox();
  return useMemo(() => {
    if (session === null) return null;
    const author = session.person.id;
    const into = async (log: LogKey, statements: readonly (JobStatement | KitStatement)[], opens = false) => {
      await keep(log, author, statements, opens);
      wake();
    };
    return {
      openJob: (job: string, statements: readonly JobStatement[]) => into(job, statements, true),
      inJob: (job: string, ...statements: readonly JobStatement[]) => into(job, statements),
      inKit: (...statements: readonly KitStatement[]) => into(kitKey, statements),
    };
  }, [session, wake]);
}

export interface SaveState {
  readonly toSend: number;
  readonly refused: readonly Unsent[];
  /** What keeps the outbox from emptying, if anything does. */
  readonly away: 'server-away' | 'database-away' | null;
}

export function useSaveState(): SaveState {
  const rows = useLiveQuery(() => store.unsent.toArray(), []) ?? none;
  const health = useQuery({
    queryKey: ['health'],
    queryFn: fetchHealth,
    refetchInterval: 5000,
    retry: false,
  });
  const code = health.error instanceof RequestFailed ? health.error.code : null;
  return {
    toSend: rows.filter((row) => row.refused === null).length,
    refused: rows.filter((row) => row.refused !== null),
    away: code === 'server-away' || code === 'database-away' ? code : null,
  };
}
