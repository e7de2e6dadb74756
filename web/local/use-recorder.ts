'use client';

import { useCallback } from 'react';
import { type JobPart, useKeep } from './use-logs';

/** Keeps one action on a job: statements, or what follows from the job as it stands when it is their turn. */
export type Recorder = (...parts: readonly JobPart[]) => void;

/** Keeps statements on a job; null for those who only read. */
export function useRecorder(job: string): Recorder | null {
  const keep = useKeep();
  const record = useCallback<Recorder>((...parts) => void keep?.inJob(job, ...parts), [keep, job]);
  return keep === null ? null : record;
}
