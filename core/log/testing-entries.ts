import { v7 } from 'uuid';
import type { JobEntry, JobStatement } from './entry.ts';

/** A statement as an entry of a device and a person of its own, for tests. */
export const entry = (said: JobStatement, at = '2026-05-04T09:30:00.000Z'): JobEntry => ({
  id: v7(),
  device: v7(),
  author: v7(),
  at,
  ...said,
});
