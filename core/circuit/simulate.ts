import {
  benchFor,
  operationFor,
  type Settled,
  settleProtection,
  show,
  type Test,
  type WholeReading,
} from '../instruments/index.ts';
import { Solver } from '../physics/index.ts';
import type { Circuit } from './circuit-file.ts';
import { networkOf } from './network.ts';
import type { ReadingsFile } from './tests-and-readings.ts';

/** Tests made in the same state see the same circuit: they are solved together. */
const stateKey = ({ state }: Test): string => (state === undefined ? '' : JSON.stringify(state));

/** A readings file that lacks no pair. */
type Simulated = Omit<ReadingsFile, 'readings'> & { readonly readings: WholeReading[] };

/**
 * What every test of a circuit file shows, in the file's order. Protection that trips by itself does so first:
 * it is named in `trippedBefore`, of the file, or of the reading where the test has a state of its own.
 */
export function simulate(circuit: Circuit): Simulated {
  const solver = new Solver(networkOf(circuit));
  const bench = benchFor(solver);
  const { outletIndex } = solver.network.topology;
  const readings = new Array<WholeReading>(circuit.tests.length);

  const makeTests = (positions: readonly number[], settled: Settled, namesTripped: boolean): void => {
    const byOutlet = positions.toSorted((a, b) => outletOf(a) - outletOf(b));
    let held = -1;
    for (const position of byOutlet) {
      const test = circuit.tests[position];
      if (test === undefined) continue;
      const outlet = outletOf(position);
      if (outlet !== held) solver.equivalentAt(outlet, bench.outlet);
      held = outlet;
      const reading = show(bench, test, outlet, settled);
      const { trippedBefore } = settled;
      readings[position] =
        namesTripped && trippedBefore.length > 0
          ? { ...reading, trippedBefore: [...trippedBefore] }
          : reading;
    }
  };
  function outletOf(position: number): number {
    return outletIndex.get(circuit.tests[position]?.at ?? '') ?? -1;
  }

  const groups = new Map<string, number[]>([['', []]]);
  circuit.tests.forEach((test, position) => {
    const key = stateKey(test);
    const group = groups.get(key);
    if (group) group.push(position);
    else groups.set(key, [position]);
  });
  let trippedBefore: readonly string[] = [];
  for (const [key, positions] of groups) {
    const state = key === '' ? undefined : circuit.tests[positions[0] ?? -1]?.state;
    const settled = settleProtection(solver, operationFor(solver, state));
    if (key === '') trippedBefore = settled.trippedBefore;
    makeTests(positions, settled, key !== '');
  }
  return {
    format: 'fair-plug/readings@1',
    ...(trippedBefore.length > 0 ? { trippedBefore: [...trippedBefore] } : {}),
    readings,
  };
}
