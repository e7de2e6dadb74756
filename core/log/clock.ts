/** An instant, and a count for what happens within it or while a device's own time lags behind. */
export const clockPattern = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}\.\d{3}Z~[0-9a-z]{4}$/;

const instantLength = 24;
const largestCount = 36 ** 4 - 1;

const reading = (instant: string, count: number): string =>
  `${instant}~${count.toString(36).padStart(4, '0')}`;

/** What an entry without a clock of its own counts as: one made before there were any. */
export const clockAt = (instant: string): string => reading(instant, 0);

/**
 * Hybrid logical clock: later than everything seen so far, and the device's own time where that is later. A device whose
 * time is hours off so cannot bury what others say after having seen its entries (Kulkarni and others 2014, from memory).
 */
export function nextClock(now: string, latestSeen: string | null): string {
  if (latestSeen === null || now > latestSeen.slice(0, instantLength)) return clockAt(now);
  const instant = latestSeen.slice(0, instantLength);
  const count = Number.parseInt(latestSeen.slice(instantLength + 1), 36) + 1;
  return count <= largestCount
    ? reading(instant, count)
    : clockAt(new Date(Date.parse(instant) + 1).toISOString());
}
