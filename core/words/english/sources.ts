import type { SupplyPoint } from '../../log/index.ts';

/** "Den 1", "breaker 4": what power went off with. */
export const supplyPoint = (source: SupplyPoint): string =>
  source.kind === 'device' ? (source.name ?? 'a device') : `breaker ${source.breaker}`;
