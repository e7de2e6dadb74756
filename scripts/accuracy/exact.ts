import type { Circuit } from '@fair-plug/core/circuit';
import { networkOf } from '@fair-plug/core/circuit';
import { Evaluator } from '@fair-plug/core/engine/evidence/evaluator.ts';
import { type Evidence, evidenceOf, type ReadingEvidence } from '@fair-plug/core/engine/evidence/evidence.ts';
import { fineTolerance } from '@fair-plug/core/engine/evidence/likelihood.ts';
import type { OutletConditions } from '@fair-plug/core/engine/evidence/outlet-conditions.ts';
import { Weighing } from '@fair-plug/core/engine/evidence/weighing.ts';
import { type Cause, clash } from '@fair-plug/core/engine/model/cause.ts';
import { evenly } from '@fair-plug/core/engine/model/scales.ts';
import type { Fault } from '@fair-plug/core/faults';
import { blank, type Reading, type Test } from '@fair-plug/core/instruments';
import type { ConditionId } from '@fair-plug/core/knowledge';

/** Ohms by which the log-normal of bad connections is sampled evenly in probability. */
const quantiles = (count: number): readonly number[] =>
  Array.from({ length: count }, (_, index) =>
    Math.exp(Math.log(3) + 2 * inverseNormal((index + 0.5) / count)),
  );

/** Inverse of the normal distribution, by bisection. */
function inverseNormal(p: number): number {
  let low = -6;
  let high = 6;
  for (let step = 0; step < 60; step += 1) {
    const middle = (low + high) / 2;
    if (0.5 * (1 + erf(middle / Math.SQRT2)) < p) low = middle;
    else high = middle;
  }
  return low;
}

/** Abramowitz and Stegun 7.1.26, from memory. */
function erf(x: number): number {
  const t = 1 / (1 + 0.3275911 * Math.abs(x));
  const y =
    1 -
    ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) *
      t *
      Math.exp(-x * x);
  return x < 0 ? -y : y;
}

const singleOhms = quantiles(24);
const pairOhms = quantiles(3);
const twofoldOhms = quantiles(2);

interface Enumerated {
  readonly name: string;
  readonly faults: readonly Fault[];
  readonly logPrior: number;
  readonly predicted: Float64Array;
  readonly adrift: Uint8Array;
}

/**
 * The best that any method can do with the readings: every set of at most two causes, every ohm of a fine sample, held
 * against all that was read. Predictions of a circuit are made once, for all its instruments at all outlets.
 */
export class Exact {
  private readonly all: readonly Enumerated[];
  private readonly evidence: Evidence;

  constructor(circuit: Circuit, causes: readonly Cause[], instruments: readonly Test['instrument'][]) {
    const network = networkOf(circuit);
    this.evidence = evidenceOf(network, {
      readings: circuit.outlets.flatMap(({ id }) =>
        instruments.map((instrument) => blank({ at: id, instrument } as Test)),
      ),
      trippedBefore: null,
      afterRepair: [],
    });
    const evaluator = new Evaluator(network, this.evidence);
    const all: Enumerated[] = [];
    const add = (set: readonly Cause[], ohms: readonly number[]): void => {
      let which = 0;
      const faults = set.flatMap(({ faults: own }) =>
        own.map((fault) => {
          if (fault.kind !== 'resistance') return fault;
          which += 1;
          return { ...fault, ohms: Math.min(1e5, Math.max(0.1, ohms[which - 1] ?? 3)) };
        }),
      );
      evaluator.predict({ faults, loads: circuit.loads, deviceStates: [] }, false);
      all.push({
        name: nameOf(set),
        faults,
        logPrior: set.reduce((sum, { logOdds }) => sum + logOdds, 0),
        predicted: evaluator.predicted.slice(),
        adrift: evaluator.weighing.adrift.slice(),
      });
    };
    const spread = (set: readonly Cause[], sample: readonly number[]): void => {
      const before = all.length;
      const count = set.filter(({ resistance }) => resistance !== -1).length;
      if (count === 0) add(set, []);
      else if (count === 1) for (const ohms of sample) add(set, [ohms]);
      else for (const a of twofoldOhms) for (const b of twofoldOhms) add(set, [a, b]);
      const made = all.length - before;
      for (let index = before; index < all.length; index += 1) {
        const one = all[index] as Enumerated;
        all[index] = { ...one, logPrior: one.logPrior - Math.log(made) };
      }
    };
    spread([], []);
    for (const cause of causes) spread([cause], singleOhms);
    causes.forEach((a, index) => {
      for (const b of causes.slice(index + 1)) if (!clash(a, b)) spread([a, b], pairOhms);
    });
    this.all = all;
  }

  /** Probability of every set of causes that matters, by name. */
  posterior(circuit: Circuit, readings: readonly Reading[]): ReadonlyMap<string, number> {
    const sums = new Map<string, number>();
    this.sharesOf(circuit, readings).forEach((share, index) => {
      if (share === 0) return;
      const { name } = this.all[index] as Enumerated;
      sums.set(name, (sums.get(name) ?? 0) + share);
    });
    return sums;
  }

  /** Probability of what holds at an outlet, by its position. */
  probabilityOf(
    holds: ConditionId,
    outlet: number,
    { circuit, readings, truth }: { circuit: Circuit; readings: readonly Reading[]; truth: OutletConditions },
  ): number {
    return this.sharesOf(circuit, readings).reduce((sum, share, index) => {
      if (share === 0) return sum;
      const { faults } = this.all[index] as Enumerated;
      const under = truth.under({ faults, loads: circuit.loads, deviceStates: [] });
      return under[outlet] === holds ? sum + share : sum;
    }, 0);
  }

  /** Probability of each set of causes with given ohms. */
  private sharesOf(circuit: Circuit, readings: readonly Reading[]): readonly number[] {
    const observed = evidenceOf(networkOf(circuit), { readings, trippedBefore: null, afterRepair: [] });
    const spans = new Map<string, number>();
    for (const { outlets } of this.evidence.states)
      for (const { outlet, readings: own } of outlets)
        for (const { instrument, first } of own) spans.set(`${outlet} ${instrument}`, first);
    const compiled: (readonly [reading: ReadingEvidence, from: number])[] = [];
    for (const { outlets } of observed.states)
      for (const { outlet, readings: own } of outlets)
        for (const reading of own)
          compiled.push([reading, spans.get(`${outlet} ${reading.instrument}`) ?? 0]);
    const weighing = new Weighing(observed, circuit.nominalVolts, fineTolerance);
    let most = Number.NEGATIVE_INFINITY;
    const weights = this.all.map(({ logPrior, predicted, adrift }) => {
      weighing.begin();
      weighing.scales = evenly(1);
      let least = 0;
      for (const [reading, from] of compiled) {
        for (let channel = reading.first; channel < reading.end; channel += 1) {
          weighing.predicted[channel] = predicted[from + channel - reading.first] as number;
          weighing.adrift[channel] = adrift[from + channel - reading.first] as number;
        }
        least += weighing.take(reading);
        if (logPrior - least < most - 25) return Number.NEGATIVE_INFINITY;
      }
      const weight = logPrior - weighing.weigh();
      most = Math.max(most, weight);
      return weight;
    });
    const shares = weights.map((weight) => Math.exp(weight - most));
    const total = shares.reduce((sum, share) => sum + share, 0);
    return shares.map((share) => share / total);
  }
}

export const nameOf = (set: readonly Cause[]): string =>
  set
    .map(({ index }) => index)
    .sort((a, b) => a - b)
    .join('+');
