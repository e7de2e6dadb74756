import { describe, expect, test, vi } from 'vitest';
import { nodesSolved } from '../physics/solver.ts';
import { HouseJudge, type KnownCircuit } from './house-judgement.ts';
import { contradictory, fine, houseOf, judged, reversed } from './testing-houses.ts';

describe('what another judge answered before', () => {
  const places = [fine('1'), fine('1'), fine('2'), reversed('2')];
  const kept: KnownCircuit[] = [];
  const begun = nodesSolved();
  const first = judged(houseOf(places), new HouseJudge(null, [], (one) => kept.push(one)));
  const work = nodesSolved() - begun;

  test('is an answer to the very same, and nothing is worked out anew', () => {
    expect(kept.map(({ breaker }) => breaker)).toEqual(['1', '2']);
    const before = nodesSolved();
    const again = judged(houseOf(places), new HouseJudge(null, structuredClone(kept)));
    // What a kit would read as correct is found once more; no circuit is.
    expect(nodesSolved() - before).toBeLessThan(work / 5);
    expect(again.judgement).toEqual(first.judgement);
  });

  test('is none to anything else: nothing of it is shown meanwhile', () => {
    const house = houseOf([fine('1'), fine('1'), fine('2'), fine('2')]);
    const run = new HouseJudge(null, kept).judging(house, ['lamps', 'probe', 'meter', 'loaded']);
    const early = run.next().value;
    expect(early?.circuits.map(({ breaker }) => breaker)).toEqual(['1']);
    expect(judged(house, new HouseJudge(null, kept)).judgement).toEqual(judged(house).judgement);
  });

  test('is not kept where it was cut short', () => {
    const keep = vi.fn();
    judged(houseOf(contradictory), new HouseJudge({ circuit: 1, house: 1 }, [], keep));
    expect(keep).not.toHaveBeenCalled();
  });
});
