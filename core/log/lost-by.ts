import type { LostBy, WentDead } from './kept.ts';

/** The same device, or the same breaker. */
export const isSameSource = (a: LostBy, b: LostBy): boolean =>
  a.kind === 'device'
    ? b.kind === 'device' && a.receptacle === b.receptacle
    : b.kind === 'breaker' && a.breaker === b.breaker;

/** What was known last to be dead with a device or a breaker. */
export const latestWith = (wentDead: readonly WentDead[], by: LostBy): WentDead | undefined =>
  wentDead.findLast((one) => isSameSource(one.by, by));
