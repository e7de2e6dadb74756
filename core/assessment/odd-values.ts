import type { Shown } from '../circuit/index.ts';
import { type Region, regions } from '../knowledge/index.ts';

/** What three differences of potential may fail to close by, in volts: the meter's own tolerance, taken three times. */
const closes = (sum: number): number => 3 + 0.03 * sum;

/** A contact pair reads within so much of nominal, or of nought, unless something is wrong. */
const isBetween = (volts: number, nominal: number): boolean =>
  volts > 0.05 * nominal && volts < 0.85 * nominal;

export type OddValue =
  | { readonly kind: 'unusual'; readonly above: number }
  /** One pair shows more than the two others together. */
  | { readonly kind: 'sum' }
  | { readonly kind: 'high'; readonly usual: readonly [low: number, high: number] }
  | { readonly kind: 'induced' };

/**
 * What is odd about volts as they were typed: worth a second look at the meter, never a reason not to keep them.
 * Between three contacts no voltage exceeds the sum of the other two, whatever the fault.
 */
export function oddValues(shown: Shown, region: Region): readonly OddValue[] {
  const { nominalVolts, unusualVolts, usualVolts } = regions[region];
  const odd: OddValue[] = [];
  if (shown.instrument === 'earth-meter') {
    if (Math.max(shown.hot, shown.neutral, shown.ground) > unusualVolts)
      odd.push({ kind: 'unusual', above: unusualVolts });
    return odd;
  }
  if (shown.instrument !== 'meter' && shown.instrument !== 'meter-low' && shown.instrument !== 'loaded')
    return odd;
  const { hn, hg, ng } = shown;
  const most = Math.max(hn, hg, ng);
  if (most > unusualVolts) odd.push({ kind: 'unusual', above: unusualVolts });
  const others = hn + hg + ng - most;
  if (most > others + closes(most)) odd.push({ kind: 'sum' });
  if (hn > usualVolts[1] && most <= unusualVolts) odd.push({ kind: 'high', usual: usualVolts });
  if (shown.instrument === 'meter' && [hn, hg, ng].some((volts) => isBetween(volts, nominalVolts)))
    odd.push({ kind: 'induced' });
  return odd;
}
