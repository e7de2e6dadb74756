import type { Reported } from './kind.ts';

/** How many are listed, read correct, do not, and were not tested. */
export const summary = ({ report }: Reported) => {
  const { receptacles, tested, readCorrect, withFinding } = report.summary;
  return { receptacles, readCorrect, withFinding, notTested: receptacles - tested };
};
