'use client';

import { type House, isId, type JobEntry } from '@fair-plug/core/log';
import { useSearchParams } from 'next/navigation';
import { type ReactNode, useEffect } from 'react';
import { HouseTime } from '@/components/house-time';
import { Loading } from '@/components/loading';
import { RegionWords } from '@/components/region-words';
import { RequestFailed } from '@/local/api';
import { startEngine } from '@/local/engine';
import { useHouse, useKit } from '@/local/use-logs';
import { Frame } from './frame';

export interface LoadedJob {
  readonly job: string;
  readonly house: House;
  readonly entries: readonly JobEntry[];
  /** False where the server was known to have more of the job than is here. */
  readonly isWhole: boolean;
}

type Children = { readonly children: (job: LoadedJob) => ReactNode };

const noSuchJob = new RequestFailed('not-found', 'There is no such job.');

/** Opens the job that the address names (`?job=…`), or says why it cannot. */
export function JobLoader({ children }: Children) {
  const job = useSearchParams().get('job') ?? '';
  // The engine starts while the job is being read.
  useEffect(() => void startEngine(), []);
  if (isId(job)) return <KnownJob job={job}>{children}</KnownJob>;
  return (
    <Frame>
      <Loading error={noSuchJob} />
    </Frame>
  );
}

function KnownJob({ job, children }: Children & { readonly job: string }) {
  // The firm's kit first: without it a reading would be entered without its tester, and what is drawn would move once it is there.
  const isKitRead = useKit().kind !== 'loading';
  const loaded = useHouse(job);
  if (loaded.kind === 'loaded' && isKitRead) {
    const { house, entries, isWhole } = loaded;
    return (
      <RegionWords region={house.region} waiting={<Waiting />}>
        <HouseTime zone={house.timeZone ?? null}>{children({ job, house, entries, isWhole })}</HouseTime>
      </RegionWords>
    );
  }
  return (
    <Frame>
      <Loading error={loaded.kind === 'failed' ? loaded.error : undefined} />
    </Frame>
  );
}

const Waiting = () => (
  <Frame>
    <Loading />
  </Frame>
);
