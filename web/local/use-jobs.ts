'use client';

import type { House } from '@fair-plug/core/log';
import { useQuery } from '@tanstack/react-query';
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useMemo } from 'react';
import type { JobSummary } from '@/contract/answers';
import { RequestFailed } from './api';
import { ask } from './engine';
import { useLocal } from './local-store';
import { useQueries } from './queries';
import { countOf, type KeptLog, kitKey } from './store';
import { useFirmSettings } from './use-firm-settings';
import { type Loaded, useSyncState } from './use-logs';

const none: readonly never[] = [];

/** The jobs on this device and, while the server answers, those that it has besides; the one read last first. */
export function useJobs(): Loaded<{ jobs: readonly JobSummary[] }> {
  const { store, cache, api } = useLocal();
  const { practice } = useFirmSettings();
  useEffect(() => {
    // Whoever signs out closes the store while lines are still being made.
    cache.allSummarized().catch(() => {});
  }, [cache]);
  const kept = useLiveQuery(() => store.logs.toArray(), [store]);
  const kitCount = useLiveQuery(() => countOf(store, kitKey), [store]) ?? 0;
  // Logs that arrive while the list is shown are assessed as they come.
  const toAssess = (kept ?? [])
    .filter((one) => isToAssess(one, kitCount))
    .map(({ log, summarized }) => `${log} ${summarized} ${kitCount}`)
    .join();
  useEffect(() => {
    if (toAssess === '') return;
    const summarize = (house: House) => ask((engine) => engine.summarize(house, practice));
    void cache.allAssessed(summarize);
  }, [cache, practice, toAssess]);
  const { failure } = useSyncState();
  const remote = useQuery(
    { queryKey: ['jobs'], queryFn: api.jobs, refetchInterval, retry: false },
    useQueries(),
  );
  return useMemo(() => {
    if (kept === undefined) return { kind: 'loading' };
    const here = new Map(
      kept.flatMap((one) => {
        const line = lineOf(one, kitCount);
        return line === null ? [] : [[line.id, line] as const];
      }),
    );
    const others = (remote.data ?? none).filter(({ id }) => !here.has(id));
    const jobs = [...here.values(), ...others].sort(byLastRead);
    if (jobs.length > 0 || remote.data !== undefined) return { kind: 'loaded', jobs };
    const error = remote.error instanceof RequestFailed ? remote.error : failure;
    return error === null ? { kind: 'loading' } : { kind: 'failed', error };
  }, [kept, kitCount, remote.data, remote.error, failure]);
}

/** Asked again soon while the server is still assessing some of them. */
const refetchInterval = ({
  state,
}: {
  readonly state: { readonly data?: readonly JobSummary[] | undefined };
}) => (state.data?.some(({ findings, tested }) => findings === null && tested > 0) ? 2000 : 15_000);

/** A job on this device as a line of the list. What its findings come to is said only of the house as it is here now. */
function lineOf(kept: KeptLog, kit: number): JobSummary | null {
  const { log, summary, findings } = kept;
  if (summary === null) return null;
  return { ...summary, id: log, findings: isOfThis(kept, kit) ? (findings?.summary ?? null) : null };
}

/** What its findings come to was made of all entries of the job and of the kit that are here. */
const isOfThis = ({ summarized, findings }: KeptLog, kit: number): boolean =>
  findings !== undefined && findings.entries === summarized && findings.kit === kit;

const isToAssess = (kept: KeptLog, kit: number): boolean =>
  kept.log !== kitKey && (kept.summary?.tested ?? 0) > 0 && !isOfThis(kept, kit);

/** ISO times compare as text; what was never read comes last, the one begun last first. */
const byLastRead = (a: JobSummary, b: JobSummary): number => {
  const [readA, readB] = [a.lastReadAt ?? '', b.lastReadAt ?? ''];
  if (readA !== readB) return readA < readB ? 1 : -1;
  return a.id < b.id ? 1 : -1;
};
