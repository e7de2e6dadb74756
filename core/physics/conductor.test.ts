import { describe, expect, test } from 'vitest';
import { parseCircuit, simulate } from '../circuit/index.ts';
import { conductorOhms } from './conductor.ts';

const thousandFeet = 304.8;

describe('the resistance of a conductor', () => {
  // Source: NEC chapter 9, table 8, ohms per 1000 ft at 75 °C, uncoated (values from memory). The aluminum
  // ones are of stranded wire, which is some per cent longer than the solid wire of the model.
  test.each([
    ['copper', 14, 3.07, 0.01],
    ['copper', 12, 1.93, 0.01],
    ['copper', 10, 1.21, 0.01],
    ['aluminum', 12, 3.18, 0.03],
    ['aluminum', 10, 2.0, 0.03],
    ['aluminum', 8, 1.26, 0.03],
  ] as const)('%s %i AWG is %f ohms per 1000 ft at 75 °C', (metal, awg, ohms, tolerance) => {
    const own = conductorOhms({ metal, awg, meters: thousandFeet }, 75);
    expect(Math.abs(own - ohms) / ohms).toBeLessThan(tolerance);
  });

  test('12 A through 15 m of 14 AWG copper, against a calculation by hand', () => {
    // Area of 14 AWG 2.0818 mm²: 0.017241 / 2.0818 × 15 = 0.12423 Ω a conductor. With the source's 0.05 Ω and
    // two terminals of 0.002 Ω the loop has 0.30246 Ω beside the tester's 10 Ω: 120 × 10 / 10.30246.
    const circuit = parseCircuit({
      format: 'fair-plug/circuit@1',
      outlets: [{ id: 'a' }],
      cables: [{ id: 'c', from: 'panel', to: 'a', meters: 15, metal: 'copper', awg: 14 }],
      tests: [{ at: 'a', instrument: 'loaded', amps: 12 }],
    });
    if (circuit.kind === 'problems') throw new Error('unsound');
    expect(simulate(circuit.value).readings[0]).toMatchObject({ hn: expect.closeTo(116.477, 2) });
  });
});
