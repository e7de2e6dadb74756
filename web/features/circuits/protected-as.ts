import type { Protected } from './graph-model';

/** What is written at a receptacle of the graph. */
export const protectedAs = {
  device: 'device',
  covered: 'covered',
  missing: 'device missing',
  upgrade: 'upgrade',
} as const satisfies Readonly<Record<Protected, string>>;
