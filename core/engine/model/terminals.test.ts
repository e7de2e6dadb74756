import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type CircuitInput, circuitInput } from '../../circuit/arbitrary-circuit.ts';
import { type Circuit, networkOf, parseCircuit, simulate } from '../../circuit/index.ts';
import type { Test } from '../../instruments/index.ts';
import { compareReadings } from '../answer/evidence-table.ts';
import { Evaluator, type Supposed } from '../evidence/evaluator.ts';
import { evidenceOf } from '../evidence/evidence.ts';
import { fineTolerance } from '../evidence/likelihood.ts';
import { ViewMemory } from './view-memory.ts';

const instruments = ['lamps', 'meter', 'meter-low', 'earth-meter', 'loaded', 'gfci-button'] as const;

function parsed(input: CircuitInput): Circuit {
  const tests = input.outlets.flatMap(({ id }) =>
    instruments.map((instrument) => ({ at: id, instrument }) as Test),
  );
  const result = parseCircuit({ ...input, tests });
  if (result.kind === 'problems') throw new Error(JSON.stringify(result.problems));
  return result.value;
}

const samples = fc.sample(circuitInput, { numRuns: 80, seed: 5 });
const supposedOf = (circuit: Circuit): Supposed => ({
  faults: circuit.faults,
  loads: circuit.loads,
  deviceStates: circuit.protection.map(({ state }) => state),
});

describe('what the diagnosis predicts', () => {
  test('is what the instruments show, on random circuits with random faults', () => {
    for (const input of samples) {
      const circuit = parsed(input);
      const network = networkOf(circuit);
      const { readings, trippedBefore = [] } = simulate(circuit);
      const evidence = evidenceOf(network, { readings, trippedBefore, afterRepair: [] });
      const evaluator = new Evaluator(network, evidence);
      evaluator.predict(supposedOf(circuit), false);
      const problem = {
        network,
        evidence,
        memory: new ViewMemory(network),
        causes: [],
        unknownLoads: false,
        tolerance: fineTolerance,
      };
      for (const { reading, predicted } of compareReadings(
        problem,
        { predicted: evaluator.predicted, adrift: evaluator.weighing.adrift },
        [],
      )) {
        if (reading.instrument === 'lamps') expect(predicted).toEqual(reading);
        if (reading.instrument === 'meter' && predicted.instrument === 'meter') {
          expect(predicted.hn).toBeCloseTo(reading.hn ?? Number.NaN, 3);
          expect(predicted.ng).toBeCloseTo(reading.ng ?? Number.NaN, 3);
        }
        if (reading.instrument === 'gfci-button' && predicted.instrument === 'gfci-button')
          expect(predicted.trips, JSON.stringify(input)).toEqual(reading.trips);
      }
    }
  });

  test('changes with a load as the exact derivative says, against a difference quotient', () => {
    let compared = 0;
    for (const input of samples) {
      const circuit = parsed({ ...input, protection: [] });
      const network = networkOf(circuit);
      const { readings } = simulate(circuit);
      const volts = readings.filter(
        ({ instrument }) => instrument !== 'lamps' && instrument !== 'gfci-button',
      );
      const evidence = evidenceOf(network, { readings: volts, trippedBefore: [], afterRepair: [] });
      const evaluator = new Evaluator(network, evidence);
      const contact = network.outlets[0]?.contact;
      const at = circuit.outlets[0]?.id;
      if (contact === undefined || at === undefined) continue;
      const others = circuit.loads.filter((load) => load.at !== at);
      const siemens = 0.01;
      const withSiemens = (g: number): Supposed => ({
        ...supposedOf(circuit),
        loads: [...others, { at, watts: g * circuit.nominalVolts ** 2, on: true }],
      });
      const branch = { a: contact.hot, b: contact.neutral, ohms: 1 / siemens };
      const slopes = evaluator.predictWithSlopes(withSiemens(siemens), [branch], [true], () => true).slice();
      // So many branches that they are asked from the outlets, one of them gone: a network is reciprocal.
      const many = Array.from({ length: 3 * circuit.outlets.length + 1 }, () => branch);
      const each = evaluator.predictWithSlopes(
        withSiemens(siemens),
        many,
        many.map(() => true),
        () => true,
      );
      for (let channel = 0; channel < evaluator.predicted.length; channel += 1) {
        const last = each[channel * many.length + many.length - 1] as number;
        expect(Math.abs(last - (slopes[channel] as number))).toBeLessThan(1e-6 * (1 + Math.abs(last)));
      }
      // Of what does not ask for it nothing changes, and as much is shown.
      const shown = evaluator.predicted.slice();
      const unasked = evaluator.predictWithSlopes(withSiemens(siemens), [branch], [true], () => false);
      expect(unasked.slice(0, shown.length).every((slope) => slope === 0)).toBe(true);
      for (let channel = 0; channel < shown.length; channel += 1)
        expect(evaluator.predicted[channel]).toBeCloseTo(shown[channel] as number, 9);
      const step = siemens * 1e-4;
      evaluator.predict(withSiemens(siemens + step), false);
      const above = evaluator.predicted.slice();
      evaluator.predict(withSiemens(siemens - step), false);
      for (let channel = 0; channel < above.length; channel += 1) {
        const quotient = ((above[channel] ?? 0) - (evaluator.predicted[channel] ?? 0)) / (2 * step);
        const slope = slopes[channel] ?? 0;
        if (Math.abs((above[channel] ?? 0) * quotient) < 1e-6) continue;
        expect(Math.abs(slope - quotient), JSON.stringify(input)).toBeLessThan(
          1e-2 + 2e-3 * Math.abs(quotient),
        );
        compared += 1;
      }
    }
    expect(compared).toBeGreaterThan(300);
  });
});
