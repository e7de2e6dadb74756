import fc from 'fast-check';
import { expect, test } from 'vitest';
import { type Circuit, networkOf, runOf, simulate } from '../../circuit/index.ts';
import { type Reading, type Test, usualLoadAmps } from '../../instruments/index.ts';
import type { ConditionId } from '../../knowledge/index.ts';
import { operationOf, Solver } from '../../physics/index.ts';
import { OutletConditions } from '../evidence/outlet-conditions.ts';
import { Diagnostician } from '../index.ts';
import { causesOf } from '../model/cause.ts';

const ids = ['o1', 'o2', 'o3', 'o4'];
const written = runOf(ids, { meters: { first: 15, next: 4 } });
const causes = causesOf(networkOf(written), {}, new Set()).filter(({ prior }) => prior !== 'short');
const liveGround: readonly ConditionId[] = [
  'energized-ground',
  'reversed-bootleg-ground',
  'hot-ground-reversed',
];

/** A breaker of one leg, or two breakers that share a neutral, with one cause and something on at two receptacles. */
const worlds = fc.record({
  cause: fc.nat(causes.length - 1),
  isShared: fc.boolean(),
  neutralIsLost: fc.boolean(),
  watts: fc.tuple(fc.integer({ min: 5, max: 800 }), fc.integer({ min: 5, max: 800 })),
});
type World = typeof worlds extends fc.Arbitrary<infer T> ? T : never;

function circuitOf({ cause, isShared, neutralIsLost, watts: [first, last] }: World): Circuit {
  const outlets = written.outlets.map((outlet, index) =>
    isShared && index % 2 === 1 ? { ...outlet, leg: 'L2' as const } : outlet,
  );
  const lost = { kind: 'open', conductor: 'neutral', cable: 'c1' } as const;
  const faults = isShared && neutralIsLost ? [lost] : [...(causes[cause]?.faults ?? [])];
  const loads = [
    { at: 'o3', watts: first, on: true },
    { at: 'o4', watts: last, on: true },
  ];
  return { ...written, outlets, loads, faults };
}

/** Most volts between hot and neutral of any receptacle while one is loaded. */
function mostVoltsLoading(circuit: Circuit, at: string): number {
  const load = { at, watts: usualLoadAmps * circuit.nominalVolts, on: true };
  const solver = new Solver(networkOf({ ...circuit, loads: [...circuit.loads, load] }));
  solver.operate(operationOf(solver.network));
  const { voltsRe, voltsIm, network } = solver;
  const across = (a: number, b: number): number =>
    Math.hypot((voltsRe[a] ?? 0) - (voltsRe[b] ?? 0), (voltsIm[a] ?? 0) - (voltsIm[b] ?? 0));
  return Math.max(...network.outlets.map(({ contact }) => across(contact.hot, contact.neutral)));
}

test('no test that is advised puts more than 132 V on any receptacle, or a live ground under load', () => {
  let loaded = 0;
  for (const world of fc.sample(worlds, { numRuns: 8, seed: 33 })) {
    const circuit = circuitOf(world);
    const holds = new OutletConditions(networkOf({ ...circuit, faults: [] })).under({
      faults: circuit.faults,
      loads: circuit.loads,
      deviceStates: [],
    });
    const read = (tests: readonly Test[]): readonly Reading[] =>
      simulate({ ...circuit, tests: [...tests] }).readings;
    const diagnostician = new Diagnostician({
      circuit: written,
      unknownLoads: true,
      unknownDevices: new Set(),
      guessed: true,
      legs: 'unknown',
    });
    // A load comes after these, so that it is what is asked for next.
    const readings = read(
      ids.flatMap((at) =>
        (['lamps', 'probe', 'meter'] as const).map((instrument) => ({ at, instrument }) as Test),
      ),
    );
    const { next, outlets } = diagnostician.diagnose({ readings, trippedBefore: null });
    for (const test of [next, ...outlets.map((outlet) => outlet.next)]) {
      if (test?.instrument !== 'loaded') continue;
      loaded += 1;
      const where = `${test.at} ${JSON.stringify(world)} ${JSON.stringify(circuit.faults)}`;
      expect(mostVoltsLoading(circuit, test.at), where).toBeLessThan(132);
      expect(liveGround, where).not.toContain(holds[ids.indexOf(test.at)]);
    }
  }
  // It would be of no use if none were ever advised.
  expect(loaded).toBeGreaterThan(1);
});
