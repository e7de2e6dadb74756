import type { Reading } from '../../instruments/index.ts';
import type { Network } from '../../physics/index.ts';
import { Evaluator } from '../evidence/evaluator.ts';
import { evidenceOf } from '../evidence/evidence.ts';
import { network, type Row } from './lone-rows.ts';

export interface Foreseen {
  readonly predicted: Float64Array;
  readonly adrift: Uint8Array;
}

/** What every row predicts for some readings, and which channels each of them has. */
export function predictionsOf(rows: readonly Row[], readings: readonly Reading[]) {
  const evaluators = new Map<Network, Evaluator>();
  const evaluatorFor = (of: Network): Evaluator => {
    const known = evaluators.get(of);
    if (known !== undefined) return known;
    const made = new Evaluator(of, evidenceOf(of, { readings, trippedBefore: null, afterRepair: [] }));
    evaluators.set(of, made);
    return made;
  };
  const { kinds, states } = evaluatorFor(network).evidence;
  const spans: (readonly [first: number, end: number])[] = [];
  for (const { outlets } of states)
    for (const { readings: compiled } of outlets)
      for (const { position, first, end } of compiled) spans[position] = [first, end];
  return {
    kinds,
    spans,
    byRow: rows.map(({ network: of, supposed }): Foreseen => {
      const evaluator = evaluatorFor(of);
      evaluator.predict(supposed, false);
      return { predicted: evaluator.predicted.slice(), adrift: evaluator.weighing.adrift.slice() };
    }),
  };
}
