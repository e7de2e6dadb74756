import type { InstrumentId, Network, Reading, Test, TestState } from '../circuit/index.ts';
import { type ConditionId, conditions } from '../conditions/index.ts';
import { lampsOf, pairs } from '../instruments/index.ts';
import { Evaluator } from './evaluator.ts';
import { type ChannelKind, type Evidence, evidenceOf } from './evidence.ts';
import { alike, type OutletOpinion, type WeighedExplanation } from './posterior.ts';

/** A test worth doing, and why. */
export interface NextTest {
  readonly at: string;
  readonly instrument: InstrumentId;
  /** Where the test is to be made in another state of the circuit than it stands in. */
  readonly state?: TestState;
  readonly why: string;
}

/** A test that might be made. */
interface Candidate {
  readonly test: Test;
  readonly outlet: number;
  readonly cost: number;
}

/**
 * What a test costs: seconds of the inspector's time first, and with them what it asks of the occupants (common
 * practice). Going to another receptacle costs more than staying at this one.
 */
const secondsOf: Readonly<Record<InstrumentId, number>> = {
  lamps: 5,
  probe: 10,
  meter: 25,
  'meter-low': 30,
  'earth-meter': 60,
  loaded: 40,
  'gfci-button': 90,
  'own-button': 60,
};
const walkSeconds = 20;
/** Unplugging and switching off everything on a circuit. */
const loadsOffSeconds = 150;
/** A dangerous condition overlooked weighs as much as so many harmless doubts. */
const stakes = 10;
/** So many explanations carry the answer; the rest weigh next to nothing. */
const mostExplanations = 48;
/** Nats (of weighed doubt) below which a test would change nothing. */
const leastGain = 2e-4;

const liveGround: ReadonlySet<ConditionId> = new Set([
  'energized-ground',
  'reversed-bootleg-ground',
  'hot-ground-reversed',
]);
const floatingGround: ReadonlySet<ConditionId> = new Set([
  ...liveGround,
  'open-ground',
  'open-neutral',
]);

const mayBe = ({ condition, notRuledOut }: OutletOpinion, ids: ReadonlySet<ConditionId>): boolean =>
  condition === 'undetermined' || ids.has(condition) || notRuledOut.some((id) => ids.has(id));

/** Question about a circuit whose next test is looked for. */
export interface NextTestQuestion {
  readonly network: Network;
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
      for (const instrument of Object.keys(secondsOf) as InstrumentId[]) {
        if (!kit.has(instrument) || (state !== undefined && instrument !== 'lamps' && instrument !== 'meter')) continue;
        const isDone = readings.some(
          (one) => one.at === id && one.instrument === instrument && sameState(one.state, state),
        );
        if (isDone || !isSafe(network, readings, opinion, instrument, outlet)) continue;
        candidates.push({
          test: { at: id, instrument, ...(state === undefined ? {} : { state }) } as Test,
          outlet,
          cost: secondsOf[instrument] + (state === undefined ? 0 : loadsOffSeconds),
        });
      }
  });
  return candidates;
}

/**
 * No load test where a ground may be live or through aluminum; no tester's button but where lamps read correct and
 * the ground is sure to hold; no own button where there is no device.
 */
function isSafe(
  network: Network,
  readings: readonly Reading[],
  opinion: OutletOpinion,
  instrument: InstrumentId,
  outlet: number,
): boolean {
  if (instrument === 'loaded') return !mayBe(opinion, liveGround) && isCopperTo(network, outlet);
  if (instrument === 'own-button') return network.devices.some((device) => device.outlet === outlet);
  if (instrument !== 'gfci-button') return true;
  const correct = lampsOf('hn-hg');
  const readsCorrect = readings.some(
    (one) => one.at === opinion.id && one.instrument === 'lamps' && pairs.every((pair) => one[pair] === correct[pair]),
  );
  return readsCorrect && network.devices.length > 0 && !mayBe(opinion, floatingGround);
}

function isCopperTo({ circuit }: Network, outlet: number): boolean {
  for (let at = circuit.outlets[outlet]?.id; at !== undefined && at !== 'panel'; ) {
    const into = circuit.cables.filter((cable) => cable.to === at);
    if (into.some(({ metal }) => metal !== 'copper')) return false;
    at = into[0]?.from;
  }
  return true;
}

/** For every explanation, which of the outcomes of a test it predicts: explanations alike share a number. */
function outcomesOf(evidence: Evidence, predictions: readonly Float64Array[], first: number, end: number): Int32Array {
  const outcomes = new Int32Array(predictions.length);
  const leaders: number[] = [];
  predictions.forEach((prediction, index) => {
    let outcome = leaders.findIndex((leader) => {
      const other = predictions[leader] as Float64Array;
      for (let channel = first; channel < end; channel += 1)
        if (!alike(evidence.kinds[channel] as ChannelKind, prediction[channel] as number, other[channel] as number))
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

/** Mutual information, in nats, between what a test would show and what is asked. */
function information(outcomes: Int32Array, answers: ArrayLike<number>, weights: readonly number[]): number {
  const joint = new Map<number, number>();
  const byOutcome = new Map<number, number>();
  const byAnswer = new Map<number, number>();
  const add = (sums: Map<number, number>, key: number, weight: number): void => {
    sums.set(key, (sums.get(key) ?? 0) + weight);
  };
  weights.forEach((weight, index) => {
    const outcome = outcomes[index] as number;
    const answer = answers[index] as number;
    add(joint, outcome * 4096 + answer, weight);
    add(byOutcome, outcome, weight);
    add(byAnswer, answer, weight);
  });
  let sum = 0;
  for (const [key, weight] of joint)
    if (weight > 0)
      sum +=
        weight * Math.log(weight / ((byOutcome.get(Math.floor(key / 4096)) ?? 1) * (byAnswer.get(key % 4096) ?? 1)));
  return sum;
}

/** Of all the tests that might be made, the one that tells most for its cost, outlet by outlet; null where none tells anything. */
export function nextTests(question: NextTestQuestion): readonly (NextTest | null)[] {
  const { network, outlets } = question;
  const explanations = worthTelling(question);
  const candidates = candidatesOf(question);
  if (explanations.length < 2 || candidates.length === 0) return outlets.map(() => null);
  const evidence = evidenceOf(network, {
    readings: candidates.map(({ test }) => blank(test)),
    trippedBefore: null,
    afterRepair: [],
  });
  const evaluator = new Evaluator(network, evidence);
  const predictions = explanations.map(({ fitted: { supposed } }) => {
    evaluator.predict(supposed, false);
    return evaluator.predicted.slice();
  });
  const spans = new Map<number, readonly [first: number, end: number]>();
  for (const { outlets: read } of evidence.states)
    for (const { readings } of read) for (const { position, first, end } of readings) spans.set(position, [first, end]);
  const weights = stakedWeights(explanations);
  const places = explanations.map((_, index) => index);
  const outcomes = candidates.map((_, position) => {
    const [first, end] = spans.get(position) ?? [0, 0];
    return outcomesOf(evidence, predictions, first, end);
  });
  const cause = outcomes.map((outcome) => information(outcome, places, weights));
  return outlets.map((_, outlet): NextTest | null => {
    const answers = conditionNumbers(explanations, outlet);
    let best: { readonly worth: number; readonly position: number } | null = null;
    outcomes.forEach((outcome, position) => {
      const candidate = candidates[position];
      if (candidate === undefined) return;
      // What it says of this outlet counts first; where the cause sits, less.
      const gain = information(outcome, answers, weights) + 0.15 * (cause[position] ?? 0);
      if (gain < leastGain) return;
      const worth = gain / (candidate.cost + (candidate.outlet === outlet ? 0 : walkSeconds));
      if (best === null || worth > best.worth) best = { worth, position };
    });
    if (best === null) return null;
    const { position } = best as { readonly position: number };
    const { test } = candidates[position] as Candidate;
    return {
      at: test.at,
      instrument: test.instrument,
      ...(test.state === undefined ? {} : { state: test.state }),
      why: whyIt(test, outlet, network, explanations, outcomes[position] ?? new Int32Array(0)),
    };
  });
}

const worthTelling = ({ explanations }: NextTestQuestion): readonly WeighedExplanation[] =>
  explanations.slice(0, mostExplanations);

/** Probabilities with danger given its stakes. */
function stakedWeights(explanations: readonly WeighedExplanation[]): readonly number[] {
  const weighed = explanations.map(
    ({ probability, conditions: here }) => probability * (here.some((id) => conditions[id].dangerous) ? stakes : 1),
  );
  const total = weighed.reduce((sum, weight) => sum + weight, 0);
  return weighed.map((weight) => weight / total);
}

function conditionNumbers(explanations: readonly WeighedExplanation[], outlet: number): Int32Array {
  const numbers = new Map<ConditionId | undefined, number>();
  return Int32Array.from(explanations, ({ conditions: here }) => {
    const condition = here[outlet];
    const known = numbers.get(condition) ?? numbers.size;
    numbers.set(condition, known);
    return known;
  });
}

/** A reading of a test whose values nobody reads. */
function blank(test: Test): Reading {
  switch (test.instrument) {
    case 'lamps':
      return { ...test, instrument: 'lamps', hn: 'off', hg: 'off', ng: 'off' };
    case 'meter':
    case 'meter-low':
    case 'loaded':
      return { ...test, hn: 0, hg: 0, ng: 0 };
    case 'earth-meter':
      return { ...test, hot: 0, neutral: 0, ground: 0 };
    case 'probe':
      return { ...test, hot: false, neutral: false, ground: false };
    case 'gfci-button':
      return { ...test, milliamps: 0, trips: [] };
    case 'own-button':
      return { ...test, result: 'no-power' };
  }
}

/** "tells reversed polarity from open ground at den-2" */
function whyIt(
  test: Test,
  outlet: number,
  { circuit }: Network,
  explanations: readonly WeighedExplanation[],
  outcomes: Int32Array,
): string {
  const leading = explanations[0]?.conditions[outlet];
  const others = new Set<ConditionId>();
  explanations.forEach(({ conditions: here }, index) => {
    const other = here[outlet];
    if (other !== undefined && other !== leading && outcomes[index] !== outcomes[0]) others.add(other);
  });
  const at = circuit.outlets[outlet]?.id ?? '';
  const name = (id: ConditionId): string => conditions[id].name.toLowerCase();
  const [most, ...more] = Object.keys(conditions).filter((id) => others.has(id as ConditionId)) as ConditionId[];
  if (leading === undefined || most === undefined) return `narrows down where the cause sits`;
  const further = more.length > 0 ? ` and ${more.length} more` : '';
  return `at ${at}, tells ${name(leading)} from ${name(most)}${further}${test.state?.loadsOff ? ', with everything on the circuit off' : ''}`;
}
