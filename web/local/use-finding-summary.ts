import type { FindingSummary } from '@fair-plug/core/report';
import { useEffect, useState } from 'react';
import { useLocal } from './local-store';
import type { Assessed } from './use-assessment';
import { useFirmSettings } from './use-firm-settings';

/** So long after the last change they are counted: not between two receptacles read in a row. */
const stillMilliseconds = 1500;

const isSame = (a: FindingSummary | null, b: FindingSummary): boolean =>
  a !== null && a.reported === b.reported && a.toDecide === b.toDecide && a.urgency === b.urgency;

/**
 * How many findings a house has; null until they were counted. They are gathered once it is quiet and the engine has
 * answered to all that is in the house, by code loaded then; the list of jobs says the same.
 */
export function useFindingSummary(job: string, { assessment, isFinal }: Assessed): FindingSummary | null {
  const { books } = useLocal();
  const { practice } = useFirmSettings();
  const [summary, setSummary] = useState<FindingSummary | null>(null);
  useEffect(() => {
    if (!isFinal) return;
    let isCurrent = true;
    const count = async (): Promise<void> => {
      const { findingSummaryOf } = await import('@fair-plug/core/report');
      if (!isCurrent) return;
      const counted = findingSummaryOf(assessment, practice);
      setSummary((before) => (isSame(before, counted) ? before : counted));
      await books.assessed(job, assessment.house, counted);
    };
    // Where the code cannot be had just now the rail shows no counts.
    const timer = setTimeout(() => void count().catch(() => {}), stillMilliseconds);
    return () => {
      isCurrent = false;
      clearTimeout(timer);
    };
  }, [job, books, assessment, isFinal, practice]);
  return summary;
}
