import { nodesSolved } from '../physics/index.ts';

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
