import type { TemperatureUnit } from './house-parts.ts';

/** How far a rise of temperature goes, the least first. */
export const heatClasses = ['none', 'possible', 'probable', 'monitor', 'major'] as const;
export type HeatClass = (typeof heatClasses)[number];

/**
 * Kelvins from which a class begins: ANSI/NETA MTS table 100.18, from memory. The table's classes leave whole degrees
 * between them; what falls between two goes to the higher.
 */
const overSimilar = [
  [15, 'major'],
  [3, 'probable'],
  [1, 'possible'],
] as const;
const overAmbient = [
  [40, 'major'],
  [20, 'monitor'],
  [10, 'probable'],
  [1, 'possible'],
] as const;

type Steps = readonly (readonly [above: number, heat: HeatClass])[];

/** The class of a rise: past the end of the class below it; the first class begins at its own first degree. */
function classIn(steps: Steps, rise: number): HeatClass {
  const last = steps.length - 1;
  return steps.find(([from], index) => (index === last ? rise >= from : rise > from))?.[1] ?? 'none';
}

export const toCelsius = (degrees: number, unit: TemperatureUnit): number =>
  unit === 'C' ? degrees : ((degrees - 32) * 5) / 9;

/** Of a difference. */
const kelvins = (difference: number, unit: TemperatureUnit): number =>
  unit === 'C' ? difference : (difference * 5) / 9;

/** Degrees typed from the same scale are differences of one another; what is left of rounding is not counted. */
const rise = (degrees: number, from: number, unit: TemperatureUnit): number =>
  Math.round(kelvins(degrees - from, unit) * 1e6) / 1e6;

export interface HeatMeasured {
  readonly degrees: number | null;
  /** The camera gave up: at least so much. */
  readonly aboveRange: boolean;
  /** Of a similar component under a similar load. */
  readonly similar: number | null;
  readonly ambient: number | null;
  readonly unit: TemperatureUnit;
}

export interface HeatJudged {
  /** The higher of the two. */
  readonly heat: HeatClass;
  /** What it rests on; null where that was not measured. */
  readonly bySimilar: { readonly heat: HeatClass; readonly kelvins: number } | null;
  readonly byAmbient: { readonly heat: HeatClass; readonly kelvins: number } | null;
}

/** How bad a hot spot is by both criteria, the higher of which counts; null where there is nothing to go by. */
export function heatOf({ degrees, aboveRange, similar, ambient, unit }: HeatMeasured): HeatJudged | null {
  if (degrees === null) return aboveRange ? { heat: 'major', bySimilar: null, byAmbient: null } : null;
  const against = (from: number | null, steps: Steps) =>
    from === null
      ? null
      : { heat: classIn(steps, rise(degrees, from, unit)), kelvins: rise(degrees, from, unit) };
  const bySimilar = against(similar, overSimilar);
  const byAmbient = against(ambient, overAmbient);
  if (bySimilar === null && byAmbient === null && !aboveRange) return null;
  const found = [
    bySimilar?.heat ?? 'none',
    byAmbient?.heat ?? 'none',
    aboveRange ? 'major' : 'none',
  ] as const;
  const heat = found.reduce((a: HeatClass, b) => (heatClasses.indexOf(b) > heatClasses.indexOf(a) ? b : a));
  return { heat, bySimilar, byAmbient };
}
