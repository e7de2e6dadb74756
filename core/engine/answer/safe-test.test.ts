import { describe, expect, test } from 'vitest';
import { type InstrumentId, lampsOf, type Reading } from '../../instruments/index.ts';
import { type ConditionId, conditionIds, conditions } from '../../knowledge/index.ts';
import { candidatesAt } from './next-test.ts';
import type { OutletOpinion } from './posterior.ts';
import { hazardOf, isSafe, type Situation } from './safe-test.ts';

const opinion = (
  condition: ConditionId | 'undetermined',
  notRuledOut: readonly ConditionId[] = [],
  id = 'a',
): OutletOpinion => ({ id, condition, notRuledOut, ifMisread: [] }) as unknown as OutletOpinion;
const lamps: Reading = { at: 'a', instrument: 'lamps', ...lampsOf('hn-hg') };
const probe: Reading = { at: 'a', instrument: 'probe', hot: true, neutral: false, ground: false };
const meter: Reading = { at: 'a', instrument: 'meter', hn: 120, hg: 120, ng: 0 };
const allRead = [lamps, probe, meter];

const where = (own: OutletOpinion, rest: Partial<Situation> = {}): Situation => ({
  opinion: own,
  circuit: [own],
  readings: allRead,
  ...rest,
});
const safe = (instrument: InstrumentId, own: OutletOpinion, rest: Partial<Situation> = {}): boolean =>
  isSafe(instrument, where(own, rest));

// Common practice: no load through a ground that may be live; a tester's button makes a floating ground live.
describe('tests that what may hold forbids', () => {
  test('no load test and no button where a ground may be live, whether it leads or is not ruled out', () => {
    for (const id of ['energized-ground', 'reversed-bootleg-ground', 'hot-ground-reversed'] as const)
      for (const instrument of ['loaded', 'gfci-button'] as const) {
        expect(safe(instrument, opinion(id)), `${instrument} ${id}`).toBe(false);
        expect(safe(instrument, opinion('correct', [id])), `${instrument} ${id}`).toBe(false);
        const beside = { circuit: [opinion('correct'), opinion(id, [], 'b')] };
        expect(safe('loaded', opinion('correct'), beside), `beside ${id}`).toBe(false);
      }
  });

  test('a load only after probe and meter at rest, at that receptacle', () => {
    expect(hazardOf('loaded', where(opinion('correct'), { readings: [lamps] }))).toBe('probe-first');
    expect(hazardOf('loaded', where(opinion('correct'), { readings: [lamps, probe] }))).toBe('meter-first');
    expect(hazardOf('loaded', where(opinion('correct')))).toBeNull();
    // One that sounds nowhere at a live receptacle is deaf, and has told nothing of its ground.
    const deaf: Reading = { ...probe, hot: false };
    expect(hazardOf('loaded', where(opinion('correct'), { readings: [lamps, deaf, meter] }))).toBe(
      'probe-first',
    );
    const kit = new Set<InstrumentId>(['probe', 'meter', 'loaded']);
    const after = where(opinion('correct'), { readings: [lamps, deaf] });
    expect(candidatesAt(after, 0, kit, () => true).some(({ tests }) => tests.length > 1)).toBe(false);
    const low = { at: 'a', instrument: 'meter-low', hn: 120, hg: 120, ng: 0 } as const;
    const withLow = (reading: Reading) => where(opinion('correct'), { readings: [lamps, probe, reading] });
    // Between all three contacts a meter of low impedance measures at rest as well.
    expect(hazardOf('loaded', withLow(low))).toBeNull();
    expect(hazardOf('loaded', withLow({ at: 'a', instrument: 'meter-low', hn: 120 }))).toBe('meter-first');
    expect(hazardOf('loaded', withLow({ ...low, state: { loadsOff: true } }))).toBe('meter-first');
    const elsewhere = allRead.map((one) => ({ ...one, at: 'b' }));
    expect(hazardOf('loaded', where(opinion('correct'), { readings: elsewhere }))).toBe('probe-first');
  });

  test('no load where a neutral is lost, or may be: a load on one leg drives what hangs on the other', () => {
    const beside = opinion('correct', ['lost-shared-neutral'], 'b');
    expect(hazardOf('loaded', where(opinion('correct'), { circuit: [opinion('correct'), beside] }))).toBe(
      'lost-neutral',
    );
    expect(hazardOf('loaded', where(opinion('open-neutral')))).toBe('lost-neutral');
    expect(hazardOf('loaded', where(opinion('correct'), { serviceNeutralLost: true }))).toBe('lost-neutral');
  });

  test('where one is held nothing live is done at all', () => {
    const held = { circuit: [opinion('correct'), opinion('lost-shared-neutral', [], 'b')] };
    for (const instrument of ['lamps', 'probe', 'meter', 'loaded', 'own-button'] as const)
      expect(hazardOf(instrument, where(opinion('correct'), held)), instrument).toBe('lost-neutral');
  });

  test('a load test is promised, with probe and meter before it, only where neither leaves it forbidden', () => {
    const own = opinion('correct', ['lost-shared-neutral'], 'b');
    const other = opinion('correct', ['lost-shared-neutral']);
    const promised = (readings: readonly Reading[]): boolean => {
      const situation = where(own, { circuit: [own, other], readings });
      const kit = new Set<InstrumentId>(['probe', 'meter', 'loaded']);
      return candidatesAt(situation, 1, kit, () => true).some(({ tests }) => tests.length > 1);
    };
    expect(promised([lamps])).toBe(true);
    // Probe and meter were held to the other one, and the neutral is in doubt all the same.
    expect(promised(allRead)).toBe(false);
  });

  test('into a bad splice once, not again to find it; not through what was seen', () => {
    const load: Reading = { at: 'b', instrument: 'loaded', hn: 90, hg: 118, ng: 28 };
    const after = { badSpliceHeld: true, readings: [...allRead, load] };
    expect(hazardOf('loaded', where(opinion('correct'), after))).toBe('bad-splice');
    expect(hazardOf('loaded', where(opinion('correct'), { badSpliceHeld: true }))).toBe('ten-seconds');
    expect(safe('loaded', opinion('correct'), { badSpliceHeld: true })).toBe(true);
    expect(hazardOf('loaded', where(opinion('correct'), { seen: true }))).toBe('seen');
  });

  test('no button on a ground that may float, none where lamps do not read correct, none that cuts what needs power', () => {
    for (const id of ['open-ground', 'open-neutral'] as const)
      expect(safe('gfci-button', opinion('correct', [id])), id).toBe(false);
    expect(safe('gfci-button', opinion('correct'))).toBe(true);
    expect(safe('gfci-button', opinion('correct'), { readings: [] })).toBe(false);
    expect(safe('gfci-button', opinion('correct'), { keepsPower: true })).toBe(false);
    expect(safe('own-button', opinion('correct'), { keepsPower: true })).toBe(false);
  });

  test('the low-impedance meter puts nothing on a ground that may hang in the air; a meter to earth wants one that is proved', () => {
    expect(hazardOf('meter-low', where(opinion('open-ground')))).toBe('hot-neutral-only');
    expect(safe('meter-low', opinion('open-neutral'))).toBe(true);
    expect(hazardOf('earth-meter', where(opinion('correct')))).toBe('no-proven-ground');
    const proved = { circuit: [opinion('open-ground'), opinion('correct', [], 'b')] };
    expect(safe('earth-meter', opinion('open-ground'), proved)).toBe(true);
    const jumpered = { circuit: [opinion('open-ground'), opinion('correct', ['bootleg-ground'], 'b')] };
    expect(safe('earth-meter', opinion('open-ground'), jumpered)).toBe(false);
  });

  test('what is undetermined forbids both; what does not work is not used', () => {
    for (const instrument of ['loaded', 'gfci-button'] as const)
      expect(safe(instrument, opinion('undetermined')), instrument).toBe(false);
    const doubted = { doubted: new Set(['meter']) };
    for (const instrument of ['meter', 'earth-meter', 'loaded'] as const)
      expect(hazardOf(instrument, where(opinion('correct'), doubted)), instrument).toBe(
        'instrument-in-doubt',
      );
    expect(safe('probe', opinion('correct'), doubted)).toBe(true);
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
