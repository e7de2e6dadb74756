import { cholesky } from '../evidence/triangular.ts';
import { type LoadPattern, mostWatts } from '../model/unknown-loads.ts';
import type { Fit } from './least-squares.ts';

/** Ohms of a bad connection are taken as log-normal: mostly 0.1 to 100 Ω, about 3 Ω in the middle (common practice). */
export const logOhms = { middle: Math.log(3), sigma: 2, least: Math.log(0.1), most: Math.log(1e5) } as const;
/** Where one is on, its watts are log-normal: mostly 5 to 1,500 W (common practice). */
export const logWatts = { middle: Math.log(90), sigma: 1.5 } as const;
/**
 * Where nobody knows whether one is on, the fewer watts the likelier: in exponential measure, with the mean of one that is
 * on. So where no reading asks for a load there is none. `spread`: hardly more than a circuit carries.
 */
export const unknownWatts = {
  mean: Math.exp(logWatts.middle + logWatts.sigma ** 2 / 2),
  spread: mostWatts,
} as const;

/** Ohms that stand for those of any bad connection, each with the share of the prior that is nearest to it. */
export const sharedOut = (
  some: readonly number[],
): readonly { readonly ohms: number; readonly share: number }[] =>
  some.map((ohms, index) => {
    const below = (edge: number | undefined, otherwise: number): number =>
      edge === undefined
        ? otherwise
        : normalBelow((Math.log(edge * ohms) / 2 - logOhms.middle) / logOhms.sigma);
    return { ohms, share: below(some[index + 1], 1) - below(some[index - 1], 0) };
  });

/** The least ohms that make a connection poor. */
export const leastOhms = 0.1;
/** Ohms over the whole range of a bad connection. */
export const sampleOhms = sharedOut([leastOhms, 0.4, 1.2, 3, 8, 30, 400, 1e4]);

/** Share of the normal distribution below so many standard deviations (logistic approximation, good to 0.01; from memory). */
function normalBelow(z: number): number {
  return 1 / (1 + Math.exp(-1.5976 * z - 0.07056 * z ** 3));
}

/** Ohms in the middle of those of any bad connection. */
export const middleOhms = Math.exp(logOhms.middle);

/** Logarithm of how much less likely some loads are than the likeliest in a pattern. */
export function wattsLogShare(pattern: LoadPattern | null, watts: Float64Array): number {
  if (pattern === null) return 0;
  let logShare = 0;
  for (let outlet = 0; outlet < watts.length; outlet += 1) {
    if ((pattern.upper[outlet] as number) <= 0) continue;
    const here = watts[outlet] as number;
    const isOn = (pattern.lower[outlet] as number) > 0;
    const off = isOn ? (Math.log(here) - logWatts.middle) / logWatts.sigma : here / unknownWatts.spread;
    logShare -= 0.5 * off * off + (isOn ? 0 : here / unknownWatts.mean);
  }
  return logShare;
}

/** Correlation of two bad connections of one cause, in logarithms: what wore out or was left loose at one was about as much so at the other (common practice). */
const alikeness = 0.75;

/** Logarithm of how much likelier two resistances of one cause are together than by themselves. */
export function alikeLogShare(ohms: number, other: number): number {
  const a = (Math.log(ohms) - logOhms.middle) / logOhms.sigma;
  const b = (Math.log(other) - logOhms.middle) / logOhms.sigma;
  const apart = 1 - alikeness ** 2;
  const together = (a * a - 2 * alikeness * a * b + b * b) / apart;
  return 0.5 * (a * a + b * b - together - Math.log(apart));
}

/**
 * Laplace's approximation of what the priors on resistances' logarithms, so many at the head of a fit, leave: full where
 * nothing sees them. Several are taken together: what a load test shows tells two in series well apart from each other's
 * ratio and not from its load, so that each by itself seems known better than both are.
 */
export function ohmsLogShare(fit: Fit, count: number): number {
  const size = fit.at.length;
  const prior = 1 / logOhms.sigma ** 2;
  const inside: number[] = [];
  let logShare = 0;
  for (let which = 0; which < count; which += 1) {
    const x = fit.at[which] as number;
    const fromMiddle = (x - logOhms.middle) / logOhms.sigma;
    logShare -= 0.5 * fromMiddle * fromMiddle + Math.log(logOhms.sigma * Math.sqrt(2 * Math.PI));
    if (x > logOhms.least && x < logOhms.most) {
      inside.push(which);
      continue;
    }
    const curvature = (fit.curvature[which * size + which] as number) + prior;
    const slope = Math.abs((fit.slope[which] as number) + fromMiddle / logOhms.sigma);
    logShare -= Math.log(slope + Math.sqrt((2 * curvature) / Math.PI));
  }
  const bends = Float64Array.from(
    { length: inside.length ** 2 },
    (_, at) =>
      (fit.curvature[
        (inside[Math.floor(at / inside.length)] as number) * size + (inside[at % inside.length] as number)
      ] as number) + (at % (inside.length + 1) === 0 ? prior : 0),
  );
  cholesky(bends, inside.length);
  for (let at = 0; at < inside.length; at += 1)
    logShare += 0.5 * Math.log(2 * Math.PI) - Math.log(bends[at * (inside.length + 1)] as number);
  return logShare;
}
