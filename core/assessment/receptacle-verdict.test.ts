import { describe, expect, test } from 'vitest';
import { type LampPattern, lampPatterns, lampsOf } from '../instruments/index.ts';
import type { Danger, ReceptacleType } from '../knowledge/index.ts';
import { idNumber } from '../log/arbitrary-entries.ts';
import {
  currentLamps,
  foldHouse,
  type JobEntry,
  type JobStatement,
  type Receptacle,
  receptaclesOf,
} from '../log/index.ts';
import { surveyOf } from '../report/index.ts';
import { enUs, reportOn } from '../words/index.ts';
import { assess } from './assessment.ts';
import { groundFaultResult, HouseJudge, type JudgedReceptacle, oddValues } from './index.ts';
import { judgeByLamps } from './lamp-verdict.ts';
import { dangerAt, verdictBy } from './receptacle-verdict.ts';

const den1 = idNumber(0x30);

const verdictOn = (receptacle: Receptacle, answered: JudgedReceptacle | undefined) =>
  verdictBy(receptacle, answered, currentLamps(receptacle));

function houseOf(...statements: readonly JobStatement[]) {
  const envelope = { device: idNumber(2), author: idNumber(3), at: '2026-05-04T09:30:00.000Z' };
  const room = idNumber(0x20);
  const all: JobStatement[] = [
    { kind: 'room-described', room, name: 'Den' },
    { kind: 'receptacle-described', receptacle: den1, room, name: 'Den 1' },
    ...statements,
  ];
  return foldHouse(
    all.map((one, index): JobEntry => ({ id: idNumber(0x1000 + index), ...envelope, ...one })),
  );
}

function receptacleWith(...statements: readonly JobStatement[]) {
  const [receptacle] = receptaclesOf(houseOf(...statements));
  if (receptacle === undefined) throw new Error('no receptacle');
  return receptacle;
}

const reads = (pattern: LampPattern): JobStatement => ({
  kind: 'lamps-read',
  receptacle: den1,
  lamps: lampsOf(pattern),
});
const ofType = (type: ReceptacleType, adapter = false): JobStatement => ({
  kind: 'receptacle-described',
  receptacle: den1,
  room: idNumber(0x20),
  name: 'Den 1',
  type,
  adapter,
});

describe('a receptacle to keep away from', () => {
  const judgedAt = (...statements: readonly JobStatement[]) => {
    const house = houseOf(...statements);
    const run = new HouseJudge().judging(house, ['lamps', 'meter', 'probe']);
    let step = run.next();
    while (!step.done) step = run.next();
    const judgement = step.value;
    const assessment = assess(house, judgement);
    const { verdict = null, next = null } = assessment.receptacles.get(den1) ?? {};
    const judged = judgement.receptacles.get(den1);
    return { verdict, next, judged, survey: surveyOf(assessment), assessment, judgement, house };
  };

  test.each([
    ['scorch', 'kept-away-scorch'],
    ['heat', 'kept-away-heat'],
    ['wet', 'kept-away-wet'],
  ] as const)(
    'with %s seen it is not said to read correct, nor counted as such, and no test follows',
    (look, code) => {
      const { verdict, survey } = judgedAt(reads('hn-hg'), {
        kind: 'look-noted',
        receptacle: den1,
        look,
        seen: true,
      });
      expect(verdict).toMatchObject({ code, plain: false, settle: null });
      expect(survey.summary.readCorrect).toBe(0);
      const tried = { by: 'tester-button', result: 'no-trip' } as Parameters<typeof groundFaultResult>[0];
      expect(groundFaultResult(tried, verdict).isFinding).toBe(true);
    },
  );

  test('what the probe has settled is neither said to fit, nor to be settled by the probe', () => {
    const fits = (of: ReturnType<typeof judgedAt>) => of.verdict?.alsoFits.map(({ id }) => id);
    const byLamps = judgedAt(reads('hn-ng'));
    expect(fits(byLamps)).toEqual(['hot-to-ground-jumper']);
    expect(byLamps.verdict?.settle).toBe('probe');
    const probed = judgedAt(reads('hn-ng'), {
      kind: 'reading-taken',
      receptacle: den1,
      shown: { instrument: 'probe', hot: false, neutral: true, ground: false },
    });
    expect(probed.judged?.notRuledOut).not.toContain('energized-ground');
    expect(fits(probed)).toEqual([]);
    expect(probed.verdict).toMatchObject({ code: 'lamps-hn-ng', settle: null });
  });

  test('what must be acted on now on the walk is no less pressing in the report', () => {
    const { verdict, assessment } = judgedAt(
      { kind: 'job-described', yearBuilt: 1958, groundedWiring: false },
      reads('hn-hg'),
    );
    expect(verdict).toMatchObject({ code: 'may-hide-reversed-bootleg-ground', urgency: 'act-now' });
    const [finding] = reportOn(assessment).findings;
    expect(finding).toMatchObject({ key: 'house-correct-without-ground', urgency: 'act-now' });
    expect(finding?.proposal?.urgencyReason).toMatch(/^Reversed bootleg ground is probable enough/);
  });

  test('nor where a ground that was never run may be live', () => {
    const { judgement, house, judged } = judgedAt({ kind: 'job-described', yearBuilt: 1958 }, reads('hn'));
    const live = { ...judged, notRuledOut: ['energized-ground'], doubts: [0.4] } as JudgedReceptacle;
    const assessment = assess(house, { ...judgement, receptacles: new Map([[den1, live]]) });
    expect(assessment.receptacles.get(den1)?.verdict?.urgency).toBe('act-now');
    const [finding] = reportOn(assessment).findings;
    expect(finding).toMatchObject({ key: 'house-ungrounded', urgency: 'act-now' });
    expect(finding?.proposal?.urgencyReason).toMatch(/^Energized ground is probable enough/);
  });

  test('what a meter alone read is not said of lamps', () => {
    const scorched: JobStatement = { kind: 'look-noted', receptacle: den1, look: 'scorch', seen: true };
    const measured: JobStatement = {
      kind: 'reading-taken',
      receptacle: den1,
      shown: { instrument: 'meter', hn: 118.2, hg: 118, ng: 0.4 },
    };
    const headline = (...said: readonly JobStatement[]) => {
      const { verdict } = judgedAt(...said, scorched);
      return verdict === null ? null : enUs.verdict(verdict).headline;
    };
    expect(headline(measured)).toBe('Reads correct, but: scorched');
    expect(headline(reads('hn-hg'), measured)).toBe('Lamps read correct, but: scorched');
  });

  test('a live plate behind lamps that read correct is said in the same line', () => {
    const { verdict, survey } = judgedAt(reads('hn-hg'), {
      kind: 'reading-taken',
      receptacle: den1,
      shown: { instrument: 'probe', hot: true, neutral: false, ground: false },
      plateScrew: true,
    });
    expect(verdict?.code).not.toBe('lamps-hn-hg');
    expect(verdict?.plain).toBe(false);
    expect(survey.summary.readCorrect).toBe(0);
  });

  test('all lamps lit stay what they are, also where other readings make them out to be a slip', () => {
    const byLamps = judgeByLamps({ lamps: lampsOf('all') });
    const receptacle = receptacleWith(reads('all'));
    const { judged } = judgedAt(reads('all'));
    if (judged === undefined) throw new Error('not judged');
    const { verdict } = verdictOn(receptacle, { ...judged, condition: 'correct', notRuledOut: [] });
    const { code, urgency, stop } = byLamps;
    expect(verdict).toMatchObject({ code, urgency, stop, plain: false, settle: null });
  });
});

describe('a receptacle by its kind', () => {
  test('a two-slot one without a ground is no defect (common practice)', () => {
    const { verdict } = verdictOn(receptacleWith(ofType('two-slot'), reads('hn')), undefined);
    expect(verdict).toMatchObject({ urgency: null, plain: false, code: 'two-slot' });
  });

  test('with an adapter in use, or three slots, the missing ground counts', () => {
    for (const type of [ofType('two-slot', true), ofType('three-slot')])
      expect(verdictOn(receptacleWith(type, reads('hn')), undefined).verdict?.urgency).toBe('repair');
  });

  test('any other pattern of a two-slot one stays what it is', () => {
    for (const pattern of lampPatterns.filter((one) => one !== 'hn'))
      expect(verdictOn(receptacleWith(ofType('two-slot'), reads(pattern)), undefined).verdict).toEqual(
        verdictOn(receptacleWith(reads(pattern)), undefined).verdict,
      );
  });
});

describe('when to stop', () => {
  const look = (seen: 'scorch' | 'wet' | 'painted'): JobStatement => ({
    kind: 'look-noted',
    receptacle: den1,
    look: seen,
    seen: true,
  });
  const lampDanger = (pattern: LampPattern) => {
    const receptacle = receptacleWith(reads(pattern));
    return dangerAt(receptacle, verdictOn(receptacle, undefined).verdict);
  };

  test.each<[string, JobStatement, Danger | null]>([
    ['scorch', look('scorch'), 'scorch'],
    ['water', look('wet'), 'wet'],
    ['paint', look('painted'), null],
  ])('%s', (_, statements, danger) => {
    expect(dangerAt(receptacleWith(statements), null)).toBe(danger);
  });

  test('all lamps lit is overvoltage; plainly correct is no danger', () => {
    expect(lampDanger('all')).toBe('overvoltage');
    expect(lampDanger('hn-hg')).toBeNull();
  });
});

describe('a ground-fault test in words', () => {
  const tried = (
    by: 'tester-button' | 'own-button',
    result: 'tripped' | 'no-trip' | 'power-stays-on',
    pattern: LampPattern,
  ) => {
    const receptacle = receptacleWith(reads(pattern), {
      kind: 'ground-fault-tested',
      receptacle: den1,
      by,
      result,
    });
    const [test_] = receptacle.groundFaultTests;
    if (test_ === undefined) throw new Error('no test');
    return groundFaultResult(test_, verdictOn(receptacle, undefined).verdict);
  };

  test.each([
    ['tester-button', 'tripped', 'hn-hg', false],
    // No trip at a grounded receptacle: a wiring problem, or a bad device; a jumper is suspected (common practice)
    ['tester-button', 'no-trip', 'hn-hg', true],
    // No trip at an ungrounded one says nothing (common practice)
    ['tester-button', 'no-trip', 'hn', false],
    ['own-button', 'power-stays-on', 'hn', true],
  ] as const)('%s, %s, lamps %s: a finding is %s', (by, result, pattern, isFinding) => {
    expect(tried(by, result, pattern).isFinding).toBe(isFinding);
  });
});

describe('volts as typed', () => {
  const meter = (hn: number, hg: number, ng: number) =>
    oddValues({ instrument: 'meter', hn, hg, ng }, 'north-america').map(({ kind }) => kind);

  test('no pair exceeds the two others together, whatever the fault', () => {
    expect(meter(12.1, 121, 0.4)).toContain('sum');
    expect(meter(120.6, 120.2, 0.4)).toEqual([]);
    // a reversal, and a two-leg overvoltage: unusual perhaps, but they close
    expect(meter(120, 0.2, 119.8)).toEqual([]);
  });

  test('more than usual between hot and neutral hints at a lost neutral; a ghost is told by low impedance', () => {
    expect(meter(141, 121, 20)).toContain('high');
    expect(meter(121, 38, 83)).toContain('induced');
  });
});

test('a house at 230 V is judged as one at 120 V is, and its table shows the volts that were read', () => {
  const judged = (region: 'north-america' | 'uk', factor: number) => {
    const shown = { instrument: 'meter' as const, hn: 120 * factor, hg: 0.2 * factor, ng: 120 * factor };
    const house = houseOf({ kind: 'job-described', region }, reads('hn-ng'), {
      kind: 'reading-taken',
      receptacle: den1,
      shown,
    });
    const run = new HouseJudge().judging(house, ['lamps', 'meter']);
    for (;;) {
      const step = run.next();
      if (step.done) return { one: step.value.receptacles.get(den1), shown };
    }
  };
  const american = judged('north-america', 1);
  const british = judged('uk', 230 / 120);
  expect(british.one?.condition).toBe(american.one?.condition);
  // Supplies stand elsewhere there, which makes a little difference.
  expect(british.one?.probability).toBeCloseTo(american.one?.probability ?? 0, 2);
  expect(british.one?.table[1]?.reading).toMatchObject(british.shown);
});

describe('why people must be kept away', () => {
  const untouched = receptacleWith();
  const byLamps = judgeByLamps({ lamps: lampsOf('hn') });

  test('a ground that is live, whatever leads', () => {
    const contacts = { ...byLamps.contacts, ground: 'live' as const };
    expect(dangerAt(untouched, { ...byLamps, contacts })).toBe('live-ground');
    expect(dangerAt(untouched, byLamps)).toBeNull();
  });

  test.each(['energized-ground', 'reversed-bootleg-ground', 'hot-ground-reversed'] as const)(
    '%s in the lead, though no contact is proved live',
    (leading) => {
      expect(dangerAt(untouched, { ...byLamps, readsAs: [leading] })).toBe('live-ground');
    },
  );

  test('all lamps lit is more than line voltage', () => {
    expect(dangerAt(untouched, judgeByLamps({ lamps: lampsOf('all') }))).toBe('overvoltage');
  });
});
