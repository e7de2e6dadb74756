import { nodesSolved } from '../physics/index.ts';

/**
 * How much work judging may be, where somebody waits for it: circuits that take more are answered with what was found. In
 * nodes solved, so that what is answered does not depend on the machine, nor on what else it has to do.
 */
export interface Pace {
  /** That a circuit may take at the most. */
  readonly circuit: number;
  /** And that all of a house may take, though every circuit gets its least. */
  readonly house: number;
}
/** Nobody waits for more: some 4 s and 16 s of a fast machine. */
export const usualPace: Pace = { circuit: 3e6, house: 12e6 };
/** However much the others took, a circuit gets so much. */
export const leastWork = 3e5;

/**
 * The work of one task that takes turns with others, in nodes solved: a measure that is the same on every machine, and on
 * one that has other things to do.
 */
export class Work {
  private before = 0;
  /** Nodes solved by all tasks when this one's turn began; null between turns. */
  private since: number | null = null;

  get done(): number {
    return this.before + (this.since === null ? 0 : nodesSolved() - this.since);
  }

  /** One turn. */
  turn<T>(step: () => T): T {
    this.since = nodesSolved();
    try {
      return step();
    } finally {
      this.before = this.done;
      this.since = null;
    }
  }
}
