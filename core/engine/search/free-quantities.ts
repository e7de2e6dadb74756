import { type Fault, hasOhms } from '../../faults/index.ts';
import type { ChannelKind } from '../../instruments/index.ts';
import { type Branch, branchesOf, type Network } from '../../physics/index.ts';
import type { Evaluator, Supposed } from '../evidence/evaluator.ts';
import { type ReadingEvidence, scaleOf } from '../evidence/evidence.ts';
import { type Pull, pullOf } from '../evidence/likelihood.ts';
import { curvatureOfLegs } from '../evidence/scale.ts';
import { faultsWith, type Hypothesis } from '../model/hypothesis.ts';
import { type Scales, scaleAt } from '../model/scales.ts';
import { hasTwoLegs, type LoadPattern, loadsOfWatts, mostWatts } from '../model/unknown-loads.ts';
import type { Fit } from './least-squares.ts';
import {
  alikeLogShare,
  logOhms,
  logWatts,
  ohmsLogShare,
  unknownWatts,
  wattsLogShare,
} from './prior-shares.ts';

// Longer than other files: what is free, its limits and its slopes go by the same positions and are read together.

/** What was fitted, or a fit begins with. */
export interface Values {
  readonly ohms: readonly number[];
  readonly watts: Float64Array;
  /** How the supply stands, and the meter. */
  readonly scales: Scales;
}

/** The scale of all volts while it is fitted beside ohms and watts. */
const [leastScale, mostScale] = [0.87, 1.13] as const;
const scaleSigma = 0.05;
/** The legs of one supply differ by such a share of it at the most. */
const mostApart = 0.06;

/** Spread by which all loads together may exceed what a circuit is held to carry, in watts. */
const excessSigma = 50;
export const excessOf = (watts: Float64Array): number =>
  Math.max(0, watts.reduce((sum, each) => sum + each, 0) - mostWatts) / excessSigma;

export const supposedWith = (
  network: Network,
  hypothesis: Hypothesis,
  ohms: readonly number[],
  watts: Float64Array,
  unknownLoads: boolean,
): Supposed => ({
  faults: faultsWith(hypothesis, ohms),
  loads: unknownLoads ? loadsOfWatts(network, watts) : network.circuit.loads,
  deviceStates: hypothesis.deviceStates,
  instruments: hypothesis.instruments,
});

/** Branches whose siemens change with what is fitted. */
interface FittedBranches {
  readonly branches: Branch[];
  readonly isLoad: boolean[];
  /** Quantity of each branch, and the change of the branch's siemens with it. */
  readonly quantity: number[];
  readonly siemensSlope: number[];
}

/** The Jacobian to be filled, and how each predicted channel changes with each quantity but the scale. */
interface Slopes {
  readonly jacobian: Float64Array;
  readonly of: (channel: number, quantity: number) => number;
}

/**
 * What is free in a hypothesis: ohms of bad connections first, then the watts at some outlets, the scale of all volts, and,
 * where there are two legs, by what share of it the other one's differs.
 */
export class FreeQuantities {
  readonly size: number;
  readonly lower: Float64Array;
  readonly upper: Float64Array;
  readonly priorWeight: Float64Array;
  readonly priorCentre: Float64Array;
  readonly start: Float64Array;
  private readonly evaluator: Evaluator;
  private readonly hypothesis: Hypothesis;
  private readonly unknownLoads: boolean;
  private readonly resistanceCount: number;
  /** Outlets whose watts are fitted. */
  private readonly free: readonly number[];
  /** Watts of what is on are fitted in their logarithm, for they may span three decades. */
  private readonly isOn: readonly boolean[];
  /** Of a tester's lamps: as it was fitted last. */
  private readonly lamps: number;
  private readonly fixedWatts: Float64Array;
  private readonly ownAt: number;
  /** −1 where there is one leg. */
  private readonly differenceAt: number;
  readonly readings: number;
  /** The point that was tried last. */
  private tried: {
    readonly x: Float64Array;
    readonly watts: Float64Array;
    readonly supposed: Supposed;
  } | null = null;
  private readonly channelPull: Pull = { residual: 0, slope: 0 };
  private readonly whitening = new Float64Array(9);

  constructor(
    evaluator: Evaluator,
    hypothesis: Hypothesis,
    from: Values,
    pattern: LoadPattern | null,
    unknownLoads: boolean,
  ) {
    this.evaluator = evaluator;
    this.hypothesis = hypothesis;
    this.unknownLoads = unknownLoads;
    this.resistanceCount = hypothesis.resistances.length;
    this.free =
      pattern === null ? [] : [...pattern.upper.keys()].filter((outlet) => (pattern.upper[outlet] ?? 0) > 0);
    this.isOn = this.free.map((outlet) => (pattern?.lower[outlet] ?? 0) > 0);
    this.ownAt = this.resistanceCount + this.free.length;
    this.differenceAt = hasTwoLegs(evaluator.network) ? this.ownAt + 1 : -1;
    this.size = Math.max(this.ownAt, this.differenceAt) + 1;
    this.fixedWatts = pattern?.start ?? from.watts;
    this.readings = evaluator.evidence.firstRepaired;
    this.start = new Float64Array(this.size);
    this.lower = new Float64Array(this.size);
    this.upper = new Float64Array(this.size);
    this.priorWeight = new Float64Array(this.size);
    this.priorCentre = new Float64Array(this.size);
    this.boundOhms(from.ohms);
    if (pattern !== null) this.boundWatts(pattern);
    const { own, other, lamps } = from.scales;
    this.lamps = lamps;
    this.bound(this.ownAt, own, [leastScale, mostScale], 1 / scaleSigma ** 2, 1);
    if (this.differenceAt !== -1)
      this.bound(this.differenceAt, other / own - 1, [-mostApart, mostApart], curvatureOfLegs, 0);
  }

  /** Positions of the loads that a pattern has off. */
  positionsOff({ upper }: LoadPattern): readonly number[] {
    return this.free.flatMap((outlet, position) =>
      (upper[outlet] ?? 0) > 0 ? [] : [this.resistanceCount + position],
    );
  }

  private scalesAt(x: Float64Array): Scales {
    const own = x[this.ownAt] as number;
    const other = this.differenceAt === -1 ? own : own * (1 + (x[this.differenceAt] as number));
    return { own, other, lamps: this.lamps };
  }

  private bound(
    at: number,
    start: number,
    [lower, upper]: readonly [number, number],
    weight: number,
    centre: number,
  ): void {
    this.start[at] = start;
    this.lower[at] = lower;
    this.upper[at] = upper;
    this.priorWeight[at] = weight;
    this.priorCentre[at] = centre;
  }

  private boundOhms(from: readonly number[]): void {
    for (let which = 0; which < this.resistanceCount; which += 1) {
      this.start[which] = Math.log(from[which] ?? 3);
      this.lower[which] = logOhms.least;
      this.upper[which] = logOhms.most;
      this.priorWeight[which] = 1 / logOhms.sigma ** 2;
      this.priorCentre[which] = logOhms.middle;
    }
  }

  private boundWatts({ start, lower, upper }: LoadPattern): void {
    this.free.forEach((outlet, position) => {
      const at = this.resistanceCount + position;
      const isOn = this.isOn[position];
      const scale = isOn ? Math.log : (watts: number) => watts;
      this.start[at] = scale(start[outlet] ?? 0);
      this.lower[at] = scale(lower[outlet] ?? 0);
      this.upper[at] = scale(upper[outlet] ?? 0);
      // A centre so far below nought makes a slope of it there: one in so many watts.
      this.priorWeight[at] = isOn ? 1 / logWatts.sigma ** 2 : 1 / unknownWatts.spread ** 2;
      this.priorCentre[at] = isOn ? logWatts.middle : -(unknownWatts.spread ** 2) / unknownWatts.mean;
    });
  }

  ohmsAt(x: Float64Array): readonly number[] {
    return this.hypothesis.resistances.map((_, which) => Math.exp(x[which] as number));
  }

  wattsAt(x: Float64Array): Float64Array {
    const watts = this.fixedWatts.slice();
    this.free.forEach((outlet, position) => {
      const at = x[this.resistanceCount + position] as number;
      watts[outlet] = this.isOn[position] ? Math.exp(at) : at;
    });
    return watts;
  }

  private supposedAt(ohms: readonly number[], watts: Float64Array): Supposed {
    return supposedWith(this.evaluator.network, this.hypothesis, ohms, watts, this.unknownLoads);
  }

  /**
   * As it is held to be at a point, the same for residuals there and for their slopes. A load of no watts has no branch
   * of its own, yet its slope is wanted: it is one of next to none.
   */
  private triedAt(x: Float64Array): { readonly watts: Float64Array; readonly supposed: Supposed } {
    const { tried } = this;
    if (tried?.x.every((value, at) => value === x[at])) return tried;
    const watts = this.wattsAt(x);
    if (this.unknownLoads)
      for (const outlet of this.free) watts[outlet] = Math.max(watts[outlet] as number, 1e-6);
    const now = { x: x.slice(), watts, supposed: this.supposedAt(this.ohmsAt(x), watts) };
    this.tried = now;
    return now;
  }

  /** As it is held to be at a point, with nothing on where no watts are; what was tried there last stands for it where it is the same. */
  asHeldAt(x: Float64Array): Supposed {
    const watts = this.wattsAt(x);
    const tried = this.triedAt(x);
    const isTried = tried.watts.every((value, outlet) => value === watts[outlet]);
    return isTried ? tried.supposed : this.supposedAt(this.ohmsAt(x), watts);
  }

  /** Residuals of all that was read, in standard deviations; row by row with their slopes where these are given. */
  private pull(residuals: Float64Array, scales: Scales, slopes: Slopes | null): void {
    const { evidence } = this.evaluator;
    for (const { repaired, outlets } of evidence.states)
      if (!repaired)
        for (const { readings } of outlets)
          for (const reading of readings)
            if (this.evaluator.weighing.holdsVolts(reading))
              this.pullVolts(reading, residuals, scales, slopes);
            else
              for (let channel = reading.first; channel < reading.end; channel += 1)
                this.pullChannel(channel, residuals, scaleOf(reading, scales), slopes);
  }

  /** True where what is fitted can make a reading fit better: lamps and probes that show what is predicted do not care. */
  private isPulled(reading: ReadingEvidence, scale: number): boolean {
    if (this.evaluator.weighing.holdsVolts(reading)) return true;
    for (let channel = reading.first; channel < reading.end; channel += 1) {
      this.takePull(channel, scale);
      if (this.channelPull.slope !== 0) return true;
    }
    return false;
  }

  /** Takes up how a channel pulls; answers by what its prediction goes with the scale of the volts. */
  private takePull(channel: number, scale: number): number {
    const { evidence, network, predicted } = this.evaluator;
    const kind = evidence.kinds[channel] as ChannelKind;
    const scaled = kind === 'lamp' ? scale : 1;
    pullOf(
      kind,
      evidence.observed[channel] as number,
      scaled * (predicted[channel] as number),
      network.circuit.nominalVolts,
      this.channelPull,
    );
    return scaled;
  }

  private pullChannel(channel: number, residuals: Float64Array, scale: number, slopes: Slopes | null): void {
    const scaled = this.takePull(channel, scale);
    const { residual, slope } = this.channelPull;
    residuals[channel] = residual;
    if (slopes === null || slope === 0) return;
    for (let at = 0; at < this.size; at += 1)
      slopes.jacobian[channel * this.size + at] = scaled * slope * slopes.of(channel, at);
  }

  private pullVolts(
    reading: ReadingEvidence,
    residuals: Float64Array,
    scales: Scales,
    slopes: Slopes | null,
  ): void {
    const { evidence, weighing, predicted } = this.evaluator;
    const { first, end, isOnOtherLeg } = reading;
    const scale = scaleAt(scales, isOnOtherLeg);
    const { size, whitening } = this;
    const count = end - first;
    weighing.voltsForms.whiten(reading, whitening);
    for (let row = 0; row < count; row += 1) {
      let sum = 0;
      for (let column = 0; column <= row; column += 1) {
        const channel = first + column;
        const short = scale * (predicted[channel] as number) - (evidence.observed[channel] as number);
        sum += (whitening[row * count + column] as number) * short;
      }
      residuals[first + row] = sum;
      if (slopes === null) continue;
      for (let at = 0; at < size; at += 1) {
        let slope = 0;
        for (let column = 0; column <= row; column += 1) {
          const channel = first + column;
          const value = predicted[channel] as number;
          let by: number;
          if (at === this.ownAt) by = (value * scale) / scales.own;
          else if (at === this.differenceAt) by = isOnOtherLeg ? scales.own * value : 0;
          else by = scale * slopes.of(channel, at);
          slope += (whitening[row * count + column] as number) * by;
        }
        slopes.jacobian[(first + row) * size + at] = slope;
      }
    }
  }

  readonly residuals = (x: Float64Array): Float64Array => {
    const { watts, supposed } = this.triedAt(x);
    this.evaluator.predict(supposed, false);
    return this.residualsOf(watts, this.scalesAt(x));
  };

  /** Residuals of what the evaluator predicted last. */
  residualsOf(watts: Float64Array, scales: Scales): Float64Array {
    const residuals = new Float64Array(this.readings + 1);
    this.pull(residuals, scales, null);
    residuals[this.readings] = this.unknownLoads ? excessOf(watts) : 0;
    return residuals;
  }

  /** Residuals and their slopes by what is fitted, row by row. */
  readonly linearize = (x: Float64Array) => {
    const { size, readings } = this;
    const { watts, supposed } = this.triedAt(x);
    const { branches, isLoad, quantity, siemensSlope } = this.branchesUnder(supposed, watts);
    const scales = this.scalesAt(x);
    const bySiemens = this.evaluator.predictWithSlopes(supposed, branches, isLoad, (reading) =>
      this.isPulled(reading, scaleOf(reading, scales)),
    );
    const residuals = new Float64Array(readings + 1);
    const jacobian = new Float64Array((readings + 1) * size);
    residuals[readings] = this.unknownLoads ? excessOf(watts) : 0;
    if ((residuals[readings] as number) > 0)
      this.free.forEach((outlet, position) => {
        const slope = this.isOn[position] ? (watts[outlet] as number) : 1;
        jacobian[readings * size + this.resistanceCount + position] = slope / excessSigma;
      });
    const count = branches.length;
    const byQuantity = new Float64Array(readings * size);
    for (let channel = 0; channel < readings; channel += 1)
      for (let branch = 0; branch < count; branch += 1) {
        const at = channel * size + (quantity[branch] as number);
        byQuantity[at] =
          (byQuantity[at] as number) +
          (bySiemens[channel * count + branch] as number) * (siemensSlope[branch] as number);
      }
    this.pull(residuals, scales, {
      jacobian,
      of: (channel, at) => byQuantity[channel * size + at] as number,
    });
    return { residuals, jacobian };
  };

  private branchesUnder(supposed: Supposed, watts: Float64Array): FittedBranches {
    const { network } = this.evaluator;
    const { nominalVolts } = network.circuit;
    const found: FittedBranches = { branches: [], isLoad: [], quantity: [], siemensSlope: [] };
    const add = (branch: Branch, isLoad: boolean, quantity: number, siemensSlope: number): void => {
      found.branches.push(branch);
      found.isLoad.push(isLoad);
      found.quantity.push(quantity);
      found.siemensSlope.push(siemensSlope);
    };
    this.hypothesis.resistances.forEach((position, which) => {
      const fault = supposed.faults[position];
      if (fault === undefined || !hasOhms(fault)) return;
      for (const branch of branchesOf(network, fault, supposed.faults))
        add(branch, false, which, -fault.ohms / branch.ohms ** 2);
    });
    this.free.forEach((outlet, position) => {
      const contact = network.outlets[outlet]?.contact;
      if (contact === undefined) return;
      const each = watts[outlet] as number;
      const branch = { a: contact.hot, b: contact.neutral, ohms: nominalVolts ** 2 / each };
      const slope = (this.isOn[position] ? each : 1) / nominalVolts ** 2;
      add(branch, true, this.resistanceCount + position, slope);
    });
    return found;
  }

  /** Logarithm of the share of the prior that does about as well as a fit; the scale is counted with the readings. */
  logShareOf(fit: Fit, pattern: LoadPattern | null): number {
    const { causes, faults, resistances } = this.hypothesis;
    const ohms = this.ohmsAt(fit.at);
    let logShare = wattsLogShare(pattern, this.wattsAt(fit.at)) + ohmsLogShare(fit, this.resistanceCount);
    for (const cause of causes) {
      const [one, other] = resistances.flatMap((position, which) =>
        cause.faults.includes(faults[position] as Fault) ? [ohms[which] as number] : [],
      );
      if (one !== undefined && other !== undefined) logShare += alikeLogShare(one, other);
    }
    return logShare;
  }
}
