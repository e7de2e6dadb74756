import { withOhms } from '../../faults/index.ts';
import type { Evaluator } from '../evidence/evaluator.ts';
import type { DiagnosisProblem } from '../evidence/problem.ts';
import { type Hypothesis, soundHypothesis, withoutCauses } from '../model/hypothesis.ts';
import type { Fitted } from './fitting.ts';
import { logSum } from './log-sum.ts';

/** A repair that was made puts a cause right in so many cases (common practice). */
const repairSucceeds = 0.7;

/** Logarithm of the likelihood of the readings after repair: each cause may have been put right, or not. */
export function afterRepair(
  { evidence, network }: DiagnosisProblem,
  evaluator: Evaluator,
  hypothesis: Hypothesis,
  { ohms, supposed: { loads } }: Fitted,
): number {
  if (evidence.firstRepaired === evidence.observed.length) return 0;
  const { causes, instruments } = hypothesis;
  const { deviceStates: knownDevices } = soundHypothesis(network);
  const likelihoods: number[] = [];
  for (let which = 0; which < 2 ** causes.length; which += 1) {
    const isGone = (position: number): boolean => (which & (1 << position)) !== 0;
    const gone = new Set(causes.filter((_, position) => isGone(position)));
    const left = withoutCauses(hypothesis, (cause) => gone.has(cause), knownDevices);
    const faults = left.faults.map((fault) => {
      const fittedAs = hypothesis.resistances.indexOf(hypothesis.faults.indexOf(fault));
      return withOhms(fault, (before) => ohms[fittedAs] ?? before);
    });
    const deficit = evaluator.deficit({ faults, loads, deviceStates: left.deviceStates, instruments }, true);
    const odds = causes.reduce(
      (sum, _, position) => sum + Math.log(isGone(position) ? repairSucceeds : 1 - repairSucceeds),
      0,
    );
    likelihoods.push(odds - deficit);
  }
  return logSum(likelihoods);
}
