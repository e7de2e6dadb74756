import type { Reported } from './kind.ts';

/** Every receptacle, room by room. */
export const receptacles = ({ report: { rooms } }: Reported) => ({ rooms });
