import { type Branch, branchesOf, type Network } from '../circuit/index.ts';
import type { Evaluator, Reference, Supposed } from './evaluator.ts';
import type { ChannelKind } from './evidence.ts';
import { faultsWith, type Hypothesis } from './hypothesis.ts';
import { type Fit, fitLeastSquares } from './least-squares.ts';
import { type Pull, pullOf, type Tolerance } from './likelihood.ts';
import { type LoadPattern, loadsOfWatts, mostWatts } from './unknown-loads.ts';

/** Ohms of a bad connection are taken as log-normal: mostly 0.1 to 100 Ω, about 3 Ω in the middle (common practice). */
const logOhms = { middle: Math.log(3), sigma: 2, least: Math.log(0.1), most: Math.log(1e5) } as const;
/** Spread of an unknown load in watts, where one may or may not be on. */
const wattsSigma = 600;
/** Where one is on, its watts are log-normal: mostly 5 to 1,500 W (common practice). */
const logWatts = { middle: Math.log(90), sigma: 1.5 } as const;

/** A hypothesis with its loads and ohms as the readings have them. */
export interface Fitted {
  readonly supposed: Supposed;
  readonly ohms: readonly number[];
  readonly watts: Float64Array;
  /** Nats by which the readings before repair fall short of the likeliest. */
  readonly deficit: number;
  /** Logarithm of the share of the prior's loads and ohms that do about as well as these. */
  readonly logShare: number;
  /** The pattern of unknown loads that it was fitted in. */
  readonly pattern: LoadPattern | null;
}

const someOhms = [0.1, 0.4, 1.2, 3, 8, 30, 400, 1e4] as const;

/** Ohms over the whole range of a bad connection, each with the share of the prior that it stands for. */
export const sampleOhms: readonly { readonly ohms: number; readonly share: number }[] = someOhms.map(
  (ohms, index) => {
    const below = (edge: number | undefined, otherwise: number): number =>
      edge === undefined
        ? otherwise
        : normalBelow((Math.log(edge * ohms) / 2 - logOhms.middle) / logOhms.sigma);
    return { ohms, share: below(someOhms[index + 1], 1) - below(someOhms[index - 1], 0) };
  },
);

/** Share of the normal distribution below so many standard deviations (logistic approximation, good to 0.01; from memory). */
function normalBelow(z: number): number {
  return 1 / (1 + Math.exp(-1.5976 * z - 0.07056 * z ** 3));
}

export const middleOhms = (hypothesis: Hypothesis): readonly number[] =>
  hypothesis.resistances.map(() => Math.exp(logOhms.middle));

/** Spread by which all loads together may exceed what a circuit is held to carry, in watts. */
const excessSigma = 50;
const excessOf = (watts: Float64Array): number =>
  Math.max(0, watts.reduce((sum, each) => sum + each, 0) - mostWatts) / excessSigma;

const supposedWith = (
  network: Network,
  hypothesis: Hypothesis,
  ohms: readonly number[],
  watts: Float64Array,
  unknownLoads: boolean,
): Supposed => ({
  faults: faultsWith(hypothesis, ohms),
  loads: unknownLoads ? loadsOfWatts(network, watts) : network.circuit.loads,
  deviceStates: hypothesis.deviceStates,
});

/** A hypothesis as it stands with given ohms and loads, nothing fitted; not looked at to the end once beyond the limit. */
export function unfitted(
  evaluator: Evaluator,
  hypothesis: Hypothesis,
  ohms: readonly number[],
  watts: Float64Array,
  unknownLoads: boolean,
  tolerance: Tolerance,
  reference: Reference | null = null,
  limit: number = Number.POSITIVE_INFINITY,
): Fitted {
  const supposed = supposedWith(evaluator.network, hypothesis, ohms, watts, unknownLoads);
  return {
    supposed,
    ohms,
    watts,
    deficit:
      evaluator.deficit(supposed, false, tolerance, limit, reference) +
      (unknownLoads ? 0.5 * excessOf(watts) ** 2 : 0),
    logShare: 0,
    pattern: null,
  };
}

/**
 * Fits the ohms of bad connections (in their logarithm) and, where a pattern of loads is given, the watts at every
 * outlet (else they stay), by least squares with exact derivatives (compensation theorem; see terminals.ts).
 */
export function fitted(
  evaluator: Evaluator,
  hypothesis: Hypothesis,
  from: Pick<Fitted, 'ohms' | 'watts'>,
  pattern: LoadPattern | null,
  tolerance: Tolerance,
  unknownLoads: boolean,
): Fitted {
  const { network, evidence } = evaluator;
  const { nominalVolts } = network.circuit;
  const resistanceCount = hypothesis.resistances.length;
  const free =
    pattern === null ? [] : [...pattern.upper.keys()].filter((outlet) => (pattern.upper[outlet] ?? 0) > 0);
  const size = resistanceCount + free.length;
  const fixedWatts = pattern?.start ?? from.watts;
  const pull: Pull = { residual: 0, slope: 0 };
  const channelCount = evidence.firstRepaired;

  const ohmsAt = (x: Float64Array): readonly number[] =>
    hypothesis.resistances.map((_, which) => Math.exp(x[which] as number));
  /** Watts of what is on are fitted in their logarithm, for they may span three decades. */
  const isOn = free.map((outlet) => (pattern?.lower[outlet] ?? 0) > 0);
  const wattsAt = (x: Float64Array): Float64Array => {
    const watts = fixedWatts.slice();
    free.forEach((outlet, position) => {
      const at = x[resistanceCount + position] as number;
      watts[outlet] = isOn[position] ? Math.exp(at) : at;
    });
    return watts;
  };

  const pullAt = (channel: number): void =>
    pullOf(
      evidence.kinds[channel] as ChannelKind,
      evidence.observed[channel] as number,
      evaluator.predicted[channel] as number,
      nominalVolts,
      tolerance,
      pull,
    );
  const residualsAt = (x: Float64Array): Float64Array => {
    evaluator.predict(supposedWith(network, hypothesis, ohmsAt(x), wattsAt(x), unknownLoads), false);
    const residuals = new Float64Array(channelCount + 1);
    for (let channel = 0; channel < channelCount; channel += 1) {
      pullAt(channel);
      residuals[channel] = pull.residual;
    }
    residuals[channelCount] = unknownLoads ? excessOf(wattsAt(x)) : 0;
    return residuals;
  };
  const linearize = (x: Float64Array) => {
    const ohms = ohmsAt(x);
    const watts = wattsAt(x);
    // A load of no watts has no branch of its own, yet its slope is wanted: it is one of next to none.
    if (unknownLoads) for (const outlet of free) watts[outlet] = Math.max(watts[outlet] as number, 1e-6);
    const supposed = supposedWith(network, hypothesis, ohms, watts, unknownLoads);
    const branches: Branch[] = [];
    const isLoad: boolean[] = [];
    /** Quantity of each branch, and the change of the branch's siemens with it. */
    const quantity: number[] = [];
    const siemensSlope: number[] = [];
    hypothesis.resistances.forEach((position, which) => {
      const fault = supposed.faults[position];
      if (fault?.kind !== 'resistance') return;
      for (const branch of branchesOf(network, fault, supposed.faults)) {
        branches.push(branch);
        isLoad.push(false);
        quantity.push(which);
        siemensSlope.push(-fault.ohms / branch.ohms ** 2);
      }
    });
    free.forEach((outlet, position) => {
      const contact = network.outlets[outlet]?.contact;
      if (contact === undefined) return;
      branches.push({
        a: contact.hot,
        b: contact.neutral,
        ohms: nominalVolts ** 2 / (watts[outlet] as number),
      });
      isLoad.push(true);
      quantity.push(resistanceCount + position);
      siemensSlope.push((isOn[position] ? (watts[outlet] as number) : 1) / nominalVolts ** 2);
    });
    const slopes = evaluator.predictWithSlopes(supposed, branches, isLoad);
    const residuals = new Float64Array(channelCount + 1);
    const jacobian = new Float64Array((channelCount + 1) * size);
    residuals[channelCount] = unknownLoads ? excessOf(watts) : 0;
    if ((residuals[channelCount] as number) > 0)
      free.forEach((outlet, position) => {
        const slope = isOn[position] ? (watts[outlet] as number) : 1;
        jacobian[channelCount * size + resistanceCount + position] = slope / excessSigma;
      });
    const count = branches.length;
    for (let channel = 0; channel < channelCount; channel += 1) {
      pullAt(channel);
      residuals[channel] = pull.residual;
      if (pull.slope === 0) continue;
      for (let branch = 0; branch < count; branch += 1) {
        const at = channel * size + (quantity[branch] as number);
        jacobian[at] =
          (jacobian[at] as number) +
          pull.slope * (slopes[channel * count + branch] as number) * (siemensSlope[branch] as number);
      }
    }
    return { residuals, jacobian };
  };

  const start = new Float64Array(size);
  const lower = new Float64Array(size);
  const upper = new Float64Array(size);
  const priorWeight = new Float64Array(size);
  const priorCentre = new Float64Array(size);
  hypothesis.resistances.forEach((_, which) => {
    start[which] = Math.log(from.ohms[which] ?? 3);
    lower[which] = logOhms.least;
    upper[which] = logOhms.most;
    priorWeight[which] = 1 / logOhms.sigma ** 2;
    priorCentre[which] = logOhms.middle;
  });
  free.forEach((outlet, position) => {
    const at = resistanceCount + position;
    const scale = isOn[position] ? Math.log : (watts: number) => watts;
    start[at] = scale(pattern?.start[outlet] ?? 0);
    lower[at] = scale(pattern?.lower[outlet] ?? 0);
    upper[at] = scale(pattern?.upper[outlet] ?? 0);
    priorWeight[at] = isOn[position] ? 1 / logWatts.sigma ** 2 : 1 / wattsSigma ** 2;
    priorCentre[at] = isOn[position] ? logWatts.middle : 0;
  });
  const fit = fitLeastSquares(
    { size, lower, upper, priorWeight, priorCentre, residuals: residualsAt, linearize },
    start,
  );
  const ohms = ohmsAt(fit.at);
  const watts = wattsAt(fit.at);
  let logShare = 0;
  for (let which = 0; which < resistanceCount; which += 1) logShare += ohmsLogShare(fit, which);
  for (let at = resistanceCount; at < size; at += 1)
    logShare -=
      0.5 * (priorWeight[at] as number) * ((fit.at[at] as number) - (priorCentre[at] as number)) ** 2;
  const found = unfitted(evaluator, hypothesis, ohms, watts, unknownLoads, tolerance);
  return { ...found, logShare };
}

/** Laplace's approximation of what the prior on one resistance's logarithm leaves: full where nothing sees it. */
function ohmsLogShare(fit: Fit, which: number): number {
  const x = fit.at[which] as number;
  const fromMiddle = (x - logOhms.middle) / logOhms.sigma;
  const curvature = (fit.curvature[which] as number) + 1 / logOhms.sigma ** 2;
  const atBound = x <= logOhms.least || x >= logOhms.most;
  const slope = Math.abs((fit.slope[which] as number) + fromMiddle / logOhms.sigma);
  const width = atBound
    ? 1 / (slope + Math.sqrt((2 * curvature) / Math.PI))
    : Math.sqrt((2 * Math.PI) / curvature);
  return Math.log(width / (logOhms.sigma * Math.sqrt(2 * Math.PI))) - 0.5 * fromMiddle * fromMiddle;
}
