import type { Evaluator } from '../evidence/evaluator.ts';
import type { Scales } from '../model/scales.ts';
import type { LoadPattern } from '../model/unknown-loads.ts';
import type { Explanation } from './explanation.ts';
import { FreeQuantities } from './free-quantities.ts';
import { type Chord, chordAt, promiseAlong } from './least-squares.ts';

/**
 * What other loads and ohms could still do for a hypothesis that has those of its parent: each channel taken to change
 * with them as under the parent (a step along the chord, where Newton's would ask for slopes of its own).
 */
export class FitGain {
  private readonly free: FreeQuantities;
  private readonly watts: Float64Array;
  private readonly chord: Chord;

  constructor(evaluator: Evaluator, { hypothesis, fitted }: Explanation, unknownLoads: boolean) {
    const { pattern, watts } = fitted;
    const from = pattern === null ? null : { ...pattern, start: watts };
    this.free = new FreeQuantities(evaluator, hypothesis, fitted, from, unknownLoads);
    this.watts = watts;
    this.chord = chordAt(this.free, this.free.start);
  }

  /** Nats that they promise at the most, for what the evaluator predicted last; loads that a pattern has off stay off. */
  promised(scales: Scales, pattern: LoadPattern | null): number {
    const { free, chord, watts } = this;
    const held = pattern === null ? null : free.positionsOff(pattern);
    return promiseAlong(free, chord, free.residualsOf(watts, scales), held);
  }
}
