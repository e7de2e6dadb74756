import { describe, expect, test } from 'vitest';
import { type LampPattern, lampPatterns, lampsOf, type Reading } from '../../instruments/index.ts';
import type { LegLayout } from '../../knowledge/index.ts';
import { conditions, patternTable } from '../../knowledge/index.ts';
import { enUs } from '../../words/index.ts';
import { diagnoseAlone } from './lone-outlet.ts';

const lamps = (pattern: LampPattern): Reading => ({ at: 'x', instrument: 'lamps', ...lampsOf(pattern) });

describe('a receptacle by itself', () => {
  test.each(lampPatterns)('%s: what the table of patterns usually reads it as stays in sight', (pattern) => {
    const { condition, notRuledOut, explanations } = diagnoseAlone('x', [lamps(pattern)]);
    const usual = patternTable[pattern].fits.filter(({ frequency }) => frequency === 'usual');
    // A condition that leads, a doubt that is said, or an explanation of at least a twentieth.
    const shown = explanations.filter(({ probability }) => probability >= 0.05);
    const inSight = [condition, ...notRuledOut, ...shown.flatMap(({ conditions: here }) => here)];
    for (const fit of usual) expect(inSight, fit.id).toContain(fit.conditions[0]);
  });

  test('no pattern but correct is called correct', () => {
    for (const pattern of lampPatterns)
      if (pattern !== 'hn-hg')
        expect(diagnoseAlone('x', [lamps(pattern)]).condition, pattern).not.toBe('correct');
  });

  test('probabilities add up, groups count from one, and every doubt has its share', () => {
    for (const pattern of lampPatterns) {
      const { explanations, notRuledOut, doubts } = diagnoseAlone('x', [lamps(pattern)]);
      expect(explanations.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 4);
      expect(explanations[0]?.group).toBe(1);
      expect(doubts).toHaveLength(notRuledOut.length);
      for (const id of notRuledOut) expect(conditions[id].dangerous).toBe(true);
    }
  });

  test('a contact is called live only where everything that fits says so', () => {
    expect(diagnoseAlone('x', [lamps('hn-hg')]).contacts[2]).not.toBe('live');
    expect(diagnoseAlone('x', [lamps('hn-ng')]).contacts[0]).not.toBe('live');
    const probed: Reading = { at: 'x', instrument: 'probe', hot: true, neutral: false, ground: false };
    const measured: Reading = { at: 'x', instrument: 'earth-meter', hot: 120, neutral: 0.1, ground: 0.1 };
    expect(diagnoseAlone('x', [lamps('hn-hg'), probed, measured]).contacts).toEqual([
      'live',
      'not-live',
      'not-live',
    ]);
  });

  test('a low-impedance meter takes the ghost volts from an open ground (common practice)', () => {
    const high: Reading = { at: 'x', instrument: 'meter', hn: 120, hg: 52, ng: 67 };
    const low: Reading = { at: 'x', instrument: 'meter-low', hn: 120, hg: 0.1, ng: 0.1 };
    const { condition, misfits } = diagnoseAlone('x', [lamps('hn'), high, low]);
    expect(condition).toBe('open-ground');
    expect(misfits).toEqual([]);
  });

  test('of a contact that nothing holds, nothing is expected: a meter wanders there, and a probe sounds or does not', () => {
    const { condition, table } = diagnoseAlone('x', [
      lamps('hn'),
      { at: 'x', instrument: 'probe', hot: true, neutral: false, ground: false },
      { at: 'x', instrument: 'meter', hn: 121, hg: 83, ng: 38 },
      { at: 'x', instrument: 'meter-low', hn: 121, hg: 2, ng: 1 },
    ]);
    expect(condition).toBe('open-ground');
    expect(table.map(({ floats }) => floats)).toEqual([[], ['ground'], ['hg', 'ng'], []]);
    const [, probed, measured] = table;
    if (probed === undefined || measured === undefined) throw new Error('not all was compared');
    expect(enUs.values(probed.predicted, probed.floats)).toContainEqual(['G', 'either, it floats']);
    expect(enUs.values(measured.predicted, measured.floats)).toContainEqual(['H–G', 'any, it floats']);
  });

  test('one measured pair counts as one, and what was not measured speaks neither for nor against anything', () => {
    const one: Reading = { at: 'x', instrument: 'meter', ng: 118 };
    expect(diagnoseAlone('x', [lamps('hn-hg'), { at: 'x', instrument: 'meter', hn: 121 }]).condition).toBe(
      'correct',
    );
    // Neutral to ground at full volts while hot to neutral is lit, and no lamp between hot and ground.
    expect(diagnoseAlone('x', [lamps('hn-ng'), one]).condition).toBe(
      diagnoseAlone('x', [lamps('hn-ng'), { ...one, hn: 120, hg: 0.3 }]).condition,
    );
  });

  test.each([
    { hn: 30, hg: 118, ng: 88 },
    { hn: 38, ng: 83 },
    { hn: 60, ng: 60 },
  ])('volts of a neutral in the air: no danger, and the low-impedance meter decides: %o', (volts) => {
    const probed: Reading = { at: 'x', instrument: 'probe', hot: true, neutral: true, ground: false };
    const read: readonly Reading[] = [{ at: 'x', instrument: 'meter', ...volts }, probed];
    const { condition, next } = diagnoseAlone('x', read, {}, ['probe', 'meter', 'meter-low', 'loaded']);
    expect(condition).toBe('open-neutral');
    expect(next?.instrument).toBe('meter-low');
  });

  test.each([
    [139, 69],
    [72.7, 67.6],
  ])('a neutral lost between two of three phases (208Y/120 V), %d V to hot and %d V to ground', (hn, ng) => {
    const probed: Reading = { at: 'x', instrument: 'probe', hot: true, neutral: true, ground: false };
    const read: readonly Reading[] = [{ at: 'x', instrument: 'meter-low', hn, hg: 120, ng }, probed];
    expect(diagnoseAlone('x', read).condition).toBe('lost-shared-neutral');
  });

  test.each([
    [139, 69],
    [72.7, 67.6],
    [104, 60],
  ])(
    '%d V to hot and %d V to ground: likelier where the panel is said to bring in two of three phases',
    (hn, ng) => {
      const read: readonly Reading[] = [{ at: 'x', instrument: 'meter', hn, hg: 120, ng }];
      const shareUnder = (legs?: LegLayout): number =>
        diagnoseAlone('x', read, { legs })
          .explanations.filter(({ conditions: [one] }) => one === 'lost-shared-neutral')
          .reduce((sum, { probability }) => sum + probability, 0);
      expect(shareUnder('three-phase')).toBeGreaterThan(shareUnder());
      // What is dangerous is made no rarer by what somebody said.
      for (const legs of ['split', 'one-leg'] as const) expect(shareUnder(legs)).toBe(shareUnder());
    },
  );

  test('lamps read again with loads off tell an open neutral from a live ground', () => {
    const again: Reading = { at: 'x', instrument: 'lamps', ...lampsOf('hg'), state: { loadsOff: true } };
    const doubtOf = (readings: readonly Reading[]): number => {
      const { notRuledOut, doubts } = diagnoseAlone('x', readings);
      return doubts[notRuledOut.indexOf('hot-ground-reversed')] ?? 0;
    };
    expect(diagnoseAlone('x', [lamps('hg-ng'), again]).condition).toBe('open-neutral');
    // What is left of it is a live ground together with an open neutral.
    expect(doubtOf([lamps('hg-ng')])).toBeGreaterThan(0.05);
    expect(doubtOf([lamps('hg-ng'), again])).toBeLessThan(1e-3);
  });

  test('all lamps lit is no three-wire fault: two legs on one lost neutral', () => {
    expect(diagnoseAlone('x', [lamps('all')]).condition).toBe('lost-shared-neutral');
  });

  test('what a device’s own button did says nothing here, and breaks nothing', () => {
    const button: Reading = { at: 'x', instrument: 'own-button', result: 'trips' };
    expect(diagnoseAlone('x', [lamps('hn-hg'), button]).condition).toBe('correct');
  });

  test('only what is in the bag is asked for, and nothing twice', () => {
    const probed: Reading = { at: 'x', instrument: 'probe', hot: true, neutral: false, ground: false };
    expect(diagnoseAlone('x', [lamps('hn-hg')], {}, ['lamps', 'meter']).next?.instrument).not.toBe('probe');
    expect(diagnoseAlone('x', [lamps('hn-hg'), probed], {}, ['lamps', 'probe']).next?.instrument).not.toBe(
      'probe',
    );
  });

  test('what is said in one house does not depend on which was judged before it', () => {
    const sharesIn = (alteredIn: readonly number[]) =>
      diagnoseAlone('x', [lamps('hn-hg')], { yearBuilt: 1955, alteredIn }).explanations.map(
        ({ probability }) => probability,
      );
    const before = sharesIn([]);
    const altered = sharesIn([1989]);
    expect(altered).not.toEqual(before);
    expect(sharesIn([])).toEqual(before);
  });
});
