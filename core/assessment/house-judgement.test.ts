import { describe, expect, test, vi } from 'vitest';
import { lampsOf, type Shown } from '../instruments/index.ts';
import type { LegLayout } from '../knowledge/index.ts';
import { idNumber } from '../log/arbitrary-entries.ts';
import type { House, JobStatement } from '../log/index.ts';
import { reportOn } from '../words/index.ts';
import { assess } from './assessment.ts';
import { changesSince, HouseJudge, isJudgedAsRead, refinedVerdict, withChanges } from './index.ts';
import { judgeByLamps } from './lamp-verdict.ts';
import {
  contradictory,
  fine,
  houseOf,
  judged,
  type Place,
  receptacleId,
  reversed,
} from './testing-houses.ts';
import { usualPace } from './work.ts';

describe('a judge that has judged before', () => {
  const volts: Shown = { instrument: 'meter', hn: 230, hg: 230, ng: 0.4 };
  const places = (breaker?: string): readonly Place[] => [
    { shows: 'hn-hg', taken: [volts], ...(breaker === undefined ? {} : { breaker }) },
    { shows: 'hn-hg', taken: [volts], ...(breaker === undefined ? {} : { breaker }) },
  ];

  test.each([
    ['by itself', places()],
    ['on a circuit', places('1')],
  ])('says after a change of region what a new one says: %s', (_, walked) => {
    const judge = new HouseJudge();
    judged(houseOf(walked), judge);
    const british = houseOf(walked, { region: 'uk' });
    expect(judged(british, judge).judgement).toEqual(judged(british).judgement);
  });
});

describe('what was said of the panel', () => {
  const panel = idNumber(0x400);
  const said = (legs: LegLayout): JobStatement => ({ kind: 'panel-described', panel, legs });
  /** Two loads in series across the 208 V of two phases, at 0.4 of the way between them; ground stands beside the line. */
  const across = Math.sqrt(3) * 120;
  const atRest = (share: number): Shown => ({
    instrument: 'meter',
    hn: Math.round(10 * across * share) / 10,
    hg: 120,
    ng: Math.round(10 * Math.hypot(60, across * (share - 0.5))) / 10,
  });
  const places = (breaker?: string): readonly Place[] =>
    [0.4, 0.6].map((share) => ({
      shows: null,
      taken: [atRest(share)],
      ...(breaker === undefined ? {} : { breaker }),
    }));
  const lostIn = (house: House): readonly number[] =>
    [...judged(house).judgement.receptacles.values()].map((one) =>
      one.condition === 'lost-shared-neutral'
        ? 1
        : (one.doubts[one.notRuledOut.indexOf('lost-shared-neutral')] ?? 0),
    );

  test('two legs, and a neutral that stands as between two of three phases: held only where that is not denied', () => {
    expect(lostIn(houseOf(places('7')))).toEqual([1, 1]);
    expect(lostIn(houseOf(places('7'), {}, [said('three-phase')]))).toEqual([1, 1]);
    for (const share of lostIn(houseOf(places('7'), {}, [said('one-leg')]))) expect(share).toBe(0);
  });
});

describe('the next test on a breaker', () => {
  const probed: Shown = { instrument: 'probe', hot: true, neutral: false, ground: false };
  const atRest: Shown = { instrument: 'meter', hn: 120.2, hg: 120.2, ng: 0 };
  const underLoad = (drop: number): Shown => ({
    instrument: 'loaded',
    hn: 120.2 - drop,
    hg: 120.2 - drop / 2,
    ng: drop / 2,
  });

  test('one for the circuit as a whole; none where what may hold forbids it', () => {
    const { judgement } = judged(houseOf([fine('4'), fine('4'), fine('4'), fine('4')]));
    const [circuit] = judgement.circuits;
    expect(circuit?.next?.at).toBe(receptacleId(3));
    expect(circuit?.unseen).toBeNull();
    const house = houseOf([fine('4'), fine('4'), fine('4'), { shows: 'all', breaker: '4' }]);
    const [forbidden] = assess(house, judged(house).judgement).circuits;
    expect(forbidden?.next?.instrument).not.toBe('loaded');
  });

  test('once nothing decides anything, it says what the tests made would not have shown', () => {
    const places = [3.5, 3.9, 4.3].map(
      (drop): Place => ({ shows: 'hn-hg', breaker: '4', taken: [probed, atRest, underLoad(drop)] }),
    );
    const [circuit] = judged(houseOf(places)).judgement.circuits;
    expect(circuit?.next).toBeNull();
    expect(circuit?.unseen).toContain('neutral-ground-swapped');
  });
});

describe('news of a judgement', () => {
  test('told step by step they come to the whole, and what did not change stays the same object', () => {
    const judge = new HouseJudge();
    const first = judged(houseOf([fine(), fine('1'), reversed('1')]), judge).judgement;
    const second = judged(houseOf([reversed(), fine('1'), reversed('1')]), judge).judgement;
    const heard = withChanges(null, changesSince(null, first));
    expect(heard).toEqual(first);
    const news = changesSince(first, second);
    expect([...news.changed.keys()]).toEqual([receptacleId(0)]);
    const after = withChanges(heard, news);
    expect(after).toEqual(second);
    expect(after.receptacles.get(receptacleId(2))).toBe(heard.receptacles.get(receptacleId(2)));
    expect(news.circuits).toEqual([{ breaker: '1', changed: null }]);
    expect(after.circuits[0]).toBe(heard.circuits[0]);
  });
});

describe('the judgement on a house', () => {
  test('one cause behind several receptacles of a breaker is one cause, one finding, with its place', () => {
    const probed: Place = {
      ...reversed('12'),
      taken: [{ instrument: 'probe', hot: false, neutral: true, ground: false }],
    };
    const house = houseOf([fine('12'), fine('12'), probed, reversed('12'), reversed('12')]);
    const { judgement } = judged(house);
    expect(judgement.circuits[0]?.causes).toHaveLength(1);
    expect(judgement.circuits[0]?.causes[0]).toMatchObject({
      faults: [{ kind: 'swap', conductors: ['hot', 'neutral'] }],
    });
    expect(judgement.circuits[0]?.causes[0]?.receptacles).toEqual([2, 3, 4].map(receptacleId));
    expect(judgement.isFinal).toBe(true);
    // What tripped is a matter of the circuit: no receptacle of it is explained by that alone.
    const explained = [...judgement.receptacles.values()].flatMap(({ explanations }) => explanations);
    expect(explained.length).toBeGreaterThan(4);
    expect(explained.filter(({ isTripped }) => isTripped)).toEqual([]);
    const { findings } = reportOn(assess(house, judgement));
    const [finding, ...others] = findings.filter(({ proposal }) => proposal?.verdict);
    expect(others).toEqual([]);
    expect(finding?.receptacles.map(({ name }) => name)).toEqual(['Den 3', 'Den 4', 'Den 5']);
    expect(finding?.proposal?.cause?.where).toContain('between Den 2 and Den 3');
    expect(finding?.what).toContain('Everything from Den 3 on shows it');
  });

  test('what reads reversed beyond a receptacle may be a live ground made at it, though it reads correct itself', () => {
    const house = houseOf([fine('12'), fine('12'), reversed('12'), reversed('12')]);
    const { findings } = reportOn(assess(house, judged(house).judgement));
    const hidden = findings.find(({ receptacles }) => receptacles.some(({ name }) => name === 'Den 2'));
    expect(hidden?.urgency).toBe('act-now');
    expect(hidden?.receptacles).toHaveLength(1);
    expect(hidden?.headline).toBe('Reads correct, but may hide reversed bootleg ground');
    expect(hidden?.proposal?.verdict?.plain).toBe(false);
  });

  test('without breakers each stands alone, and neighbours that look alike are a likely group', () => {
    const { judgement } = judged(houseOf([fine(), reversed(), reversed(), fine()]));
    expect(judgement.circuits).toEqual([]);
    expect(judgement.likelyGroups).toEqual([
      { condition: 'reversed-polarity', outlets: [receptacleId(1), receptacleId(2)] },
    ]);
  });

  test('a second answer to an unchanged house costs next to nothing, and one more reading only its own circuit', () => {
    const judge = new HouseJudge();
    const places = [fine('1'), fine('1'), fine('2'), reversed('2')];
    const first = judged(houseOf(places), judge);
    const again = judged(houseOf(places), judge);
    expect(again.steps).toBeLessThan(first.steps / 3);
    // Nothing is told again: each telling is a page drawn anew.
    expect(first.told).toBeGreaterThan(0);
    expect(again.told).toBe(0);
    expect(again.judgement.receptacles.get(receptacleId(3))).toBe(
      first.judgement.receptacles.get(receptacleId(3)),
    );
  });

  test('what was answered before another request came first stays answered', () => {
    const places = [reversed('1'), fine('1'), fine('2'), reversed('2')];
    const first = judged(houseOf(places));
    const judge = new HouseJudge();
    const run = judge.judging(houseOf(places), ['lamps', 'probe', 'meter', 'loaded']);
    for (let isAnswered = false; !isAnswered; ) {
      const step = run.next();
      isAnswered = step.value?.circuits.some(({ isFinal }) => isFinal) ?? false;
      expect(step.done).toBe(false);
    }
    expect(judged(houseOf(places), judge).steps).toBeLessThan(0.8 * first.steps);
  });

  test('what takes longer than anybody waits is answered with what was found, and says so', () => {
    const impatient = new HouseJudge({ circuit: 1, house: 1 });
    const house = houseOf(contradictory);
    const { judgement } = judged(house, impatient);
    expect(judgement.isFinal).toBe(true);
    expect(judgement.circuits[0]).toMatchObject({ isFinal: true, stoppedEarly: true });
    expect(judgement.receptacles.get(receptacleId(0))?.isCutShort).toBe(true);
    expect(reportOn(assess(house, judgement)).cutShort).toEqual(['1']);
  });

  test('how far it goes is a matter of work, not of the clock: a slow machine comes to the same', () => {
    const house = houseOf(Array.from({ length: 8 }, () => reversed('1')));
    const atEase = judged(house, new HouseJudge(usualPace)).judgement;
    let clock = 0;
    const now = vi.spyOn(performance, 'now').mockImplementation(() => (clock += 1e8));
    const { judgement } = judged(house, new HouseJudge(usualPace));
    now.mockRestore();
    expect(judgement.circuits[0]).toMatchObject({ isFinal: true, stoppedEarly: false });
    expect(judgement.receptacles).toEqual(atEase.receptacles);
  });

  test('an answer to earlier readings does not stand for what was read since', () => {
    const before = houseOf([fine()]);
    const after = houseOf([
      { shows: 'hn-hg', taken: [{ instrument: 'probe', hot: true, neutral: false, ground: true }] },
    ]);
    const [receptacle] = after.rooms[0]?.receptacles ?? [];
    const answered = judged(before).judgement.receptacles.get(receptacleId(0));
    const now = judged(after).judgement.receptacles.get(receptacleId(0));
    if (receptacle === undefined || answered === undefined || now === undefined)
      throw new Error('not judged');
    expect(isJudgedAsRead(answered, receptacle)).toBe(false);
    expect(isJudgedAsRead(now, receptacle)).toBe(true);
  });

  test('a receptacle that was not read stays not tested, whatever its circuit says', () => {
    const house = houseOf([reversed('3'), { shows: null, breaker: '3' }, reversed('3')]);
    const { summary, notTested } = reportOn(assess(house, judged(house).judgement));
    expect(notTested).toEqual(['Den 2']);
    expect(summary.readCorrect).toBe(0);
  });

  test('what may hide behind “reads correct” is told by the least that was used at any of them', () => {
    const probe: Shown = { instrument: 'probe', hot: true, neutral: false, ground: false };
    const some = houseOf([fine(), { ...fine(), taken: [probe] }]);
    expect(judged(some).judgement.notSeen).toContain('reversed-bootleg-ground');
    const all = houseOf([{ ...fine(), taken: [probe] }]);
    expect(judged(all).judgement.notSeen).not.toContain('reversed-bootleg-ground');
  });

  test('a warning of the lamps to stop is never taken back', () => {
    const house = houseOf([{ shows: 'all' }]);
    const byLamps = judgeByLamps({ lamps: lampsOf('all') });
    const answered = judged(house).judgement.receptacles.get(receptacleId(0));
    if (answered === undefined) throw new Error('not judged');
    expect(byLamps.stop).not.toBeNull();
    expect(refinedVerdict(byLamps, answered).stop).toBe(byLamps.stop);
  });
});
