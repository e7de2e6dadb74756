import type { Evidence } from './evidence.ts';

/** Standard deviation of what is cut off behind a meter's last digit, in volts: whole volts are good to a half, tenths to next to nothing. */
export function roundingIn({ kinds, observed }: Evidence): number {
  const isWhole = kinds.every((kind, channel) => kind !== 'volts' || Number.isInteger(observed[channel]));
  return isWhole ? 1 / Math.sqrt(12) : 0;
}
