import { describe, expect, test } from 'vitest';
import { parseCircuit, runOf } from '../../circuit/index.ts';
import { lampsOf, type Reading } from '../../instruments/index.ts';
import { Diagnostician } from '../index.ts';

const ids = ['a', 'b', 'c', 'd'];
const run = runOf(ids, { meters: { first: 15, next: 4 } });
const onTwoLegs = parseCircuit({
  ...run,
  outlets: run.outlets.map((outlet, index) => ({ ...outlet, leg: index % 2 === 0 ? 'L1' : 'L2' })),
});
const lamps: readonly Reading[] = ids.map((at) => ({ at, instrument: 'lamps', ...lampsOf('hn-hg') }));

const answerTo = (circuit: typeof run, readings: readonly Reading[]) =>
  new Diagnostician({
    circuit: { ...circuit, loads: [] },
    legs: circuit === run ? 'unknown' : 'as-written',
    unknownLoads: true,
    unknownDevices: new Set(),
  }).diagnose({
    readings,
    trippedBefore: [],
  });

// The supply stands where it stands (nuisance, not a sign): what one meter reading has right tells it, whatever value of
// it was misread.
describe('one value misread in the only reading of a meter', () => {
  const cases = [
    ['hot to ground', { hn: 118.5, hg: 99.9, ng: 0 }, 118.5],
    ['hot to ground, at 130 V', { hn: 130.2, hg: 102, ng: 0.1 }, 130.2],
    ['hot to neutral', { hn: 21.4, hg: 111.6, ng: 0 }, 111.6],
    ['neutral to ground', { hn: 127.3, hg: 127.2, ng: 46 }, 127.2],
  ] as const;
  for (const [leg, at, some] of [
    ['first', 'c', cases.slice(2)],
    ['other', 'd', cases.slice(1, 2)],
  ] as const)
    test.each(some)(`${leg} leg of two, %s`, (_, volts, supply) => {
      if (onTwoLegs.kind === 'problems') throw new Error('no circuit');
      const { outlets, explanations } = answerTo(onTwoLegs.value, [
        ...lamps,
        { at, instrument: 'meter', ...volts },
      ]);
      expect(outlets.map(({ condition }) => condition)).toEqual(ids.map(() => 'correct'));
      const { own, other } = explanations[0]?.fitted.scales ?? { own: 0, other: 0 };
      expect(120 * (leg === 'first' ? own : other)).toBeCloseTo(supply, 0);
    });
  test.each(cases.slice(0, 1))('legs that nobody knows, %s', (_, volts, supply) => {
    const { outlets, explanations } = answerTo(run, [...lamps, { at: 'd', instrument: 'meter', ...volts }]);
    expect(outlets.map(({ condition }) => condition)).toEqual(ids.map(() => 'correct'));
    for (const { probability } of outlets) expect(probability).toBeGreaterThan(0.9);
    expect(120 * (explanations[0]?.fitted.scales.own ?? 0)).toBeCloseTo(supply, 0);
  });
});
