import type { Reported } from './kind.ts';

/** What “reads correct” leaves open in this house. */
export const notSeen = ({ report }: Reported) =>
  report.notSeen.length === 0 && report.cutShort.length === 0
    ? null
    : { conditions: report.notSeen, cutShort: report.cutShort };
