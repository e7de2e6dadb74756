import { type ChannelKind, dimFrom, lampCode, litFrom, probeVolts } from '../../instruments/index.ts';
import type { HouseFacts } from '../model/priors.ts';
import { builtForMore, type UsualSupply } from './scale.ts';

/**
 * How far readings stray from what the model predicts. All figures are common practice: the supply stands where it
 * stands and drifts a little from one reading to the next; a meter's error is mostly one factor that all its values
 * share; a load's current is known to a sixth or so.
 */
export interface Tolerance {
  /** Standard deviation of a meter's own noise, in volts. */
  readonly noiseVolts: number;
  /** Standard deviation of the supply from one reading to the next, as a share. */
  readonly drift: number;
  /** Standard deviation of what a test's load draws, as a share: all its drops and rises by the same. */
  readonly loadShare: number;
  /** The same of what a run drops where its length is guessed. */
  readonly runShare: number;
  /** Volts beyond which nothing is put down to a run's length; any where left out. */
  readonly mostDropped?: number;
  /** One value in so many is plainly wrong: mistyped, misread, a probe that slipped. */
  readonly wrongValue: number;
  /** One reading in so many was taken at another receptacle. */
  readonly wrongReading: number;
  /** A lamp is misread, or glows across its threshold, once in so many. */
  readonly wrongLamp: number;
  /** Where the supply usually stands; near nominal where left out. */
  readonly supply?: UsualSupply;
}

/** What a region changes in how readings stray. */
export const toleranceIn = (tolerance: Tolerance, { region }: HouseFacts): Tolerance =>
  region === 'uk' ? { ...tolerance, supply: builtForMore } : tolerance;

/** For circuits whose lengths and sizes are known. */
export const fineTolerance: Tolerance = {
  noiseVolts: 0.2,
  drift: 0.4 / 120,
  loadShare: 0.15,
  runShare: 0.02,
  wrongValue: 0.01,
  wrongReading: 0.004,
  wrongLamp: 0.006,
};

/** For circuits whose lengths are guessed. */
export const roughTolerance: Tolerance = { ...fineTolerance, runShare: 0.35 };

/**
 * For legs that share a neutral: between them volts split as their loads do, which no run's length changes. A run of any
 * length drops so much at the most, or little more (12 A over some 50 m of 14 AWG, there and back; common practice).
 */
export const amongLegs = (tolerance: Tolerance): Tolerance => ({ ...tolerance, mostDropped: 20 });

/** For a receptacle judged by itself: no other reading speaks against its own, so that is not lightly held to be wrong. */
export const loneTolerance: Tolerance = {
  ...roughTolerance,
  runShare: 0.6,
  wrongValue: 0.002,
  wrongReading: 1e-7,
  wrongLamp: 1e-4,
};

/** Spread of the lamps' thresholds, as a share of nominal. */
const lampSpread = 0.006;
/** A probe fails to sound at a live contact. */
const deafProbe = 0.01;
/** It sounds at a dead contact beside a live one (induction), at a contact that nothing holds as often as not. */
const falseAlarm = { held: 0.03, induced: 0.2, adrift: 0.5 } as const;
export const inducedVolts = 10;
const wrongFlag = 0.01;
const milliampsSigma = (predicted: number): number => Math.max(0.05, 0.015 * predicted);

/** So far from its middle it differs from nought or one by less than a number's last digit. */
const saturated = 40;
const logistic = (x: number): number => (x > saturated ? 1 : x < -saturated ? 0 : 1 / (1 + Math.exp(-x)));

/** Nats of a channel that is no volts: −ln of how often it shows what is observed. */
export function channelDeficit(
  kind: Exclude<ChannelKind, 'volts' | 'unread'>,
  observed: number,
  predicted: number,
  isAdrift: boolean,
  { wrongLamp, wrongValue }: Tolerance,
): number {
  switch (kind) {
    case 'milliamps': {
      const z = (observed - predicted) / milliampsSigma(Math.max(predicted, observed));
      return -Math.log((1 - wrongValue) * Math.exp(-0.5 * z * z) + 0.01 * wrongValue);
    }
    case 'lamp': {
      const dimOrLit = logistic((predicted - dimFrom) / lampSpread);
      const lit = logistic((predicted - litFrom) / lampSpread);
      let p = 1 - dimOrLit;
      if (observed === lampCode.lit) p = lit;
      else if (observed === lampCode.dim) p = dimOrLit - lit;
      return -Math.log((1 - wrongLamp) * Math.max(p, 0) + wrongLamp / 3);
    }
    case 'sounds': {
      let sounding: number = falseAlarm.held;
      if (isAdrift && predicted > inducedVolts) sounding = falseAlarm.adrift;
      else if (predicted >= probeVolts) sounding = 1 - deafProbe;
      else if (predicted > inducedVolts) sounding = falseAlarm.induced;
      return -Math.log(observed === 1 ? sounding : 1 - sounding);
    }
    case 'trips':
    case 'button':
      return -Math.log(observed === predicted ? 1 - wrongFlag : wrongFlag);
  }
}

/** Nats of a value that has nothing to do with this receptacle. */
export const unrelated: Readonly<Record<Exclude<ChannelKind, 'unread'>, number>> = {
  volts: 4,
  milliamps: 4,
  lamp: Math.log(2),
  sounds: Math.log(2),
  trips: Math.log(2),
  button: Math.log(3),
};

/** Nats of a value that is plainly wrong: anything from nothing to twice the mains. */
export const wrongVoltsNats = (noiseVolts: number): number =>
  -Math.log((noiseVolts * Math.sqrt(2 * Math.PI)) / 250);

/**
 * Nats of what a meter of high impedance shows where nothing holds one of its contacts: anything between the contact's
 * neighbours, and what capacitances make of it somewhat sooner.
 */
export function adriftDeficit(
  observed: number,
  predicted: number,
  nominalVolts: number,
  noiseVolts: number,
): number {
  const peak = noiseVolts * Math.sqrt(2 * Math.PI);
  const sigma = 1.1 * noiseVolts + 0.2 * predicted;
  const z = (observed - predicted) / sigma;
  const near = (Math.exp(-0.5 * z * z) * noiseVolts) / sigma;
  const anywhere = observed <= 1.12 * nominalVolts ? peak / nominalVolts : 0;
  // Beside nothing that is live it hardly wanders.
  const wanders = predicted < 0.04 * nominalVolts ? 0.07 : 0.65;
  return -Math.log((1 - wanders) * near + wanders * anywhere + 1e-6);
}

/** How a lamp or a probe pulls on what is fitted: its residual in standard deviations and the change of it per predicted unit. */
export interface Pull {
  residual: number;
  slope: number;
}

const hingeSigma = 0.02;

/** Fills `pull`; both nought where the channel does not care. Volts pull together, see `whitened`. */
export function pullOf(
  kind: ChannelKind,
  observed: number,
  predicted: number,
  nominalVolts: number,
  pull: Pull,
): void {
  pull.residual = 0;
  pull.slope = 0;
  if (kind === 'milliamps') {
    pull.slope = 1 / milliampsSigma(Math.max(predicted, observed));
    pull.residual = (predicted - observed) * pull.slope;
    return;
  }
  let low = Number.NEGATIVE_INFINITY;
  let high = Number.POSITIVE_INFINITY;
  let sigma = hingeSigma;
  if (kind === 'lamp') {
    if (observed === lampCode.lit) low = litFrom + hingeSigma;
    else if (observed === lampCode.off) high = dimFrom - hingeSigma;
    else {
      low = dimFrom + hingeSigma;
      high = litFrom - hingeSigma;
    }
  } else if (kind === 'sounds') {
    sigma *= nominalVolts;
    if (observed === 1) low = probeVolts;
    else high = probeVolts;
  } else return;
  const beyond = predicted < low ? predicted - low : predicted > high ? predicted - high : 0;
  if (beyond === 0) return;
  pull.residual = beyond / sigma;
  pull.slope = 1 / sigma;
}
