/** Zones whose names this runtime knows, and how it tells time there. */
const formats = new Map<string, Intl.DateTimeFormat | null>();

function formatIn(zone: string): Intl.DateTimeFormat | null {
  const known = formats.get(zone);
  if (known !== undefined) return known;
  let format: Intl.DateTimeFormat | null = null;
  try {
    format = new Intl.DateTimeFormat('en-US', {
      timeZone: zone,
      hourCycle: 'h23',
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
      hour: '2-digit',
      minute: '2-digit',
      second: '2-digit',
      timeZoneName: 'longOffset',
    });
  } catch {
    // A zone that came from a newer device is told in UTC.
  }
  formats.set(zone, format);
  return format;
}

/**
 * An instant as the house's clocks showed it, in ISO 8601 with the offset from UTC: 2026-05-04T09:30:00-05:00. UTC where
 * the house has no zone, as those of before had none.
 */
export function houseTime(zone: string | null, at: string): string {
  const format = zone === null ? null : formatIn(zone);
  if (format === null) return at;
  const parts = new Map(format.formatToParts(new Date(at)).map(({ type, value }) => [type, value]));
  const of = (part: Intl.DateTimeFormatPartTypes): string => parts.get(part) ?? '';
  // "GMT-05:00"; "GMT" alone is UTC.
  const offset = of('timeZoneName').slice(3) || '+00:00';
  return `${of('year')}-${of('month')}-${of('day')}T${of('hour')}:${of('minute')}:${of('second')}${offset}`;
}

/** The day of an instant where the house stands, such as 2026-05-04. */
export const houseDay = ({ timeZone }: { readonly timeZone?: string }, at: string): string =>
  houseTime(timeZone ?? null, at).slice(0, 10);
