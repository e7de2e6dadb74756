import { type Circuit, networkOf } from '@fair-plug/core/circuit';
import { OutletConditions } from '@fair-plug/core/engine/evidence/outlet-conditions.ts';
import { type Test, usualLoadAmps } from '@fair-plug/core/instruments';
import type { ConditionId } from '@fair-plug/core/knowledge';
import { operationOf, Solver } from '@fair-plug/core/physics';

const liveGround: readonly ConditionId[] = [
  'energized-ground',
  'reversed-bootleg-ground',
  'hot-ground-reversed',
];
/** More volts than a supply may have between hot and neutral. */
const mostVolts = 132;

/**
 * True where a test does what no test may: its load puts more than 132 V between hot and neutral of any outlet, or lifts
 * a ground that is joined to metal people touch.
 */
export function endangers(circuit: Circuit, test: Test): boolean {
  if (test.instrument !== 'loaded') return false;
  const watts = usualLoadAmps * circuit.nominalVolts;
  const loads = [
    ...circuit.loads.filter(({ at }) => at !== test.at),
    { at: test.at, watts: watts + (circuit.loads.find(({ at }) => at === test.at)?.watts ?? 0), on: true },
  ];
  const loaded: Circuit = { ...circuit, loads };
  const solver = new Solver(networkOf(loaded));
  solver.operate(operationOf(solver.network));
  const { voltsRe, voltsIm } = solver;
  const across = (a: number, b: number): number =>
    Math.hypot((voltsRe[a] ?? 0) - (voltsRe[b] ?? 0), (voltsIm[a] ?? 0) - (voltsIm[b] ?? 0));
  const asFound = { faults: circuit.faults, loads: circuit.loads, deviceStates: [] };
  const holds = new OutletConditions(networkOf({ ...circuit, faults: [] })).under(asFound);
  return solver.network.outlets.some(
    ({ contact }, index) =>
      across(contact.hot, contact.neutral) > mostVolts ||
      (circuit.outlets[index]?.id === test.at && liveGround.includes(holds[index] ?? 'correct')),
  );
}
