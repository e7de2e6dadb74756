import type { Evaluator, Reference, Supposed } from '../evidence/evaluator.ts';
import type { StateEvidence } from '../evidence/evidence.ts';
import type { Hypothesis } from '../model/hypothesis.ts';
import type { LoadPattern } from '../model/unknown-loads.ts';
import { excessOf, FreeQuantities, supposedWith, type Values } from './free-quantities.ts';
import { fitLeastSquares } from './least-squares.ts';

/** A hypothesis with its loads and ohms as the readings have them. */
export interface Fitted extends Values {
  readonly supposed: Supposed;
  /** Nats by which the readings before repair fall short of the likeliest. */
  readonly deficit: number;
  /** Logarithm of the share of the prior's loads and ohms that do about as well as these. */
  readonly logShare: number;
  /** The pattern of unknown loads that it was fitted in. */
  readonly pattern: LoadPattern | null;
}

/** A hypothesis as it stands with given ohms and loads, nothing fitted; not looked at to the end once beyond the limit. */
export function unfitted(
  evaluator: Evaluator,
  hypothesis: Hypothesis,
  ohms: readonly number[],
  watts: Float64Array,
  unknownLoads: boolean,
  reference: Reference | null = null,
  limit: number = Number.POSITIVE_INFINITY,
  states?: readonly StateEvidence[],
): Fitted {
  const supposed = supposedWith(evaluator.network, hypothesis, ohms, watts, unknownLoads);
  const deficit = evaluator.deficit(supposed, false, limit, reference, states);
  return asWeighed(evaluator, hypothesis, { supposed, ohms, watts }, deficit, unknownLoads);
}

/** A hypothesis as it was weighed just now, with what its loads and heat weigh besides. */
const asWeighed = (
  evaluator: Evaluator,
  hypothesis: Hypothesis,
  held: Pick<Fitted, 'supposed' | 'ohms' | 'watts'>,
  deficit: number,
  unknownLoads: boolean,
): Fitted => ({
  ...held,
  scales: evaluator.weighing.scales,
  deficit:
    deficit +
    (unknownLoads
      ? 0.5 * excessOf(held.watts) ** 2 + heatNats(evaluator, hypothesis, held.supposed, deficit)
      : 0),
  logShare: 0,
  pattern: null,
});

/** A bad connection that takes so many watts for hours burns open (common practice). */
const burningWatts = 60;
const burningSigma = 40;

function heatNats(
  evaluator: Evaluator,
  { resistances, faults }: Hypothesis,
  supposed: Supposed,
  deficit: number,
): number {
  if (resistances.length === 0 || deficit === Number.POSITIVE_INFINITY) return 0;
  // What is in series with little takes no more than that.
  const drawn = supposed.loads.reduce((sum, { watts }) => sum + watts, 0);
  if (faults.length === resistances.length && drawn < burningWatts) return 0;
  const beyond = Math.max(0, evaluator.heatIn(supposed) - burningWatts) / burningSigma;
  return Math.min(30, 0.5 * beyond * beyond);
}

/**
 * Fits the ohms of bad connections (in their logarithm) and, where a pattern of loads is given, the watts at every
 * outlet (else they stay), by least squares with exact derivatives (compensation theorem; see terminals.ts). Left where
 * it begins where its first step promises less than `least` nats.
 */
export function fitted(
  evaluator: Evaluator,
  hypothesis: Hypothesis,
  from: Values,
  pattern: LoadPattern | null,
  unknownLoads: boolean,
  least = 0,
): Fitted {
  const free = new FreeQuantities(evaluator, hypothesis, from, pattern, unknownLoads);
  const fit = fitLeastSquares(free, free.start, least);
  const ohms = free.ohmsAt(fit.at);
  const watts = free.wattsAt(fit.at);
  const supposed = free.asHeldAt(fit.at);
  const deficit = evaluator.deficit(supposed, false);
  const found = asWeighed(evaluator, hypothesis, { supposed, ohms, watts }, deficit, unknownLoads);
  return { ...found, logShare: free.logShareOf(fit, pattern) };
}
