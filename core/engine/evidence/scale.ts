/** The scale that all volts share: how the supply stands against nominal, times the meter's own factor. */
export const scaleLimits = [0.87, 1.13] as const;
/** Most supplies stand near nominal; the rest anywhere within a tenth of it (ANSI C84.1, from memory, and beyond). */
const scaleSigma = 0.025;
const nearNominal = 0.6;
const anywhereWithin = 0.1;
const edgeSigma = 0.012;
export const curvatureOfPrior = 1 / 0.05 ** 2;

/** −ln of how often the scale is found there, nought where it is found most often. */
export function scaleNats(scale: number): number {
  const off = Math.abs(scale - 1);
  const beyond = Math.max(0, off - anywhereWithin) / edgeSigma;
  const near =
    (nearNominal * Math.exp(-0.5 * (off / scaleSigma) ** 2)) / (scaleSigma * Math.sqrt(2 * Math.PI));
  const anywhere = ((1 - nearNominal) * Math.exp(-0.5 * beyond * beyond)) / (2 * anywhereWithin);
  const most = nearNominal / (scaleSigma * Math.sqrt(2 * Math.PI)) + (1 - nearNominal) / (2 * anywhereWithin);
  return -Math.log((near + anywhere) / most);
}

/** The scale that values with these coefficients ask for. */
export const nearestScale = (b: number, a: number): number =>
  a > 0 ? Math.min(scaleLimits[1], Math.max(scaleLimits[0], b / a)) : 1;
