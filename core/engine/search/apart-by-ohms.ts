import { type Fault, withOhms } from '../../faults/index.ts';
import type { ConditionId } from '../../knowledge/index.ts';
import type { Conductor, Network } from '../../physics/index.ts';
import type { Evaluator } from '../evidence/evaluator.ts';
import type { DiagnosisProblem } from '../evidence/problem.ts';
import type { Hypothesis } from '../model/hypothesis.ts';
import { hasTwoLegs } from '../model/unknown-loads.ts';
import type { Explanation } from './explanation.ts';
import { type Fitted, fitted, unfitted } from './fitting.ts';
import { logSum } from './log-sum.ts';
import { sharedOut } from './prior-shares.ts';

type ConditionsUnder = (explanation: Explanation) => readonly ConditionId[];

/** Ohms over the whole range; none between those on either side of the one ohm from which a shared neutral is lost. */
const sampleOhms = sharedOut([0.1, 0.3, 0.7, 1 / 0.7, 4, 12, 40, 400]);
/** A little, and much more, of a bad connection. */
const [little, much] = [0.5, 5] as const;

/** What is held where a bad connection has some ohms and no others, with loads as they then must be. */
function at(
  problem: DiagnosisProblem,
  evaluator: Evaluator,
  { hypothesis, fitted: best }: Explanation,
  which: number,
  ohms: number,
): Fitted {
  const position = hypothesis.resistances[which] ?? -1;
  const faults = hypothesis.faults.map((fault, index) =>
    index === position ? withOhms(fault, () => ohms) : fault,
  );
  const fixed: Hypothesis = {
    ...hypothesis,
    faults,
    resistances: hypothesis.resistances.filter((_, index) => index !== which),
  };
  const others = best.ohms.filter((_, index) => index !== which);
  const { pattern, watts, scales } = best;
  const from = { ohms: others, watts, scales };
  const fit =
    pattern === null && others.length === 0
      ? unfitted(evaluator, fixed, others, watts, problem.unknownLoads)
      : fitted(evaluator, fixed, from, pattern && { ...pattern, start: watts }, problem.unknownLoads);
  return {
    ...fit,
    pattern,
    ohms: [...fit.ohms.slice(0, which), ohms, ...fit.ohms.slice(which)],
    logShare: fit.logShare + (pattern?.logOdds ?? 0),
  };
}

const isResistanceIn = (conductors: readonly Conductor[], fault: Fault | undefined): boolean =>
  fault?.kind === 'resistance' && conductors.includes(fault.conductor);

/**
 * Position, among a hypothesis' ohms, of the bad connection on whose ohms may hang what holds: in a neutral that is
 * shared, or one that something bridges, so that a load sags by more the worse it is, but never by much; −1 where there
 * is none.
 */
function telling(network: Network, { resistances, faults }: Hypothesis): number {
  const { outlets, cables } = network.circuit;
  const among = (...conductors: readonly Conductor[]): number =>
    resistances.findIndex((position) => isResistanceIn(conductors, faults[position]));
  if (hasTwoLegs(network)) return among('neutral');
  const isRing = cables.length > outlets.length;
  const isBridged = isRing || faults.some(({ kind }) => kind === 'bond');
  return isBridged ? among('hot', 'neutral') : -1;
}

/**
 * One fit stands for all ohms of a bad connection. Where what holds at the outlets hangs on them, it is taken apart: one
 * explanation for each set of conditions, weighed by all the ohms under which these hold.
 */
export function apartByOhms(
  problem: DiagnosisProblem,
  evaluator: Evaluator,
  explanation: Explanation,
  conditionsUnder: ConditionsUnder,
): readonly Explanation[] {
  const { hypothesis } = explanation;
  const which = telling(problem.network, hypothesis);
  if (which === -1) return [explanation];
  const as = (fit: Fitted): Explanation => ({ ...explanation, fitted: fit });
  const keyOf = (one: Explanation): string => conditionsUnder(one).join();
  const { ohms: best, supposed } = explanation.fitted;
  const position = hypothesis.resistances[which] ?? -1;
  const withOnly = (ohms: number): Explanation =>
    as({
      ...explanation.fitted,
      ohms: best.map((one, index) => (index === which ? ohms : one)),
      supposed: {
        ...supposed,
        faults: supposed.faults.map((fault, index) =>
          index === position ? withOhms(fault, () => ohms) : fault,
        ),
      },
    });
  if (keyOf(withOnly(little)) === keyOf(withOnly(much))) return [explanation];
  const held = new Map<string, { best: Explanation; readonly weights: number[] }>();
  const take = (one: Explanation): void => {
    const known = held.get(keyOf(one));
    known?.weights.push(one.logWeight);
    if (known === undefined) held.set(keyOf(one), { best: one, weights: [one.logWeight] });
    else if (one.logWeight > known.best.logWeight) known.best = one;
  };
  for (const { ohms, share } of sampleOhms) {
    const fit = at(problem, evaluator, explanation, which, ohms);
    take({ ...as(fit), logWeight: hypothesis.logPrior + Math.log(share) + fit.logShare - fit.deficit });
  }
  const own = keyOf(explanation);
  const apart = [...held].map(([key, { best: leading, weights }]): Explanation => {
    const logWeight = logSum(weights);
    // Where the ohms are known well, the fit itself tells better what they weigh than a few samples do.
    return key === own && explanation.logWeight > logWeight ? explanation : { ...leading, logWeight };
  });
  return held.has(own) ? apart : [explanation, ...apart];
}
