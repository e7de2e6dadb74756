import { blankAsAdvised, type ChannelKind, type Reading, type Test } from '../../instruments/index.ts';
import type { Network } from '../../physics/index.ts';
import { Evaluator } from '../evidence/evaluator.ts';
import { evidenceOf, type OutletEvidence, scaledBy } from '../evidence/evidence.ts';
import { viewSize } from '../model/view-memory.ts';
import type { Foresight } from './foresight.ts';
import { alike, type WeighedExplanation } from './posterior.ts';

/** For every candidate, which of its outcomes each explanation predicts: explanations alike share a number, the leading one's is nought. */
export type Outcomes = readonly Int32Array[];

/** Volts at rest move by so much with loads that nobody knows of. */
const restingVolts = 2;

/** Gathers explanations that predict the same over some channels; `resting` are those that unknown loads move. */
export function outcomesOf(
  kinds: readonly ChannelKind[],
  resting: Uint8Array,
  predictions: readonly Float64Array[],
  spans: readonly (readonly [first: number, end: number])[],
): Int32Array {
  const outcomes = new Int32Array(predictions.length);
  const leaders: number[] = [];
  predictions.forEach((prediction, index) => {
    let outcome = leaders.findIndex((leader) => {
      const other = predictions[leader] as Float64Array;
      return (
        prediction === other ||
        spans.every(([first, end]) => {
          for (let channel = first; channel < end; channel += 1) {
            const [one, two] = [prediction[channel] as number, other[channel] as number];
            if (resting[channel] === 1 && Math.abs(one - two) <= restingVolts) continue;
            if (!alike(kinds[channel] as ChannelKind, one, two)) return false;
          }
          return true;
        })
      );
    });
    if (outcome === -1) {
      outcome = leaders.length;
      leaders.push(index);
    }
    outcomes[index] = outcome;
  });
  return outcomes;
}

/** Predicts tests under many explanations: where an outlet looks as under the leading one, it shows the same. */
export class Foreteller {
  readonly kinds: readonly ChannelKind[];
  readonly spans: (readonly [first: number, end: number])[] = [];
  /** 1 for volts that loads which nobody knows of may move. */
  readonly resting: Uint8Array;
  private readonly byForesight = new Map<Foresight, Evaluator>();
  private readonly tests: readonly Reading[];
  private leading: { readonly views: Float64Array; readonly predicted: Float64Array } | null = null;
  private leadingFails = false;

  constructor(network: Network, tests: readonly Test[], unknownLoads: boolean) {
    this.tests = tests.map(blankAsAdvised);
    const { kinds, states } = this.evidenceOn(network);
    this.kinds = kinds;
    this.resting = new Uint8Array(kinds.length);
    for (const { state, outlets } of states)
      for (const { readings } of outlets)
        for (const { position, first, end, hookup } of readings) {
          this.spans[position] = [first, end];
          const isResting = unknownLoads && hookup.load === 0 && state?.loadsOff !== true;
          for (let channel = first; channel < end; channel += 1)
            this.resting[channel] = isResting && kinds[channel] === 'volts' ? 1 : 0;
        }
  }

  private evidenceOn(network: Network) {
    return evidenceOf(network, { readings: this.tests, trippedBefore: null, afterRepair: [] });
  }

  private evaluatorFor(foresight: Foresight): Evaluator {
    const known = this.byForesight.get(foresight);
    if (known !== undefined) return known;
    const { network, memory, tolerance } = foresight.problem;
    const made = new Evaluator(network, this.evidenceOn(network), memory, tolerance);
    this.byForesight.set(foresight, made);
    return made;
  }

  predict(explanation: WeighedExplanation, leader: WeighedExplanation): Float64Array {
    const { foresight, fitted } = explanation;
    const { supposed, scales } =
      foresight === leader.foresight ? foresight.withLoadsOf(explanation, leader) : fitted;
    const evaluator = this.evaluatorFor(foresight);
    const { leading } = this;
    const views = leading === null ? new Float64Array(evaluator.evidence.slots * viewSize) : null;
    const { instruments = [] } = supposed;
    if (leading === null) this.leadingFails = instruments.length > 0;
    const mayCopy = leading !== null && instruments.length === 0 && !this.leadingFails;
    for (const state of evaluator.evidence.states) {
      const settled = evaluator.enter(state, supposed);
      for (const outlet of state.outlets) {
        evaluator.look(outlet.outlet);
        if (views !== null) evaluator.keepView(views, outlet.slot);
        if (mayCopy && leading !== null && outlet.isLocal && evaluator.looksAs(leading.views, outlet.slot))
          copyChannels(outlet, leading.predicted, evaluator.predicted);
        else for (const reading of outlet.readings) evaluator.readHere(reading, settled, instruments);
      }
    }
    const predicted = evaluator.predicted.slice();
    if (views !== null) this.leading = { views, predicted };
    return scaledBy(evaluator.evidence, predicted, scales);
  }
}

function copyChannels({ readings }: OutletEvidence, from: Float64Array, to: Float64Array): void {
  for (const { first, end } of readings)
    for (let channel = first; channel < end; channel += 1) to[channel] = from[channel] as number;
}
