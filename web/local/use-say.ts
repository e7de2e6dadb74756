'use client';

import type { JobStatement } from '@fair-plug/core/inspection';
import { useCallback } from 'react';
import { useKeep } from './use-logs';

export type Say = (...statements: readonly JobStatement[]) => void;

/** Keeps statements on a job; null for those who only read. */
export function useSay(job: string): Say | null {
  const keep = useKeep();
  const say = useCallback<Say>((...statements) => void keep?.inJob(job, ...statements), [keep, job]);
  return keep === null ? null : say;
}
