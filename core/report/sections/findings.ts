import type { Reported } from './kind.ts';

/** Those that are reported, in their order. */
export const findings = ({ report: { findings: reported, photos, practice } }: Reported) => ({
  findings: reported,
  photos: photos?.printed ?? [],
  practice,
});
