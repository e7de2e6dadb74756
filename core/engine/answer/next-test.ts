import {
  blank,
  type ChannelKind,
  type InstrumentId,
  instrumentIds,
  instruments,
  type Reading,
  type Test,
  type TestState,
} from '../../instruments/index.ts';
import { type ConditionId, conditionIds, conditions } from '../../knowledge/index.ts';
import type { Network } from '../../physics/index.ts';
import { Evaluator } from '../evidence/evaluator.ts';
import { evidenceOf } from '../evidence/evidence.ts';
import type { ViewMemory } from '../model/view-memory.ts';
import { alike, type OutletOpinion, type Weighed, type WeighedExplanation } from './posterior.ts';
import { isSafe } from './safe-test.ts';

/** What a test is worth doing for. */
export type Telling =
  /** Where the cause sits. */
  | { readonly kind: 'place' }
  /** What holds at an outlet from what else may hold there, and from how much besides. */
  | {
      readonly kind: 'condition';
      readonly at: string;
      readonly from: ConditionId;
      readonly to: ConditionId;
      readonly more: number;
    };

/** A test worth doing, and why. */
export interface NextTest {
  readonly at: string;
  readonly instrument: InstrumentId;
  /** Where the test is to be made in another state of the circuit than it stands in. */
  readonly state?: TestState;
  readonly tells: Telling;
}

/** A test that might be made. */
export interface Candidate {
  readonly test: Test;
  readonly outlet: number;
  readonly cost: number;
}

const byTime = instrumentIds.toSorted((a, b) => instruments[a].seconds - instruments[b].seconds);
/** Going to another receptacle costs more than staying at this one. */
const walkSeconds = 20;
/** Unplugging and switching off everything on a circuit. */
export const loadsOffSeconds = 150;
/** A dangerous condition overlooked weighs as much as so many harmless doubts. */
const stakes = 10;
/** So many explanations carry the answer; the rest weigh next to nothing. */
export const mostExplanations = 48;
/** Nats (of weighed doubt) below which a test would change nothing. */
const leastGain = 2e-3;

/** Question about a circuit whose next test is looked for. */
export interface NextTestQuestion {
  readonly network: Network;
  readonly memory: ViewMemory;
  readonly readings: readonly Reading[];
  readonly explanations: readonly WeighedExplanation[];
  readonly outlets: readonly OutletOpinion[];
  readonly kit: ReadonlySet<InstrumentId>;
}

const sameState = (a: TestState | undefined, b: TestState | undefined): boolean =>
  (a?.loadsOff === true) === (b?.loadsOff === true) &&
  (a?.breakerOff === true) === (b?.breakerOff === true) &&
  (a?.tripped ?? []).join() === (b?.tripped ?? []).join();

/** All tests that the kit holds, that were not made yet, and that endanger nobody as things stand. */
function candidatesOf({ network, readings, outlets, kit }: NextTestQuestion): readonly Candidate[] {
  const candidates: Candidate[] = [];
  const states: readonly (TestState | undefined)[] = [undefined, { loadsOff: true }];
  network.circuit.outlets.forEach(({ id }, outlet) => {
    const opinion = outlets[outlet];
    if (opinion === undefined) return;
    for (const state of states)
      for (const instrument of byTime) {
        if (!kit.has(instrument)) continue;
        if (state !== undefined && instruments[instrument].withLoadsOff === undefined) continue;
        const isDone = readings.some(
          (one) => one.at === id && one.instrument === instrument && sameState(one.state, state),
        );
        if (isDone || !isPossible(network, readings, opinion, instrument, outlet)) continue;
        candidates.push({
          test: { at: id, instrument, ...(state === undefined ? {} : { state }) } as Test,
          outlet,
          cost: instruments[instrument].seconds + (state === undefined ? 0 : loadsOffSeconds),
        });
      }
  });
  return candidates;
}

/** Safe as far as the outlet goes; besides, no load test through aluminum, and no button where there is no device. */
function isPossible(
  network: Network,
  readings: readonly Reading[],
  opinion: OutletOpinion,
  instrument: InstrumentId,
  outlet: number,
): boolean {
  if (!isSafe(instrument, opinion, readings)) return false;
  switch (instruments[instrument].needs) {
    case 'copper':
      return isCopperTo(network, outlet);
    case 'own-device':
      return network.devices.some((device) => device.outlet === outlet);
    case 'device':
      return network.devices.length > 0;
    default:
      return true;
  }
}

function isCopperTo({ circuit }: Network, outlet: number): boolean {
  for (let at = circuit.outlets[outlet]?.id; at !== undefined && at !== 'panel'; ) {
    const into = circuit.cables.filter((cable) => cable.to === at);
    if (into.some(({ metal }) => metal !== 'copper')) return false;
    at = into[0]?.from;
  }
  return true;
}

/**
 * For every explanation, which of the outcomes of a test it predicts: explanations alike share a number. A prediction
 * holds the channels from `first` to `end` of what the explanation predicts.
 */
export function outcomesOf(
  kinds: readonly ChannelKind[],
  predictions: readonly Float64Array[],
  first: number,
  end: number,
): Int32Array {
  const outcomes = new Int32Array(predictions.length);
  const leaders: number[] = [];
  predictions.forEach((prediction, index) => {
    let outcome = leaders.findIndex((leader) => {
      const other = predictions[leader] as Float64Array;
      for (let channel = first; channel < end; channel += 1)
        if (!alike(kinds[channel] as ChannelKind, prediction[channel] as number, other[channel] as number))
          return false;
      return true;
    });
    if (outcome === -1) {
      outcome = leaders.length;
      leaders.push(index);
    }
    outcomes[index] = outcome;
  });
  return outcomes;
}

/** Mutual information, in nats, between what a test would show and what is asked; both count from nought. */
function information(outcomes: Int32Array, answers: Int32Array, weights: readonly number[]): number {
  const size = weights.length;
  const joint = new Float64Array(size * size);
  const byOutcome = new Float64Array(size);
  const byAnswer = new Float64Array(size);
  for (let index = 0; index < size; index += 1) {
    const outcome = outcomes[index] as number;
    const answer = answers[index] as number;
    const weight = weights[index] as number;
    joint[outcome * size + answer] = (joint[outcome * size + answer] as number) + weight;
    byOutcome[outcome] = (byOutcome[outcome] as number) + weight;
    byAnswer[answer] = (byAnswer[answer] as number) + weight;
  }
  let sum = 0;
  for (let outcome = 0; outcome < size && (byOutcome[outcome] as number) > 0; outcome += 1)
    for (let answer = 0; answer < size && (byAnswer[answer] as number) > 0; answer += 1) {
      const weight = joint[outcome * size + answer] as number;
      if (weight > 0)
        sum += weight * Math.log(weight / ((byOutcome[outcome] as number) * (byAnswer[answer] as number)));
    }
  return sum;
}

/** Of all the tests that might be made, the one that tells most for its cost, outlet by outlet; null where none tells anything. */
export function nextTests(question: NextTestQuestion): readonly (NextTest | null)[] {
  const { network, memory, outlets } = question;
  const explanations = question.explanations.slice(0, mostExplanations);
  const candidates = candidatesOf(question);
  if (explanations.length < 2 || candidates.length === 0) return outlets.map(() => null);
  const evidence = evidenceOf(network, {
    readings: candidates.map(({ test }) => blank(test)),
    trippedBefore: null,
    afterRepair: [],
  });
  const evaluator = new Evaluator(network, evidence, memory);
  const predictions = explanations.map(({ fitted: { supposed } }) => {
    evaluator.predict(supposed, false);
    return evaluator.predicted.slice();
  });
  const outcomes = new Array<Int32Array>(candidates.length);
  for (const { outlets: read } of evidence.states)
    for (const { readings } of read)
      for (const { position, first, end } of readings)
        outcomes[position] = outcomesOf(evidence.kinds, predictions, first, end);
  const chooser = testChooser(explanations, candidates, outcomes);
  return outlets.map(({ id }, outlet) => chooser(id, outlet));
}

/** Chooses the best of some tests for an outlet; `outcomes` has a row for each test, in the order of the explanations. */
export function testChooser(
  explanations: readonly Weighed[],
  candidates: readonly Candidate[],
  outcomes: readonly Int32Array[],
): (id: string, outlet: number) => NextTest | null {
  const weights = stakedWeights(explanations);
  const places = Int32Array.from(explanations, (_, index) => index);
  const aboutPlaces = outcomes.map((outcome) => information(outcome, places, weights));
  return (id, outlet) => {
    const answers = conditionNumbers(explanations, outlet);
    let best = -1;
    let bestWorth = 0;
    outcomes.forEach((outcome, position) => {
      const candidate = candidates[position];
      if (candidate === undefined) return;
      // What it says of this outlet counts first; where the cause sits, less.
      const gain = information(outcome, answers, weights) + 0.15 * (aboutPlaces[position] ?? 0);
      const worth = gain / (candidate.cost + (candidate.outlet === outlet ? 0 : walkSeconds));
      if (gain < leastGain || worth <= bestWorth) return;
      best = position;
      bestWorth = worth;
    });
    const test = candidates[best]?.test;
    const outcome = outcomes[best];
    if (test === undefined || outcome === undefined) return null;
    return {
      at: test.at,
      instrument: test.instrument,
      ...(test.state === undefined ? {} : { state: test.state }),
      tells: toldBy(id, outlet, explanations, outcome),
    };
  };
}

/** Probabilities with danger given its stakes. */
function stakedWeights(explanations: readonly Weighed[]): readonly number[] {
  const weighed = explanations.map(
    ({ probability, conditions: here }) =>
      probability * (here.some((id) => conditions[id].dangerous) ? stakes : 1),
  );
  const total = weighed.reduce((sum, weight) => sum + weight, 0);
  return weighed.map((weight) => weight / total);
}

function conditionNumbers(explanations: readonly Weighed[], outlet: number): Int32Array {
  const numbers = new Map<ConditionId | undefined, number>();
  return Int32Array.from(explanations, ({ conditions: here }) => {
    const condition = here[outlet];
    const known = numbers.get(condition) ?? numbers.size;
    numbers.set(condition, known);
    return known;
  });
}

/** What a test tells at an outlet: what leads there from the most dangerous of what it shows otherwise. */
function toldBy(at: string, outlet: number, explanations: readonly Weighed[], outcomes: Int32Array): Telling {
  const leading = explanations[0]?.conditions[outlet];
  const others = new Set<ConditionId>();
  explanations.forEach(({ conditions: here }, index) => {
    const other = here[outlet];
    if (other !== undefined && other !== leading && outcomes[index] !== outcomes[0]) others.add(other);
  });
  const [most, ...more] = conditionIds.filter((id) => others.has(id));
  return leading === undefined || most === undefined
    ? { kind: 'place' }
    : { kind: 'condition', at, from: leading, to: most, more: more.length };
}
