import type { Hypothesis } from '../model/hypothesis.ts';
import type { Fitted } from './fitting.ts';

/** A hypothesis that was held against the readings. */
export interface Explanation {
  readonly hypothesis: Hypothesis;
  readonly fitted: Fitted;
  /** Logarithm of prior times likelihood, up to a constant of the question. */
  readonly logWeight: number;
}

/** Explanations so many nats below the best are let go: one in ten thousand is the least that counts (see what rules a condition out). */
export const keptNats = 9.6;

/** A single cause so far below the best may still be half of the best pair. */
export const ledNats = 25;
