import type { Reported } from './kind.ts';

/** At the head: whose house, which, when and by whom. */
export const particulars = ({ report: { house }, firm, fillIns }: Reported) => ({
  house,
  inspector: fillIns.inspector,
  licence: firm.letterhead.licence,
});
