import type { Proposed, Vanished } from '@fair-plug/core/findings';
import type { FindingSummary } from '@fair-plug/core/report';
import { useEffect, useState } from 'react';
import { beforeCounting } from '@/local/pauses';
import { useLocal } from './local-store';
import type { Assessed } from './use-assessment';
import { useFirmSettings } from './use-firm-settings';
import { useOwnStorage } from './use-own-storage';

const isSame = (a: FindingSummary | null, b: FindingSummary): boolean =>
  a !== null && a.reported === b.reported && a.toDecide === b.toDecide && a.urgency === b.urgency;

/** What was proposed of a job when it was last counted here, and what has vanished from that without a decision. */
interface Proposals {
  readonly proposed: readonly Proposed[];
  readonly vanished: readonly Vanished[];
}
const nothingProposed: Proposals = { proposed: [], vanished: [] };
const mostVanished = 20;

/** What was proposed, is proposed no more, and was never decided on; kept on this device until somebody has seen it. */
export function useProposals(job: string) {
  const [proposals, setProposals] = useOwnStorage<Proposals>(`proposals ${job}`, nothingProposed);
  return { vanished: proposals.vanished, setProposals };
}

/**
 * How many findings a house has; null until they were counted. They are gathered once it is quiet and the engine has
 * answered to all that is in the house, by code loaded then; the list of jobs says the same.
 */
export function useFindingSummary(job: string, { assessment, isFinal }: Assessed): FindingSummary | null {
  const { cache } = useLocal();
  const { practice } = useFirmSettings();
  const { setProposals } = useProposals(job);
  const [summary, setSummary] = useState<FindingSummary | null>(null);
  useEffect(() => {
    if (!isFinal) return;
    let isCurrent = true;
    const count = async (): Promise<void> => {
      const { proposedIn, vanishedSince } = await import('@fair-plug/core/findings');
      const { findingsOf } = await import('@fair-plug/core/words');
      const { summaryOfFindings } = await import('@fair-plug/core/report/finding-summary.ts');
      if (!isCurrent) return;
      const findings = findingsOf(assessment, practice);
      const counted = summaryOfFindings(findings);
      setProposals((before) => ({
        proposed: proposedIn(findings, assessment),
        // What is proposed again has not vanished.
        vanished: [...before.vanished, ...vanishedSince(before.proposed, findings, assessment)]
          .filter(({ key }) => findings.every((one) => one.key !== key))
          .slice(-mostVanished),
      }));
      setSummary((before) => (isSame(before, counted) ? before : counted));
      await cache.assessed(job, assessment.house, counted);
    };
    // Where the code cannot be had just now the rail shows no counts.
    const timer = setTimeout(() => void count().catch(() => {}), beforeCounting);
    return () => {
      isCurrent = false;
      clearTimeout(timer);
    };
  }, [job, cache, assessment, isFinal, practice, setProposals]);
  return summary;
}
