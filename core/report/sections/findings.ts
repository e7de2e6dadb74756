import type { Reported } from './kind.ts';

/** Those that are reported, in their order. */
export const findings = ({ report: { findings: reported, practice } }: Reported) => ({
  findings: reported,
  practice,
});
