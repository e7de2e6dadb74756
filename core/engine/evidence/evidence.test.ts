import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type Circuit, networkOf, runOf, simulate } from '../../circuit/index.ts';
import type { Reading, Test } from '../../instruments/index.ts';
import { compareReadings } from '../answer/evidence-table.ts';
import { Diagnostician } from '../index.ts';
import { causesOf } from '../model/cause.ts';
import { ViewMemory } from '../model/view-memory.ts';
import { Evaluator } from './evaluator.ts';
import { evidenceOf } from './evidence.ts';

const ids = ['o1', 'o2', 'o3'];
// Long, so that what floats hangs on capacitances and potentials have a phase.
const circuit: Circuit = runOf(ids, { meters: { first: 60, next: 40 } });
const network = networkOf(circuit);

/** In an order that is no one's: by neither outlet nor state nor instrument. */
const tests: readonly Test[] = [
  { at: 'o3', instrument: 'meter' },
  { at: 'o1', instrument: 'lamps', state: { loadsOff: true } },
  { at: 'o2', instrument: 'probe' },
  { at: 'o3', instrument: 'earth-meter' },
  { at: 'o1', instrument: 'lamps' },
  { at: 'o2', instrument: 'meter', state: { loadsOff: true } },
];
const readingsUnder = (faults: Circuit['faults']): readonly Reading[] =>
  simulate({ ...circuit, faults, tests: [...tests] }).readings;
const evidenceFrom = (readings: readonly Reading[]) =>
  evidenceOf(network, { readings, trippedBefore: [], afterRepair: [] });

describe('readings as evidence', () => {
  test('every reading is counted once, from nought, at its own position and its own channels', () => {
    const { states, observed } = evidenceFrom(readingsUnder([]));
    const all = states.flatMap(({ trippedBefore, outlets }) => [
      ...(trippedBefore === null ? [] : [trippedBefore]),
      ...outlets.flatMap(({ readings }) => readings),
    ]);
    const sorted = (numbers: readonly number[]) => numbers.toSorted((a, b) => a - b);
    expect(sorted(all.map(({ index }) => index))).toEqual(all.map((_, index) => index));
    const taken = all.filter(({ position }) => position >= 0);
    expect(sorted(taken.map(({ position }) => position))).toEqual(tests.map((_, position) => position));
    const channels = all.flatMap(({ first, end }) =>
      Array.from({ length: end - first }, (_, n) => first + n),
    );
    expect(sorted(channels)).toEqual(Array.from(observed, (_, channel) => channel));
    const slots = states.flatMap(({ outlets }) => outlets.map(({ slot }) => slot));
    expect(sorted(slots)).toEqual(slots.map((_, slot) => slot));
  });

  test('beside what is predicted they stand in the order in which they were taken', () => {
    const readings = readingsUnder([]);
    const evidence = evidenceFrom(readings);
    const predicted = new Float64Array(evidence.observed.length);
    const adrift = new Uint8Array(predicted.length);
    const table = compareReadings({ evidence, network } as never, { predicted, adrift }, [
      { position: 2, explained: false } as never,
    ]);
    expect(table.map(({ reading }) => reading)).toEqual(readings);
    expect(table.map(({ fits }) => fits)).toEqual([true, true, false, true, true, true]);
  });
});

describe('an evaluator that remembers', () => {
  test('predicts the same from memory as anew, whatever was asked between', () => {
    const causes = causesOf(network, {}, new Set());
    const evidence = evidenceFrom(readingsUnder([]));
    const remembering = new Evaluator(network, evidence, new ViewMemory(network));
    const which = fc.sample(fc.nat(causes.length - 1), { numRuns: 60, seed: 12 });
    const predictedBy = (evaluator: Evaluator, cause: number): readonly number[] => {
      const faults = (causes[cause]?.faults ?? []).map((fault) =>
        fault.kind === 'resistance' ? { ...fault, ohms: 20 } : fault,
      );
      evaluator.predict({ faults, loads: network.circuit.loads, deviceStates: [] }, false);
      return Array.from(evaluator.predicted);
    };
    for (const cause of [...which, ...which.toReversed()]) {
      const anew = predictedBy(new Evaluator(network, evidence), cause);
      const recalled = predictedBy(remembering, cause);
      recalled.forEach((value, channel) => {
        expect(value, `${JSON.stringify(causes[cause]?.faults)} ${channel}`).toBeCloseTo(
          anew[channel] ?? 0,
          6,
        );
      });
    }
  });
});

test('one who has to unplug everything does so only where nothing quicker tells as much', () => {
  // 150 s for the loads of a circuit, 10 for a probe (common practice): the probe comes first.
  const diagnostician = new Diagnostician({ circuit, unknownLoads: true, unknownDevices: new Set() });
  const lamps = ids.map((at) => ({ at, instrument: 'lamps' }) as Test);
  const { readings } = simulate({
    ...circuit,
    faults: [{ kind: 'swap', conductors: ['hot', 'ground'], at: 'o2' }],
    tests: lamps,
  });
  const { outlets } = diagnostician.diagnose({ readings, trippedBefore: [], kit: ['lamps', 'probe'] });
  expect(outlets[1]?.next).toMatchObject({ at: 'o2', instrument: 'probe' });
});
