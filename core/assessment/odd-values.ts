import { instruments, pairs, type Shown } from '../instruments/index.ts';
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
  const { reads, seesInduced } = instruments[shown.instrument];
  if (reads?.value.channel !== 'volts') return [];
  const fields = shown as unknown as Readonly<Record<string, number>>;
  const names = Object.keys(reads.fields);
  const values = names.flatMap((name) => fields[name] ?? []);
  const most = Math.max(...values);
  const odd: OddValue[] = most > unusualVolts ? [{ kind: 'unusual', above: unusualVolts }] : [];
  // Against a proven ground they are not differences of each other.
  if (!pairs.every((pair) => names.includes(pair))) return odd;
  const others = values.reduce((sum, value) => sum + value, 0) - most;
  if (values.length === names.length && most > others + closes(most)) odd.push({ kind: 'sum' });
  const hn = fields.hn ?? 0;
  if (hn > usualVolts[1] && most <= unusualVolts) odd.push({ kind: 'high', usual: usualVolts });
  if (seesInduced && values.some((volts) => isBetween(volts, nominalVolts))) odd.push({ kind: 'induced' });
  return odd;
}
