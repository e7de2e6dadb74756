import type { HouseJudgement } from '@fair-plug/core/assessment';
import type { House } from '@fair-plug/core/inspection';
import { useEffect, useState } from 'react';
import { useFirmSettings } from './use-firm-settings';

export interface FindingCounts {
  readonly reported: number;
  /** Of them, those that nobody has decided on. */
  readonly open: number;
}

/** So long after the last change they are counted: not between two receptacles read in a row. */
const stillMilliseconds = 1500;

/** How many findings a house has; null until they were counted. They are gathered once it is quiet, by code loaded then. */
export function useFindingCounts(house: House, judgement: HouseJudgement | null): FindingCounts | null {
  const { practice } = useFirmSettings();
  const [counts, setCounts] = useState<FindingCounts | null>(null);
  useEffect(() => {
    let isCurrent = true;
    const count = async (): Promise<void> => {
      const { decidedFindings, proposalsFor } = await import('@fair-plug/core/findings');
      if (!isCurrent) return;
      const decided = decidedFindings(house, proposalsFor(house, judgement, practice));
      const reported = decided.filter(({ number }) => number > 0);
      const open = reported.filter(({ status }) => status === 'open').length;
      setCounts((before) =>
        before?.reported === reported.length && before.open === open
          ? before
          : { reported: reported.length, open },
      );
    };
    // Where the code cannot be had just now the rail shows no counts.
    const timer = setTimeout(() => void count().catch(() => {}), stillMilliseconds);
    return () => {
      isCurrent = false;
      clearTimeout(timer);
    };
  }, [house, judgement, practice]);
  return counts;
}
