import { expect, test } from 'vitest';
import { networkOf, simulate } from '../../circuit/index.ts';
import { runOnTest } from '../answer/testing-run.ts';
import { Evaluator } from '../evidence/evaluator.ts';
import { evidenceOf } from '../evidence/evidence.ts';
import { evenly } from '../model/scales.ts';
import { askedOhms } from './asked-ohms.ts';

// The reading is the model's own with the same ohms, so these are what it asks for.
test.each([0.15, 0.6, 2.5, 9, 60, 900])('a load test beyond a bad connection asks for its %d Ω', (ohms) => {
  const withOhms = (some: number) =>
    runOnTest({
      ids: ['a', 'b', 'c'],
      wiring: 'pigtail',
      meters: { first: 12, next: 4 },
      faults: [{ kind: 'resistance', conductor: 'hot', ohms: some, cable: 'wb' }],
      tests: [{ at: 'c', instrument: 'loaded' }],
    });
  const { readings } = simulate(withOhms(ohms));
  const network = networkOf({ ...withOhms(ohms), faults: [] });
  const evidence = evidenceOf(network, { readings, trippedBefore: null, afterRepair: [] });
  const supposed = (some: number) => ({ faults: withOhms(some).faults, loads: [], deviceStates: [] });
  const misfits = { of: new Set([0]), at: new Set([2]), atRest: false };
  const asked = askedOhms(new Evaluator(network, evidence), supposed, misfits, evenly(1));
  const across = (some: number): number => {
    const [reading] = simulate(withOhms(some)).readings;
    return reading?.instrument === 'loaded' ? (reading.hn ?? Number.NaN) : Number.NaN;
  };
  const off = asked.map((one) => Math.abs(across(one) - across(ohms)));
  expect(Math.min(...off), `${asked}`).toBeLessThan(0.3);
});
