import type { Shown } from '../circuit/index.ts';
import { type Region, regions } from '../conditions/index.ts';

/** What three differences of potential may fail to close by, in volts: the meter's own tolerance, taken three times. */
const closes = (sum: number): number => 3 + 0.03 * sum;

/** A contact pair reads within so much of nominal, or of nought, unless something is wrong. */
const isBetween = (volts: number, nominal: number): boolean =>
  volts > 0.05 * nominal && volts < 0.85 * nominal;

/**
 * What is odd about volts as they were typed: worth a second look at the meter, never a reason not to keep them.
 * Between three contacts no voltage exceeds the sum of the other two, whatever the fault.
 */
export function oddValues(shown: Shown, region: Region): readonly string[] {
  const { nominalVolts, unusualVolts, usualVolts } = regions[region];
  const odd: string[] = [];
  if (shown.instrument === 'earth-meter') {
    if (Math.max(shown.hot, shown.neutral, shown.ground) > unusualVolts)
      odd.push(`More than ${unusualVolts} V is unusual here.`);
    return odd;
  }
  if (shown.instrument !== 'meter' && shown.instrument !== 'meter-low' && shown.instrument !== 'loaded')
    return odd;
  const { hn, hg, ng } = shown;
  const most = Math.max(hn, hg, ng);
  if (most > unusualVolts) odd.push(`More than ${unusualVolts} V is unusual here.`);
  const others = hn + hg + ng - most;
  if (most > others + closes(most))
    odd.push(
      'One pair shows more than the two others together: no wiring does that. One of the three is mistyped.',
    );
  if (hn > usualVolts[1] && most <= unusualVolts)
    odd.push(`Hot to neutral should be ${usualVolts[0]} to ${usualVolts[1]} V; more may be a lost neutral.`);
  if (shown.instrument === 'meter' && [hn, hg, ng].some((volts) => isBetween(volts, nominalVolts)))
    odd.push('A value between nothing and full may be induced: the low-impedance meter tells.');
  return odd;
}
