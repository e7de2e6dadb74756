import { expect, test } from 'vitest';
import { networkOf, runOf, simulate } from '../../circuit/index.ts';
import type { InstrumentId, Reading, Test } from '../../instruments/index.ts';
import { Evaluator } from './evaluator.ts';
import { evidenceOf } from './evidence.ts';
import { fineTolerance, wrongVoltsNats } from './likelihood.ts';
import { legsApart } from './scale.ts';

const ids = ['o1', 'o2', 'o3', 'o4'];
const circuit = runOf(ids, { meters: { first: 15, next: 4 }, legs: ['L1', 'L2', 'L1', 'L2'] });
const sound = { faults: [], loads: [], deviceStates: [] };

/** What is read where the second leg stands at so many volts, worked out by the solver with its sources so. */
function readWith(volts: number, instruments: readonly InstrumentId[], at: readonly string[] = ids) {
  const tests = at.flatMap((id) => instruments.map((instrument) => ({ at: id, instrument }) as Test));
  return simulate({ ...circuit, tests, otherLegVolts: volts } as typeof circuit).readings;
}

/** How the sound circuit, which knows nothing of that, is held against them. */
function soundly(readings: readonly Reading[]) {
  const network = networkOf(circuit);
  const evaluator = new Evaluator(
    network,
    evidenceOf(network, { readings, trippedBefore: null, afterRepair: [] }),
  );
  return { deficit: evaluator.deficit(sound, false), ...evaluator.weighing.scales };
}

test.each([114, 117, 120, 123])(
  'a second leg at %d V is no fault: it stands so, and costs what such a difference is',
  (volts) => {
    const { deficit, own, other } = soundly(readWith(volts, ['meter', 'loaded']));
    expect(own).toBeCloseTo(1, 2);
    expect(other / own).toBeCloseTo(volts / 120, 2);
    const alike = soundly(readWith(120, ['meter', 'loaded'])).deficit;
    const price = 0.5 * ((volts / 120 - 1) / legsApart) ** 2;
    expect(Math.abs(deficit - alike - price)).toBeLessThan(0.7);
  },
);

test('one wrong value of the only reading of a leg leaves the rest to tell how that leg stands', () => {
  const right = readWith(117, ['meter'], ['o1', 'o2', 'o3']);
  const wrong = right.map(
    (one): Reading => (one.at === 'o2' && one.instrument === 'meter' ? { ...one, ng: 16 } : one),
  );
  const { own, other, deficit } = soundly(wrong);
  expect(other / own).toBeCloseTo(117 / 120, 2);
  // One value in a hundred is plainly wrong, and anything up to 250 V then; no more than that is paid.
  const price = -Math.log(fineTolerance.wrongValue) + wrongVoltsNats(fineTolerance.noiseVolts);
  expect(Math.abs(deficit - soundly(right).deficit - price)).toBeLessThan(1);
});
