import type { Load, Network } from '../circuit/index.ts';
import { Evaluator, type Supposed } from './evaluator.ts';
import { type ChannelKind, type Evidence, lampCode, type OutletEvidence, type ReadingEvidence, type StateEvidence } from './evidence.ts';
import { faultsWith, type Hypothesis } from './hypothesis.ts';

import { readingDeficit, type Tolerance } from './likelihood.ts';
import { loadsOfWatts } from './unknown-loads.ts';

/** Ohms between whose effects those of any bad connection lie. */
const extremeOhms = [0.1, 5, 100, 1e5] as const;
/** Unknown loads between whose effects those of others lie: watts at each outlet. */
const heavyWatts = 300;

/**
 * Refutes hypotheses without fitting anything: whatever the loads and ohms, a channel lies between its values at a
 * few extreme patterns, so what is observed outside of all of them counts against the hypothesis by its distance.
 * The answer bounds from below what a fit can reach.
 */
export class Screening {
  private readonly network: Network;
  private readonly evidence: Evidence;
  private readonly evaluators: Evaluator[] = [];
  private readonly nearest: Float64Array;
  private readonly loadExtremes: readonly (readonly Load[])[];
  private states: readonly StateEvidence[];

  constructor(network: Network, evidence: Evidence, unknownLoads: boolean) {
    this.network = network;
    this.evidence = evidence;
    this.nearest = new Float64Array(evidence.observed.length);
    this.states = evidence.states.filter(({ repaired }) => !repaired);
    this.loadExtremes = unknownLoads ? loadExtremes(network) : [network.circuit.loads];
  }

  /** Looks at the most telling states and outlets first from now on: those where the given deficits are greatest. */
  sortBy(deficitOf: (reading: ReadingEvidence) => number): void {
    const outletSum = ({ readings }: OutletEvidence): number =>
      readings.reduce((sum, reading) => sum + deficitOf(reading), 0);
    const stateSum = ({ outlets }: StateEvidence): number =>
      outlets.reduce((sum, outlet) => sum + outletSum(outlet), 0);
    this.states = this.states
      .map((state) => ({ ...state, outlets: state.outlets.toSorted((a, b) => outletSum(b) - outletSum(a)) }))
      .sort((a, b) => stateSum(b) - stateSum(a));
  }

  /** Nats by which the readings before repair must at least fall short of the likeliest; Infinity beyond the limit. */
  bound(hypothesis: Hypothesis, tolerance: Tolerance, limit: number): number {
    const patterns = this.patternsOf(hypothesis);
    while (this.evaluators.length < patterns.length)
      this.evaluators.push(new Evaluator(this.network, this.evidence));
    let sum = 0;
    for (const state of this.states) {
      const settled = patterns.map((pattern, index) => this.evaluator(index).enter(state, pattern));
      if (state.trippedBefore !== null) sum += this.readingBound(state.trippedBefore, patterns.length, tolerance);
      if (sum > limit) return Number.POSITIVE_INFINITY;
      for (const outlet of state.outlets) {
        settled.forEach((operation, index) => {
          this.evaluator(index).predictOutlet(outlet, operation);
        });
        for (const reading of outlet.readings) sum += this.readingBound(reading, patterns.length, tolerance);
        if (sum > limit) return Number.POSITIVE_INFINITY;
      }
    }
    return sum;
  }

  private evaluator(index: number): Evaluator {
    return this.evaluators[index] as Evaluator;
  }

  private patternsOf(hypothesis: Hypothesis): readonly Supposed[] {
    const { deviceStates, resistances } = hypothesis;
    const ohms = resistances.length === 0 ? [0] : extremeOhms;
    return this.loadExtremes.flatMap((loads) =>
      ohms.map((each) => ({
        faults: faultsWith(
          hypothesis,
          resistances.map(() => each),
        ),
        loads,
        deviceStates,
      })),
    );
  }

  private readingBound(reading: ReadingEvidence, patterns: number, tolerance: Tolerance): number {
    const { kinds, observed } = this.evidence;
    for (let channel = reading.first; channel < reading.end; channel += 1) {
      let low = Number.POSITIVE_INFINITY;
      let high = Number.NEGATIVE_INFINITY;
      for (let pattern = 0; pattern < patterns; pattern += 1) {
        const value = this.evaluator(pattern).predicted[channel] as number;
        if (value < low) low = value;
        if (value > high) high = value;
      }
      this.nearest[channel] = nearestTo(
        kinds[channel] as ChannelKind,
        observed[channel] as number,
        low,
        high,
      );
    }
    return readingDeficit(this.evidence, reading, this.nearest, tolerance);
  }
}

/** Within an interval of predictions, the one under which an observation is likeliest. */
function nearestTo(kind: ChannelKind, observed: number, low: number, high: number): number {
  if (kind === 'lamp') {
    if (observed === lampCode.lit) return high;
    return observed === lampCode.off ? low : Math.min(high, Math.max(low, 0.62));
  }
  if (kind === 'sounds') return observed === 1 ? high : low;
  return Math.min(high, Math.max(low, observed));
}

/** Nothing on, something heavy on everywhere, and on each leg alone. */
function loadExtremes(network: Network): readonly (readonly Load[])[] {
  const { circuit } = network;
  const where = (isOn: (outlet: number) => boolean): readonly Load[] =>
    loadsOfWatts(
      network,
      circuit.outlets.map((_, outlet) => (isOn(outlet) ? heavyWatts : 0)),
    );
  const extremes = [where(() => false), where(() => true)];
  if (new Set(circuit.outlets.map(({ leg }) => leg)).size > 1)
    extremes.push(
      where((outlet) => circuit.outlets[outlet]?.leg === 'L1'),
      where((outlet) => circuit.outlets[outlet]?.leg === 'L2'),
    );
  return extremes;
}
