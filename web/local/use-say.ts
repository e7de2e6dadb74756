'use client';

import { useCallback } from 'react';
import { type JobPart, useKeep } from './use-logs';

/** Keeps one action on a job: statements, or what follows from the job as it stands when it is their turn. */
export type Say = (...parts: readonly JobPart[]) => void;

/** Keeps statements on a job; null for those who only read. */
export function useSay(job: string): Say | null {
  const keep = useKeep();
  const say = useCallback<Say>((...parts) => void keep?.inJob(job, ...parts), [keep, job]);
  return keep === null ? null : say;
}
