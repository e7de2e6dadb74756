import { ownWording, type Reported } from './kind.ts';

/** What endangers people, and what the firm says last. */
export const cautions = (reported: Reported) => ({
  cautions: reported.report.cautions,
  closing: ownWording(reported, 'closing'),
});
