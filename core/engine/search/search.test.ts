import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type CircuitInput, circuitInput } from '../../circuit/arbitrary-circuit.ts';
import { type Circuit, parseCircuit, runOf, simulate } from '../../circuit/index.ts';
import type { Fault } from '../../faults/index.ts';
import type { Reading, Test } from '../../instruments/index.ts';
import { Evaluator } from '../evidence/evaluator.ts';
import { premisesOf, problemOf } from '../evidence/problem.ts';
import { clash } from '../model/cause.ts';
import { soundHypothesis, withCause } from '../model/hypothesis.ts';
import { unfitted } from './fitting.ts';
import { Refinement } from './refinement.ts';
import { Search } from './search.ts';

const instruments = ['lamps', 'meter', 'probe', 'earth-meter'] as const;

function parsed(input: CircuitInput): Circuit {
  const result = parseCircuit(input);
  if (result.kind === 'problems') throw new Error(JSON.stringify(result.problems));
  return result.value;
}

/** A problem whose causes need no fitting, so that every hypothesis has one exact weight. */
function exactProblem(circuit: Circuit, which: readonly number[]) {
  const bare = { ...circuit, faults: [], protection: [], tests: [] };
  const unknownDevices = new Set<number>();
  const premises = premisesOf({ circuit: bare, unknownDevices });
  const causes = premises.causes.filter(({ resistance, prior }) => resistance === -1 && prior !== 'short');
  const put = [...new Set(which.map((one) => causes[one % causes.length]))].flatMap((cause) => cause ?? []);
  const [first, second] = put;
  const faults =
    first && second && clash(first, second) ? first.faults : put.flatMap((cause) => cause.faults);
  const tests = circuit.outlets.flatMap(({ id }) =>
    instruments.map((instrument) => ({ at: id, instrument }) as Test),
  );
  const { readings } = simulate({ ...bare, faults: [...faults], tests });
  return problemOf(
    { circuit: bare, readings, trippedBefore: [], unknownLoads: false, unknownDevices },
    { ...premises, causes: causes.map((cause, index) => ({ ...cause, index })) },
  );
}

/** The naive twin: every set of at most two causes, weighed one by one. */
function byBruteForce(problem: ReturnType<typeof exactProblem>): ReadonlyMap<string, number> {
  const evaluator = new Evaluator(problem.network, problem.evidence);
  const watts = new Float64Array(problem.network.outlets.length);
  const sound = soundHypothesis(problem.network);
  const singles = problem.causes.flatMap((cause) => withCause(sound, cause) ?? []);
  const pairs = singles.flatMap((one) => problem.causes.flatMap((cause) => withCause(one, cause) ?? []));
  // A pair is the same whichever of the two comes first.
  const all = new Map([sound, ...singles, ...pairs].map((hypothesis) => [hypothesis.key, hypothesis]));
  return new Map(
    [...all].map(([key, hypothesis]) => [
      key,
      hypothesis.logPrior - unfitted(evaluator, hypothesis, [], watts, false).deficit,
    ]),
  );
}

const samples = fc
  .sample(fc.tuple(circuitInput, fc.array(fc.nat(200), { minLength: 0, maxLength: 2 })), {
    numRuns: 70,
    seed: 11,
  })
  .filter(([input]) => input.outlets.length <= 4);

describe('the pruned search against brute force over all pairs, on seeded random circuits', () => {
  test('both agree on the best explanation and its weight, and on every one near it that the search reports', () => {
    let compared = 0;
    for (const [input, which] of samples) {
      const problem = exactProblem(parsed(input), which);
      const search = new Search(problem, { mostBounds: 1e6, mostCauses: 2 });
      const run = search.run();
      let step = run.next();
      while (!step.done) step = run.next();
      const { explanations } = step.value;
      const all = byBruteForce(problem);
      const best = Math.max(...all.values());
      const label = JSON.stringify(input);
      expect(explanations[0]?.logWeight, label).toBeCloseTo(best, 1);
      const order = explanations.filter(
        ({ logWeight, hypothesis }) => logWeight > best - 4 && hypothesis.causes.length <= 2,
      );
      for (const { hypothesis, logWeight } of order) {
        expect(logWeight, label + hypothesis.key + JSON.stringify(hypothesis.faults)).toBeCloseTo(
          all.get(hypothesis.key) ?? Number.NaN,
          1,
        );
        compared += 1;
      }
      // Nothing as good as the best single or as sound is missing.
      for (const [key, weight] of all)
        if (!key.includes('+') && weight > best - 4)
          expect(
            explanations.some(({ hypothesis }) => hypothesis.key === key),
            `${key} in ${label}`,
          ).toBe(true);
    }
    expect(compared).toBeGreaterThan(50);
  });
});

describe('the search as it runs', () => {
  const runOn = (problem: ReturnType<typeof exactProblem>, isOver?: () => boolean) => {
    const search = new Search(problem, { mostBounds: 1e6, ...(isOver === undefined ? {} : { isOver }) });
    const run = search.run();
    let slices = 0;
    let step = run.next();
    while (!step.done) {
      slices += 1;
      expect(search.state().explanations.length).toBeGreaterThan(0);
      step = run.next();
    }
    return { ...step.value, slices };
  };

  test('it yields slices of work, can be stopped at any of them, and says so where better was still to be found', () => {
    let [cutShort, hadSlices] = [0, 0];
    for (const [input, which] of samples.slice(0, 40)) {
      const problem = exactProblem(parsed(input), which);
      const whole = runOn(problem);
      expect(whole.stoppedEarly, JSON.stringify(input)).toBe(false);
      let asked = 0;
      const cut = runOn(problem, () => {
        asked += 1;
        return asked > 1;
      });
      if (whole.slices > 0) hadSlices += 1;
      const [best, found] = [whole.explanations[0]?.logWeight ?? 0, cut.explanations[0]?.logWeight ?? 0];
      if (best - found < 1) continue;
      cutShort += 1;
      expect(cut.stoppedEarly, JSON.stringify(input)).toBe(true);
    }
    expect(hadSlices).toBeGreaterThan(0);
    expect(cutShort).toBeGreaterThan(3);
  });
});

test('readings after a repair count as if seven of ten causes had been put right', () => {
  const circuit = parsed({ ...runOf(['o1', 'o2'], { meters: { first: 15, next: 4 } }) });
  const correct: Reading = { at: 'o1', instrument: 'lamps', hn: 'lit', hg: 'lit', ng: 'off' };
  const question = { circuit, unknownLoads: false, unknownDevices: new Set<number>() };
  const problem = problemOf(
    { ...question, readings: [], trippedBefore: [], afterRepair: [correct] },
    premisesOf(question),
  );
  const run = new Search(problem, { mostBounds: 1e6, mostCauses: 1 }).run();
  let step = run.next();
  while (!step.done) step = run.next();
  /** What the readings make of an explanation, beside its price. */
  const weightOf = (key: string): number => {
    const found = step.value?.explanations.find(
      ({ hypothesis: { faults } }) => JSON.stringify(faults) === key,
    );
    if (found === undefined) throw new Error(key);
    return found.logWeight - found.hypothesis.logPrior;
  };
  const sound = weightOf('[]');
  const openHot = weightOf('[{"kind":"open","conductor":"hot","at":"o1"}]');
  expect(openHot - sound).toBeCloseTo(Math.log(0.7), 2);
});

interface Case {
  readonly count: number;
  readonly fault: Fault;
  readonly at: string;
  readonly watts: number;
  readonly supply: number;
}

describe('loads that nobody knows', () => {
  const cases: readonly Case[] = [
    {
      count: 6,
      fault: { kind: 'open', conductor: 'neutral', cable: 'c1' },
      at: 'o6',
      watts: 355,
      supply: 120,
    },
    {
      count: 4,
      fault: { kind: 'open', conductor: 'neutral', cable: 'c2' },
      at: 'o4',
      watts: 355,
      supply: 116,
    },
    {
      count: 6,
      fault: { kind: 'bond', conductors: ['neutral', 'ground'], at: 'o2' },
      at: 'o3',
      watts: 480,
      supply: 116,
    },
  ];
  test.each(cases)(
    'what leads has settled: $fault, $watts W at $at',
    ({ count, fault, at, watts, supply }) => {
      const ids = Array.from({ length: count }, (_, index) => `o${index + 1}`);
      const circuit = parsed(runOf(ids, { meters: { first: 15, next: 4 } }));
      const tests = ids.flatMap((id) =>
        (['lamps', 'meter', 'probe', 'loaded', 'meter-low'] as const).map(
          (instrument) => ({ at: id, instrument }) as Test,
        ),
      );
      const loads = [{ at, watts, on: true }];
      const { readings } = simulate({ ...circuit, nominalVolts: supply, faults: [fault], loads, tests });
      const question = {
        circuit,
        readings,
        trippedBefore: [],
        unknownLoads: true,
        unknownDevices: new Set<number>(),
      };
      const problem = problemOf(question, premisesOf(question));
      const search = new Search(problem);
      const run = search.run();
      for (let step = run.next(); !step.done; ) step = run.next();
      const [best] = search.state().explanations;
      if (best === undefined) throw new Error('nothing was found');
      const evaluator = new Evaluator(problem.network, problem.evidence, null, problem.tolerance);
      const refinement = new Refinement(problem, evaluator, () => best.logWeight);
      expect(refinement.settled(best).logWeight - best.logWeight).toBeLessThan(1);
    },
  );
});
