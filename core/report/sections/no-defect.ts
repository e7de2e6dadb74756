import type { Reported } from './kind.ts';

/** What looks like a defect and is none. */
export const noDefect = ({ report }: Reported) =>
  report.noDefect.length === 0 ? null : { words: report.noDefect.map(({ words }) => words) };
