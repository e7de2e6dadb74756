import type { Reported } from './kind.ts';

/** Circuits as strips, from the panel outward. */
export const circuits = ({ report: { circuits: along = [] } }: Reported) =>
  along.length === 0 ? null : { circuits: along };
