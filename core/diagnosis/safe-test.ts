import type { InstrumentId, Reading } from '../circuit/index.ts';
import type { ConditionId } from '../conditions/index.ts';
import { lampsOf, pairs } from '../instruments/index.ts';
import type { OutletOpinion } from './posterior.ts';

const liveGround: ReadonlySet<ConditionId> = new Set([
  'energized-ground',
  'reversed-bootleg-ground',
  'hot-ground-reversed',
]);
const floatingGround: ReadonlySet<ConditionId> = new Set([...liveGround, 'open-ground', 'open-neutral']);

const mayBe = ({ condition, notRuledOut }: OutletOpinion, ids: ReadonlySet<ConditionId>): boolean =>
  condition === 'undetermined' || ids.has(condition) || notRuledOut.some((id) => ids.has(id));

/**
 * Whether an instrument may be used at an outlet as things stand there: no load test where a ground may be live; no
 * tester's button but where lamps read correct and the ground is sure to hold.
 */
export function isSafe(
  instrument: InstrumentId,
  opinion: OutletOpinion,
  readings: readonly Reading[],
): boolean {
  if (instrument === 'loaded') return !mayBe(opinion, liveGround);
  if (instrument !== 'gfci-button') return true;
  const correct = lampsOf('hn-hg');
  const readsCorrect = readings.some(
    (one) =>
      one.at === opinion.id &&
      one.instrument === 'lamps' &&
      pairs.every((pair) => one[pair] === correct[pair]),
  );
  return readsCorrect && !mayBe(opinion, floatingGround);
}
