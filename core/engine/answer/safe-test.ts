import { type InstrumentId, instruments, lampsOf, pairs, type Reading } from '../../instruments/index.ts';
import { type ConditionId, conditions } from '../../knowledge/index.ts';
import type { OutletOpinion } from './posterior.ts';

const forbiddenBy = (id: ConditionId, instrument: InstrumentId): boolean =>
  conditions[id].forbids.includes(instrument);

/** Whether something that may hold at an outlet forbids an instrument; what is undetermined may be anything. */
function isForbidden(instrument: InstrumentId, { condition, notRuledOut }: OutletOpinion): boolean {
  const mayHold = condition === 'undetermined' ? (Object.keys(conditions) as ConditionId[]) : [condition];
  return [...mayHold, ...notRuledOut].some((id) => forbiddenBy(id, instrument));
}

/**
 * Whether an instrument may be used at an outlet as things stand there: no load test where a ground may be live; no
 * tester's button but where lamps read correct and the ground is sure to hold.
 */
export function isSafe(
  instrument: InstrumentId,
  opinion: OutletOpinion,
  readings: readonly Reading[],
): boolean {
  if (isForbidden(instrument, opinion)) return false;
  if (!instruments[instrument].onlyWhereCorrect) return true;
  const correct = lampsOf('hn-hg');
  return readings.some(
    (one) =>
      one.at === opinion.id &&
      one.instrument === 'lamps' &&
      pairs.every((pair) => one[pair] === correct[pair]),
  );
}
