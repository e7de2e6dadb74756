/** An instant, and a count for what happens within it or while a device's own time lags behind. */
export const clockPattern = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}\.\d{3}Z~[0-9a-z]{4}$/;

const instantLength = 24;
const largestCount = 36 ** 4 - 1;

const reading = (instant: string, count: number): string =>
  `${instant}~${count.toString(36).padStart(4, '0')}`;

/** Milliseconds of a clock's instant; null where its digits are no time of the calendar. */
function instantOf(clock: string): number | null {
  const text = clock.slice(0, instantLength);
  const time = Date.parse(text);
  return Number.isNaN(time) || new Date(time).toISOString() !== text ? null : time;
}

/** A clock may be ahead of the server's time by so much, in milliseconds: a day, as devices in the field are off by hours. */
const mostAhead = 86_400_000;

/**
 * Whether a clock can be anybody's by now (in milliseconds): a real time, and not more than a day ahead. One that is
 * further ahead would be the last word for ever, and every device that went on from it would say it again.
 */
export function isPossibleClock(clock: string, now: number): boolean {
  const instant = instantOf(clock);
  return instant !== null && instant <= now + mostAhead;
}

/** What an entry without a clock of its own counts as: one made before there were any. */
export const clockAt = (instant: string): string => reading(instant, 0);

/**
 * Hybrid logical clock: later than everything seen so far, and the device's own time where that is later. A device whose
 * time is hours off so cannot bury what others say after having seen its entries (Kulkarni and others 2014, from memory).
 */
export function nextClock(now: string, latestSeen: string | null): string {
  if (latestSeen === null || instantOf(latestSeen) === null || now > latestSeen.slice(0, instantLength))
    return clockAt(now);
  const instant = latestSeen.slice(0, instantLength);
  const count = Number.parseInt(latestSeen.slice(instantLength + 1), 36) + 1;
  if (count <= largestCount) return reading(instant, count);
  const after = new Date(Date.parse(instant) + 1).toISOString();
  // Past the year 9999 there are no clocks.
  return clockAt(after.length === instantLength ? after : now);
}
