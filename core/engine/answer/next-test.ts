import {
  type InstrumentId,
  instrumentIds,
  instruments,
  type Reading,
  type Test,
  type TestState,
} from '../../instruments/index.ts';
import type { Network } from '../../physics/index.ts';
import { Foreteller, outcomesOf } from './foretelling.ts';
import type { OutletOpinion, Weighed, WeighedExplanation } from './posterior.ts';
import { forbids, hasBadSplice, hazardOf, isMeasuredAtRest, isProbed, type Situation } from './safe-test.ts';
import { type Candidate, type NextTest, testChooser } from './worth.ts';

/** Unplugging and switching off everything on a circuit. */
export const loadsOffSeconds = 150;
/** Explanations that carry so much of the probability are looked at, so many at the most. */
const carried = 0.9995;
export const mostExplanations = 300;
/** Question about a circuit whose next test is looked for. */
export interface NextTestQuestion {
  readonly network: Network;
  readonly readings: readonly Reading[];
  readonly explanations: readonly WeighedExplanation[];
  readonly outlets: readonly OutletOpinion[];
  readonly kit: ReadonlySet<InstrumentId>;
  readonly doubted?: ReadonlySet<string>;
}

/** The best test for the circuit as a whole, and the best for what holds at each outlet; null where none decides anything. */
export interface NextTests {
  readonly circuit: NextTest | null;
  readonly outlets: readonly (NextTest | null)[];
}

const sameState = (a: TestState | undefined, b: TestState | undefined): boolean =>
  (a?.loadsOff === true) === (b?.loadsOff === true) &&
  (a?.breakerOff === true) === (b?.breakerOff === true) &&
  (a?.tripped ?? []).join() === (b?.tripped ?? []).join();

const isDone = (readings: readonly Reading[], { at, instrument, state }: Test): boolean =>
  readings.some((one) => one.at === at && one.instrument === instrument && sameState(one.state, state));

/** What has to be read at a receptacle before it is loaded, and is not yet. */
const unreadBeforeLoad = (readings: readonly Reading[], at: string): readonly InstrumentId[] => [
  ...(isDone(readings, { at, instrument: 'probe' } as Test) ? [] : (['probe'] as const)),
  ...(isMeasuredAtRest(readings, at) ? [] : (['meter'] as const)),
];

/** What is still to be read at an outlet before it is loaded; null where the kit does not hold it, or the probe was held to it and sounded nowhere. */
function missingBefore(
  { opinion, readings }: Situation,
  kit: ReadonlySet<InstrumentId>,
): readonly InstrumentId[] | null {
  const missing = unreadBeforeLoad(readings, opinion.id);
  if (!missing.includes('probe') && !isProbed(readings, opinion.id)) return null;
  return missing.every((one) => kit.has(one)) ? missing : null;
}

const ofHeld = (opinion: OutletOpinion): OutletOpinion => ({ ...opinion, notRuledOut: [], ifMisread: [] });

/** The circuit as it may stand once probe and meter were read: where they were, they rule out no more than they did. */
const circuitOnceRead = ({ circuit, readings }: Situation): readonly OutletOpinion[] =>
  circuit.map((one) => (unreadBeforeLoad(readings, one.id).length === 0 ? one : ofHeld(one)));

/** All that may be done at an outlet with a kit, each with what has to be done before; `onceRead`: the same circuit for all its outlets. */
export function candidatesAt(
  situation: Situation,
  outlet: number,
  kit: ReadonlySet<InstrumentId>,
  isPossible: (instrument: InstrumentId, state: TestState | undefined) => boolean,
  onceRead: () => readonly OutletOpinion[] = () => circuitOnceRead(situation),
): readonly Candidate[] {
  const { opinion, readings } = situation;
  const testOf = (instrument: InstrumentId, state?: TestState): Test =>
    ({ at: opinion.id, instrument, ...(state === undefined ? {} : { state }) }) as Test;
  const candidates: Candidate[] = [];
  const seconds = (tests: readonly Test[]): number =>
    tests.reduce((sum, { instrument }) => sum + instruments[instrument].seconds, 0);
  for (const state of [undefined, { loadsOff: true }] as const)
    for (const instrument of instrumentIds) {
      if (!kit.has(instrument) || !isPossible(instrument, state)) continue;
      const test = testOf(instrument, state);
      if (isDone(readings, test)) continue;
      const before = state === undefined && instrument === 'loaded' ? missingBefore(situation, kit) : [];
      // What is held not to work proves nothing that a load could be put on.
      if (before === null || before.some((one) => situation.doubted?.has(one) === true)) continue;
      // What is not ruled out yet may be by what is read first; what is held already is not.
      const hazard = hazardOf(
        instrument,
        before.length === 0 ? situation : { ...situation, opinion: ofHeld(opinion), circuit: onceRead() },
      );
      if (before.length > 0) {
        const tests = [...before.map((one) => testOf(one)), test];
        if (hazard === 'probe-first' || hazard === 'meter-first')
          candidates.push({ tests, outlet, cost: seconds(tests) });
        continue;
      }
      // What is advised is no more of it than goes where a ground hangs in the air.
      if (forbids(hazard)) continue;
      candidates.push({
        tests: [test],
        outlet,
        cost: instruments[instrument].seconds + (state === undefined ? 0 : loadsOffSeconds),
      });
    }
  return candidates;
}

function isCopperTo({ circuit }: Network, outlet: number): boolean {
  for (let at = circuit.outlets[outlet]?.id; at !== undefined && at !== 'panel'; ) {
    const into = circuit.cables.filter((cable) => cable.to === at);
    if (into.some(({ metal }) => metal !== 'copper')) return false;
    at = into[0]?.from;
  }
  return true;
}

function candidatesOf(question: NextTestQuestion): readonly Candidate[] {
  const { network, readings, outlets, kit, explanations, doubted } = question;
  let read: readonly OutletOpinion[] | undefined;
  return network.circuit.outlets.flatMap((_, outlet) => {
    const opinion = outlets[outlet];
    if (opinion === undefined) return [];
    const situation: Situation = {
      opinion,
      circuit: outlets,
      readings,
      badSpliceHeld: hasBadSplice(explanations[0]?.fitted.supposed.faults ?? []),
      seen: !isCopperTo(network, outlet),
      ...(doubted === undefined ? {} : { doubted }),
    };
    const isPossible = (instrument: InstrumentId, state: TestState | undefined): boolean => {
      if (state !== undefined && instruments[instrument].withLoadsOff === undefined) return false;
      if (instruments[instrument].needs === 'own-device')
        return network.devices.some((device) => device.outlet === outlet);
      return instruments[instrument].needs !== 'device' || network.devices.length > 0;
    };
    return candidatesAt(situation, outlet, kit, isPossible, () => {
      read ??= circuitOnceRead(situation);
      return read;
    });
  });
}

/** Of all the tests that might be made, those that leave least to be wrong about for what they cost. */
export function nextTests(question: NextTestQuestion): NextTests {
  const { network, outlets } = question;
  const none: NextTests = { circuit: null, outlets: outlets.map(() => null) };
  const explanations = carrying(question.explanations);
  const candidates = candidatesOf(question);
  const [leader] = explanations;
  if (leader === undefined || explanations.length < 2 || candidates.length === 0) return none;
  const tests = candidates.flatMap(({ tests: all }) => all);
  const keys = [...new Set(tests.map((test) => JSON.stringify(test)))];
  const position = new Map(keys.map((key, index) => [key, index]));
  const foreteller = new Foreteller(
    network,
    keys.map((key) => JSON.parse(key) as Test),
    leader.foresight.problem.unknownLoads,
  );
  const predictions = explanations.map((one) => foreteller.predict(one, leader));
  const outcomes = candidates.map(({ tests: all }) =>
    outcomesOf(
      foreteller.kinds,
      foreteller.resting,
      predictions,
      all.map((test) => foreteller.spans[position.get(JSON.stringify(test)) ?? -1] ?? [0, 0]),
    ),
  );
  const chooser = testChooser(explanations, candidates, outcomes, outlets, standingAt(question));
  return { circuit: chooser(null), outlets: outlets.map((_, outlet) => chooser(outlet)) };
}

/** The outlet that was tested last. */
function standingAt({ readings, outlets }: NextTestQuestion): number | null {
  const at = readings.at(-1)?.at;
  const found = outlets.findIndex(({ id }) => id === at);
  return found === -1 ? null : found;
}

function carrying<E extends Weighed>(explanations: readonly E[]): readonly E[] {
  let sum = 0;
  const kept: E[] = [];
  for (const one of explanations) {
    if (sum >= carried || kept.length >= mostExplanations) break;
    kept.push(one);
    sum += one.probability;
  }
  return kept;
}
