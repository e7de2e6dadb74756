import type { Reported } from './kind.ts';

/** What looks like a defect and is none. */
export const noDefect = ({ report }: Reported) =>
  report.noDefect.length === 0 ? null : { said: report.noDefect.map(({ words }) => words) };
