import type { Load } from '../../circuit/index.ts';
import { hasOhms } from '../../faults/index.ts';
import { type ChannelKind, lampCode } from '../../instruments/index.ts';
import type { Leg, Network, Operation } from '../../physics/index.ts';
import { Evaluator, failAlike, type Reference, type Supposed, scatterOf } from '../evidence/evaluator.ts';
import type { Evidence, OutletEvidence, ReadingEvidence, StateEvidence } from '../evidence/evidence.ts';
import type { Tolerance } from '../evidence/likelihood.ts';
import type { DiagnosisProblem } from '../evidence/problem.ts';
import { unsettled } from '../evidence/volts-form.ts';
import { Weighing } from '../evidence/weighing.ts';
import type { Cause } from '../model/cause.ts';
import { faultsWith, type Hypothesis } from '../model/hypothesis.ts';
import type { InstrumentFault } from '../model/instrument-fault.ts';
import { evenly, scaleAt } from '../model/scales.ts';
import { fedThrough, loadsOfWatts, mostWatts } from '../model/unknown-loads.ts';
import type { ViewMemory } from '../model/view-memory.ts';

/** Ohms between whose effects those of any bad connection lie; the middling ones are tried with few patterns of loads. */
const extremeOhms = [0.1, 1e5] as const;
const middlingOhms = [8] as const;
/** A light load, in watts; the heavy ones come to all that a circuit carries. */
const lightWatts = 30;
/** What lies between the extremes may still bulge out of them by so much, in standard deviations of a meter. */
const bulge = 2;

/**
 * Refutes hypotheses without fitting anything: whatever the loads and ohms, a channel lies between its values at a
 * few extreme patterns, so what is observed outside of all of them counts against the hypothesis by its distance.
 * The answer bounds from below what a fit can reach.
 */
export class Screening {
  private readonly network: Network;
  private readonly evidence: Evidence;
  private readonly memory: ViewMemory;
  private readonly evaluators: Evaluator[] = [];
  /** Holds the nearest of what is predicted against what was read. */
  private readonly nearest: Weighing;
  private readonly tolerance: Tolerance;
  private readonly loadExtremes: readonly (readonly Load[])[];
  private states: readonly StateEvidence[];
  private reference: Reference | null = null;
  /** What is led further, seen under each extreme of the loads. */
  private views: readonly Float64Array[] = [];

  constructor({ network, evidence, memory, unknownLoads, tolerance }: DiagnosisProblem) {
    this.network = network;
    this.evidence = evidence;
    this.memory = memory;
    this.tolerance = tolerance;
    this.nearest = new Weighing(
      evidence,
      network.circuit.nominalVolts,
      unknownLoads ? bulging(tolerance) : tolerance,
    );
    this.states = evidence.states.filter(({ repaired }) => !repaired);
    this.loadExtremes = unknownLoads ? loadExtremes(network) : [network.circuit.loads];
  }

  /**
   * Takes up the hypothesis that is led further: where a child looks like it, its readings need not be predicted
   * again, and the outlets where it fits worst are looked at first.
   */
  leadFrom(reference: Reference, { faults, deviceStates }: Supposed): void {
    this.reference = reference;
    this.views = this.loadExtremes.map((loads) =>
      this.evaluatorFor(0).viewsOf({ faults, deviceStates, loads }),
    );
    const shortfall = ({ slot }: OutletEvidence): number => reference.deficits[slot] as number;
    const worst = ({ outlets }: StateEvidence): number => Math.max(0, ...outlets.map(shortfall));
    this.states = this.states
      .map((state) => ({ ...state, outlets: state.outlets.toSorted((a, b) => shortfall(b) - shortfall(a)) }))
      .sort((a, b) => worst(b) - worst(a));
  }

  /**
   * Nats by which the readings before repair must at least fall short of the likeliest; Infinity beyond the limit. The
   * states and outlets are looked at in the order given.
   */
  bound(hypothesis: Hypothesis, limit: number, states: readonly StateEvidence[] = this.states): number {
    const patterns = this.patternsOf(hypothesis);
    const [only] = patterns;
    // Nothing is free: what it falls short by is no bound but the thing itself.
    if (patterns.length === 1 && only !== undefined)
      return this.evaluatorFor(0).deficit(only, false, limit, this.reference, states);
    this.nearest.scales = this.reference?.scales ?? evenly(1);
    const views = patterns.map(({ loads }) => this.views[this.loadExtremes.indexOf(loads)]);
    let sum = 0;
    // What was not looked at yet falls short by no less than its floor.
    const floors = this.reference?.floors;
    let left = floors?.reduce((all, each) => all + each, 0) ?? 0;
    for (const state of states) {
      const settled = patterns.map((pattern, index) => this.evaluatorFor(index).enter(state, pattern));
      if (state.trippedBefore !== null) sum += this.readingBound(state.trippedBefore, patterns.length);
      for (const outlet of state.outlets) {
        sum += this.outletBound(outlet, settled, views, hypothesis.instruments);
        left -= floors?.[outlet.slot] ?? 0;
        if (sum + left > limit) return Number.POSITIVE_INFINITY;
      }
    }
    return sum;
  }

  /** True of several bad connections together where all that is read beyond them is accounted for: none by itself would show either. */
  hasNothingToExplain({ faults }: Cause): boolean {
    const { reference, network } = this;
    const [first, ...more] = faults.filter(hasOhms);
    if (reference === null || first === undefined || more.length === 0) return false;
    return ![...fedThrough(network, first)].some((outlet) => reference.misfitsAt.has(outlet));
  }

  /** What was read, what is beside a cause first, for there most are refuted; then where what is led further fits worst. */
  statesFrom(site: Cause['site']): readonly StateEvidence[] {
    if ('instrument' in site) return this.states;
    const { circuit, topology } = this.network;
    const beside =
      'cable' in site ? topology.outletIndex.get(circuit.cables[site.cable]?.to ?? '') : site.outlet;
    return this.states.map((state) => {
      const here = state.outlets.find(({ outlet }) => outlet === beside);
      if (here === undefined || here === state.outlets[0]) return state;
      return { ...state, outlets: [here, ...state.outlets.filter((other) => other !== here)] };
    });
  }

  private outletBound(
    outlet: OutletEvidence,
    settled: readonly Operation[],
    views: readonly (Float64Array | undefined)[],
    instruments: readonly InstrumentFault[],
  ): number {
    const { reference } = this;
    let looksAlike = reference !== null && outlet.isLocal && failAlike(instruments, reference.instruments);
    for (let index = 0; index < settled.length; index += 1) {
      const evaluator = this.evaluatorFor(index);
      evaluator.look(outlet.outlet);
      const view = views[index];
      looksAlike &&= view !== undefined && evaluator.looksAs(view, outlet.slot);
    }
    if (looksAlike && reference !== null) return reference.deficits[outlet.slot] as number;
    let sum = 0;
    for (const reading of outlet.readings) {
      settled.forEach((operation, index) => {
        this.evaluatorFor(index).readHere(reading, operation, instruments);
      });
      const bound = this.readingBound(reading, settled.length);
      // Where what is led further fits as well as scatter lets it, no loads and no ohms make a child fit better.
      sum += reference === null ? bound : Math.max(bound, floorOf(reading, reference));
    }
    return sum;
  }

  private evaluatorFor(index: number): Evaluator {
    while (this.evaluators.length <= index)
      this.evaluators.push(new Evaluator(this.network, this.evidence, this.memory, this.tolerance));
    return this.evaluators[index] as Evaluator;
  }

  private patternsOf(hypothesis: Hypothesis): readonly Supposed[] {
    const { deviceStates, resistances, instruments } = hypothesis;
    const ohmsFor = (extreme: number): readonly number[] => {
      if (resistances.length === 0) return [0];
      return extreme === 0 ? [...extremeOhms, ...middlingOhms] : extremeOhms;
    };
    return this.loadExtremes.flatMap((loads, extreme) =>
      ohmsFor(extreme).map((each) => ({
        faults: faultsWith(
          hypothesis,
          resistances.map(() => each),
        ),
        loads,
        deviceStates,
        instruments,
      })),
    );
  }

  private readingBound(reading: ReadingEvidence, patterns: number): number {
    const { kinds, observed } = this.evidence;
    const { nearest } = this;
    const scale = scaleAt(nearest.scales, reading.isOnOtherLeg);
    for (let channel = reading.first; channel < reading.end; channel += 1) {
      let low = Number.POSITIVE_INFINITY;
      let high = Number.NEGATIVE_INFINITY;
      let adrift = 0;
      for (let pattern = 0; pattern < patterns; pattern += 1) {
        const { weighing } = this.evaluatorFor(pattern);
        const value = weighing.predicted[channel] as number;
        if (value < low) low = value;
        if (value > high) high = value;
        adrift += weighing.adrift[channel] as number;
      }
      const kind = kinds[channel] as ChannelKind;
      const seen = (observed[channel] as number) / (kind === 'volts' ? scale : 1);
      nearest.predicted[channel] = nearestTo(kind, seen, low, high);
      nearest.adrift[channel] = adrift === 0 ? 0 : adrift === patterns ? 1 : unsettled;
    }
    return nearest.leastOf(reading);
  }
}

/** Nats by which a reading falls short through scatter alone; nought where it falls short by more. */
function floorOf(reading: ReadingEvidence, { readingDeficits }: Reference): number {
  const short = readingDeficits[reading.index] as number;
  return short <= scatterOf(reading) ? short : 0;
}

const bulging = (tolerance: Tolerance): Tolerance => ({
  ...tolerance,
  noiseVolts: bulge * tolerance.noiseVolts,
});

/** Within an interval of predictions, the one under which an observation is likeliest. */
function nearestTo(kind: ChannelKind, observed: number, low: number, high: number): number {
  if (kind === 'lamp') {
    if (observed === lampCode.lit) return high;
    return observed === lampCode.off ? low : Math.min(high, Math.max(low, 0.62));
  }
  if (kind === 'sounds') return observed === 1 ? high : low;
  return Math.min(high, Math.max(low, observed));
}

/** Nothing on, all that the circuit carries, and, where two legs share a neutral, either leg the heavier. */
function loadExtremes(network: Network): readonly (readonly Load[])[] {
  const { circuit } = network;
  const onLeg = (leg: Leg): number => circuit.outlets.filter((outlet) => outlet.leg === leg).length;
  const heavy = { L1: mostWatts / onLeg('L1'), L2: mostWatts / onLeg('L2') };
  const byLeg = (L1: number, L2: number): readonly Load[] =>
    loadsOfWatts(
      network,
      circuit.outlets.map(({ leg }) => (leg === 'L1' ? L1 : L2)),
    );
  const extremes = [byLeg(0, 0), byLeg(heavy.L1, heavy.L2)];
  if (onLeg('L1') > 0 && onLeg('L2') > 0)
    extremes.push(
      byLeg(heavy.L1, 0),
      byLeg(0, heavy.L2),
      byLeg(heavy.L1, lightWatts),
      byLeg(lightWatts, heavy.L2),
      byLeg(lightWatts, lightWatts),
    );
  return extremes;
}
