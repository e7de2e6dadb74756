import { describe, expect, test } from 'vitest';
import { instrumentIds, lampsOf } from '../../instruments/index.ts';
import { type ConditionId, conditionIds, conditions } from '../../knowledge/index.ts';
import type { OutletOpinion } from './posterior.ts';
import { isSafe } from './safe-test.ts';

const opinion = (
  condition: ConditionId | 'undetermined',
  notRuledOut: readonly ConditionId[] = [],
): OutletOpinion => ({ id: 'a', condition, notRuledOut }) as unknown as OutletOpinion;
const correct = [{ at: 'a', instrument: 'lamps' as const, ...lampsOf('hn-hg') }];

// Common practice: no load through a ground that may be live; a tester's button makes a floating ground live.
describe('tests that what may hold forbids', () => {
  test('no load test and no button where a ground may be live, whether it leads or is not ruled out', () => {
    for (const id of ['energized-ground', 'reversed-bootleg-ground', 'hot-ground-reversed'] as const)
      for (const instrument of ['loaded', 'gfci-button'] as const) {
        expect(isSafe(instrument, opinion(id), correct), `${instrument} ${id}`).toBe(false);
        expect(isSafe(instrument, opinion('correct', [id]), correct), `${instrument} ${id}`).toBe(false);
      }
  });

  test('no button on a ground that may float, and none where lamps do not read correct', () => {
    for (const id of ['open-ground', 'open-neutral'] as const) {
      expect(isSafe('gfci-button', opinion('correct', [id]), correct), id).toBe(false);
      expect(isSafe('loaded', opinion('correct', [id]), correct), id).toBe(true);
    }
    expect(isSafe('gfci-button', opinion('correct'), correct)).toBe(true);
    expect(isSafe('gfci-button', opinion('correct'), [])).toBe(false);
  });

  test('what is undetermined forbids both; meter, probe and lamps are never forbidden', () => {
    for (const instrument of instrumentIds)
      expect(isSafe(instrument, opinion('undetermined'), correct), instrument).toBe(
        instrument !== 'loaded' && instrument !== 'gfci-button',
      );
  });

  test('what makes a case live forbids both, by its own file', () => {
    const forbidding = conditionIds.filter((id) => conditions[id].forbids.length > 0);
    expect(forbidding).toEqual([
      'energized-ground',
      'reversed-bootleg-ground',
      'hot-ground-reversed',
      'open-neutral',
      'open-ground',
    ]);
  });
});
