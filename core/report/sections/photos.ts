import type { Reported } from './kind.ts';

/** Photos that belong to no finding and were chosen to be printed, and how many more there are; null where none was taken. */
export function photos({ report: { photos: reported } }: Reported) {
  if (reported === undefined) return null;
  const apart = reported.printed.filter(({ finding }) => finding === null);
  if (apart.length === 0 && reported.kept === 0) return null;
  return { apart, kept: reported.kept };
}
