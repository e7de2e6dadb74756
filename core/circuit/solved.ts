import { operationOf, Solver } from '../physics/index.ts';
import type { Circuit } from './circuit-file.ts';
import { networkOf } from './network.ts';

/** A solver that has taken up what a circuit file describes. */
export function solved(circuit: Circuit): Solver {
  const solver = new Solver(networkOf(circuit));
  solver.operate(operationOf(solver.network));
  return solver;
}
