import type { GraphNode, Protected } from './graph-model';

const protectedAs = {
  device: 'device',
  covered: 'covered',
  missing: 'device missing',
  upgrade: 'upgrade',
} as const satisfies Readonly<Record<Protected, string>>;

/** What is written of protection at a receptacle of the graph; empty where nothing is. */
export const protectionWords = ({ protection, coveredBy }: GraphNode): string =>
  protection === null ? '' : `${protectedAs[protection]}${coveredBy === null ? '' : ` by ${coveredBy}`}`;
