/** The scale that all volts share: how the supply stands against nominal, times the meter's own factor. */
export const scaleLimits = [0.87, 1.13] as const;
/** Most supplies stand near where a region's are set; the rest anywhere within a tenth of nominal (ANSI C84.1, from memory, and beyond). */
const nearUsual = 0.6;
const anywhereWithin = 0.1;
const edgeSigma = 0.012;
export const curvatureOfPrior = 1 / 0.05 ** 2;

/** Where the supplies of a region usually stand, as a share of nominal. */
export interface UsualSupply {
  readonly centre: number;
  /** Standard deviation. */
  readonly sigma: number;
}

export const nearNominal: UsualSupply = { centre: 1, sigma: 0.025 };
/** 230 V in name: many were built for 240 V and still stand there, others at 230 V (common practice; +10 % and −6 % are allowed). */
export const builtForMore: UsualSupply = { centre: 237 / 230, sigma: 0.03 };

const density = (off: number, sigma: number): number =>
  Math.exp(-0.5 * (off / sigma) ** 2) / (sigma * Math.sqrt(2 * Math.PI));

/** −ln of how often the scale is found there, nought where it is found most often. */
export function scaleNats(scale: number, { centre, sigma }: UsualSupply = nearNominal): number {
  const beyond = Math.max(0, Math.abs(scale - 1) - anywhereWithin) / edgeSigma;
  const anywhere = (1 - nearUsual) / (2 * anywhereWithin);
  const here = nearUsual * density(scale - centre, sigma) + anywhere * Math.exp(-0.5 * beyond * beyond);
  return -Math.log(here / (nearUsual * density(0, sigma) + anywhere));
}

/** By so much, as a share, the legs of one supply differ: a volt or two, by what is on at each (common practice). */
export const legsApart = 1.5 / 120;
export const curvatureOfLegs = 1 / legsApart ** 2;

/** The scale that values with these coefficients ask for. */
export const nearestScale = (b: number, a: number): number =>
  a > 0 ? Math.min(scaleLimits[1], Math.max(scaleLimits[0], b / a)) : 1;

/** Testers differ by so much, as a share, in the volts from which their lamps light; one tester's lamps do not (from memory). */
const lampsApart = 0.08;
export const lampsNats = (lamps: number): number => 0.5 * (Math.log(lamps) / lampsApart) ** 2;
