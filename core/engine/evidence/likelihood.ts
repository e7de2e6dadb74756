import { type ChannelKind, dimFrom, lampCode, litFrom, probeVolts } from '../../instruments/index.ts';
import type { Evidence, ReadingEvidence } from './evidence.ts';

/**
 * How far readings stray from what the model predicts. All figures are common practice, but for the volts: the
 * formats' own max(0.5 V, 1 %), taken as two standard deviations.
 */
export interface Tolerance {
  /** Standard deviation of volts where so many are predicted. */
  readonly voltsSigma: (predicted: number) => number;
  /** One value in so many is plainly wrong: mistyped, misread, a probe that slipped. */
  readonly wrongValue: number;
  /** One reading in so many was taken at another receptacle, or with a faulty tester. */
  readonly wrongReading: number;
  /** A lamp is misread, or glows across its threshold, once in so many. */
  readonly wrongLamp: number;
}

const wrong = { wrongValue: 0.01, wrongReading: 0.004, wrongLamp: 0.006 } as const;

/** For circuits whose lengths and sizes are known. */
export const fineTolerance: Tolerance = {
  ...wrong,
  voltsSigma: (predicted) => Math.max(0.5, 0.01 * predicted) / 2,
};

/** For circuits whose lengths are guessed: small volts may be off by a third, large ones by what mains voltage varies. */
export const roughTolerance: Tolerance = {
  ...wrong,
  voltsSigma: (predicted) => Math.max(0.5, Math.min(0.33 * predicted, 4)),
};

/** For a receptacle judged by itself: no other reading speaks against its own, so that is not lightly held to be wrong. */
export const loneTolerance: Tolerance = {
  ...roughTolerance,
  wrongValue: 0.002,
  wrongReading: 1e-7,
  wrongLamp: 1e-4,
};

/** Spread of the lamps' thresholds, as a share of nominal. */
const lampSpread = 0.006;
/** A probe fails to sound at a live contact. */
const deafProbe = 0.01;
/** It sounds at a dead contact beside a live one (induction): seldom where the contact is held, often near its threshold. */
const falseAlarm = { held: 0.03, floating: 0.2 } as const;
const inducedVolts = 10;
const wrongFlag = 0.01;
const milliampsSigma = (predicted: number): number => Math.max(0.05, 0.01 * predicted) / 2;

/** Share of a wrong volts reading's spread, from nothing to full voltage, that a right one's takes. */
const wrongVoltsDensity = 0.01;

const logistic = (x: number): number => 1 / (1 + Math.exp(-x));

/** How much less likely than the likeliest reading this one is: −ln(p/p max), nought or more. */
export function channelDeficit(
  kind: ChannelKind,
  observed: number,
  predicted: number,
  tolerance: Tolerance,
): number {
  switch (kind) {
    case 'volts':
      return strayDeficit(
        (observed - predicted) / tolerance.voltsSigma(Math.max(predicted, observed)),
        tolerance,
      );
    case 'milliamps':
      return strayDeficit((observed - predicted) / milliampsSigma(Math.max(predicted, observed)), tolerance);
    case 'lamp': {
      const dimOrLit = logistic((predicted - dimFrom) / lampSpread);
      const lit = logistic((predicted - litFrom) / lampSpread);
      let p = 1 - dimOrLit;
      if (observed === lampCode.lit) p = lit;
      else if (observed === lampCode.dim) p = dimOrLit - lit;
      return -Math.log((1 - tolerance.wrongLamp) * Math.max(p, 0) + tolerance.wrongLamp / 3);
    }
    case 'sounds': {
      const sounding =
        predicted >= probeVolts
          ? 1 - deafProbe
          : predicted > inducedVolts
            ? falseAlarm.floating
            : falseAlarm.held;
      return -Math.log(observed === 1 ? sounding : 1 - sounding);
    }
    case 'trips':
    case 'button':
      return -Math.log(observed === predicted ? 1 - wrongFlag : wrongFlag);
  }
}

function strayDeficit(z: number, { wrongValue }: Tolerance): number {
  const stray = wrongValue * wrongVoltsDensity;
  return -Math.log(((1 - wrongValue) * Math.exp(-0.5 * z * z) + stray) / (1 - wrongValue + stray));
}

/** The same for a value of a reading that has nothing to do with this receptacle. */
const unrelated: Readonly<Record<ChannelKind, number>> = {
  volts: -Math.log(wrongVoltsDensity),
  milliamps: -Math.log(wrongVoltsDensity),
  lamp: Math.log(2),
  sounds: Math.log(2),
  trips: Math.log(2),
  button: Math.log(3),
};

/** Deficit of a whole reading; a wrong one costs no more than being wrong does. */
export function readingDeficit(
  { kinds, observed }: Pick<Evidence, 'kinds' | 'observed'>,
  { first, end, instrument }: ReadingEvidence,
  predicted: Float64Array,
  tolerance: Tolerance,
): number {
  let sum = 0;
  let elsewhere = 0;
  for (let channel = first; channel < end; channel += 1) {
    const kind = kinds[channel] as ChannelKind;
    sum += channelDeficit(kind, observed[channel] as number, predicted[channel] as number, tolerance);
    elsewhere += unrelated[kind];
  }
  if (instrument === 'tripped-before') return sum;
  const { wrongReading } = tolerance;
  return -Math.log((1 - wrongReading) * Math.exp(-sum) + wrongReading * Math.exp(-elsewhere));
}

/** How a channel pulls on what is fitted: its residual in standard deviations and the change of it per predicted unit. */
export interface Pull {
  residual: number;
  slope: number;
}

const hingeSigma = 0.02;

/** Fills `pull`; both nought where the channel does not care. */
export function pullOf(
  kind: ChannelKind,
  observed: number,
  predicted: number,
  nominalVolts: number,
  tolerance: Tolerance,
  pull: Pull,
): void {
  pull.residual = 0;
  pull.slope = 0;
  if (kind === 'volts' || kind === 'milliamps') {
    const largest = Math.max(predicted, observed);
    const sigma = kind === 'volts' ? tolerance.voltsSigma(largest) : milliampsSigma(largest);
    pull.slope = 1 / sigma;
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
