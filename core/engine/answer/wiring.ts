import type { InstrumentId, Reading } from '../../instruments/index.ts';
import type { ConditionId } from '../../knowledge/index.ts';
import { OutletConditions } from '../evidence/outlet-conditions.ts';
import type { DiagnosisProblem, Premises, Question } from '../evidence/problem.ts';
import type { Explanation } from '../search/explanation.ts';
import type { SearchState } from '../search/search.ts';
import { conditionsMemory, Foresight } from './foresight.ts';
import type { Found } from './posterior.ts';

/** What is known of a circuit before anything is read on it. */
export type Known = Pick<
  Question,
  'circuit' | 'house' | 'unknownLoads' | 'unknownDevices' | 'guessed' | 'inspected'
> & {
  /** `unknown`: any outlet may be on either leg of a shared neutral, whatever the circuit says. */
  readonly legs?: 'as-written' | 'unknown';
};

/** What was read on it, and with what more can be read. */
export interface Taken {
  readonly readings: readonly Reading[];
  readonly trippedBefore: readonly string[] | null;
  readonly afterRepair?: readonly Reading[];
  /** Instruments at hand; all where left out. */
  readonly kit?: readonly InstrumentId[];
}

/** A circuit as it is written, or with its neutral shared: what does not change with the readings. */
export interface Wiring {
  readonly premises: Premises;
  readonly outletConditions: OutletConditions;
  readonly conditionsUnder: (explanation: Explanation) => readonly ConditionId[];
}

export function wiringOf(premises: Premises): Wiring {
  const outletConditions = new OutletConditions(premises.network);
  return { premises, outletConditions, conditionsUnder: conditionsMemory(outletConditions) };
}

export const foresightOf = (
  problem: DiagnosisProblem,
  { outletConditions, conditionsUnder }: Wiring,
): Foresight => new Foresight(problem, outletConditions, conditionsUnder);

/** So many explanations are taken apart where what holds hangs on their ohms. */
const mostTakenApart = 8;

/** Explanations with the share of their family, those apart of which what holds hangs on their ohms. */
export function foundBy({ explanations }: SearchState, foresight: Foresight, logShare = 0): readonly Found[] {
  let apart = 0;
  const found = explanations.flatMap((explanation): readonly Explanation[] => {
    if (apart >= mostTakenApart) return [explanation];
    const several = foresight.apart(explanation);
    if (several.length > 1) apart += 1;
    return several;
  });
  return found.map((explanation) => ({
    explanation,
    foresight,
    logWeight: explanation.logWeight + logShare,
  }));
}
