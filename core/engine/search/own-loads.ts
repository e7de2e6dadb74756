import type { Fault } from '../../faults/index.ts';
import type { Network } from '../../physics/index.ts';
import type { Evaluator } from '../evidence/evaluator.ts';
import type { DiagnosisProblem } from '../evidence/problem.ts';
import type { Cause } from '../model/cause.ts';
import { type Hypothesis, soundHypothesis } from '../model/hypothesis.ts';
import { type LoadPattern, loadPatterns } from '../model/unknown-loads.ts';
import type { Explanation } from './explanation.ts';
import { type Fitted, fitted, unfitted } from './fitting.ts';

/** The patterns of loads that a hypothesis may have, each begun with what was found to be on. */
const patternsBeside = (network: Network, hypothesis: Hypothesis, fit: Fitted): readonly LoadPattern[] =>
  loadPatterns(network, hypothesis, {
    hypothesis: soundHypothesis(network),
    fitted: { pattern: null, watts: fit.watts },
  });

const isSame = (a: LoadPattern, b: LoadPattern): boolean =>
  a.lower.every((watts, outlet) => watts === b.lower[outlet]) &&
  a.upper.every((watts, outlet) => watts === b.upper[outlet]);

/**
 * An explanation in the other patterns of loads beside what was found to be on: they were tried beside the loads of its
 * parent, which may not have been right.
 */
export function inOtherPatterns(
  { network, unknownLoads }: DiagnosisProblem,
  evaluator: Evaluator,
  { hypothesis, fitted: fit }: Explanation,
): readonly Fitted[] {
  const { pattern: own } = fit;
  if (!unknownLoads || own === null) return [];
  return patternsBeside(network, hypothesis, fit)
    .filter((pattern) => !isSame(pattern, own))
    .map((pattern) => {
      const other = fitted(evaluator, hypothesis, fit, pattern, true);
      return { ...other, logShare: other.logShare + pattern.logOdds, pattern };
    });
}

/**
 * What leads with one of its causes elsewhere, its loads and ohms the same, nothing fitted; null where the loads cannot
 * be the same, for others decide what is read.
 */
export function withItsLoads(
  { network, unknownLoads }: DiagnosisProblem,
  evaluator: Evaluator,
  { hypothesis: led, fitted: fit }: Explanation,
  cause: Cause,
  hypothesis: Hypothesis,
): Fitted | null {
  const { pattern: own, logShare } = fit;
  if (!unknownLoads || own === null) return null;
  if (!patternsBeside(network, hypothesis, fit).some((pattern) => isSame(pattern, own))) return null;
  const ohmsOf = new Map(led.resistances.map((at, which) => [led.faults[at], fit.ohms[which] as number]));
  const moved = cause.faults.flatMap((fault) => ohmsOf.get(fault) ?? []);
  const ohms = hypothesis.resistances.map(
    (at) => ohmsOf.get(hypothesis.faults[at] as Fault) ?? moved.shift() ?? 0,
  );
  return { ...unfitted(evaluator, hypothesis, ohms, fit.watts, true), logShare, pattern: own };
}
