import type { Reported } from './kind.ts';

/** Who signed, and what changed since. */
export const signatures = ({ report: { house } }: Reported) => ({ house });
