import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { emit, operationOf, Solver, threeTerminals } from '../physics/index.ts';
import { type CircuitInput, circuitInput } from './arbitrary-circuit.ts';
import { type Circuit, networkOf, parseCircuit, solved } from './index.ts';

function parsed(input: CircuitInput): Circuit {
  const result = parseCircuit(input);
  if (result.kind === 'problems') throw new Error(JSON.stringify(result.problems));
  return result.value;
}
const circuit = circuitInput.map(parsed);
const magnitude = (solver: Solver, node: number): number =>
  Math.hypot(solver.voltsRe[node] ?? 0, solver.voltsIm[node] ?? 0);

/** Laws that any linear passive network obeys, whatever computes it (network theory). */
describe('the solver obeys the laws of networks', () => {
  test('Kirchhoff: what flows into a node flows out of it', () => {
    fc.assert(
      fc.property(circuit, (one) => {
        const solver = solved(one);
        const { network } = solver;
        const { voltsRe, voltsIm } = solver;
        const sum = Array.from({ length: network.nodeCount }, () => [0, 0] as [number, number]);
        const largest = new Float64Array(network.nodeCount);
        const flow = (a: number, b: number, re: number, im: number): void => {
          const dRe = (voltsRe[a] ?? 0) - (voltsRe[b] ?? 0);
          const dIm = (voltsIm[a] ?? 0) - (voltsIm[b] ?? 0);
          const amps: [number, number] = [re * dRe - im * dIm, re * dIm + im * dRe];
          for (const [node, sign] of [
            [a, -1],
            [b, 1],
          ] as const) {
            const into = sum[node];
            if (into === undefined) continue;
            into[0] += sign * amps[0];
            into[1] += sign * amps[1];
            // What the last digit of the two potentials is worth through this branch.
            largest[node] = (largest[node] ?? 0) + Math.hypot(re, im) * one.nominalVolts * 2 ** -50;
          }
        };
        emit(network, operationOf(network), {
          resistor: (a, b, ohms) => flow(a, b, 1 / ohms, 0),
          leak: (node, siemens) => flow(node, -1, siemens, 0),
          capacitor: (a, b, farads) => flow(a, b, 0, 2 * Math.PI * one.hertz * farads),
          source: (node, volts, degrees, ohms) => {
            const into = sum[node];
            if (into === undefined) return;
            const angle = (Math.PI * degrees) / 180;
            into[0] += (volts * Math.cos(angle) - (voltsRe[node] ?? 0)) / ohms;
            into[1] += (volts * Math.sin(angle) - (voltsIm[node] ?? 0)) / ohms;
            largest[node] = (largest[node] ?? 0) + (one.nominalVolts * 2 ** -50) / ohms;
          },
        });
        sum.forEach(([re, im], node) => {
          expect(Math.hypot(re, im)).toBeLessThan((largest[node] ?? 0) + 1e-12);
        });
      }),
      { numRuns: 400 },
    );
  });

  test('reciprocity: a current at one contact moves another as much as the other way round', () => {
    const outlet = threeTerminals();
    fc.assert(
      fc.property(circuit, fc.nat(), (one, seed) => {
        solved(one).equivalentAt(seed % one.outlets.length, outlet);
        for (const [row, column] of [
          [0, 1],
          [0, 2],
          [1, 2],
        ] as const)
          for (const part of [outlet.ohmsRe, outlet.ohmsIm]) {
            const there = part[3 * row + column] ?? 0;
            const back = part[3 * column + row] ?? 0;
            expect(Math.abs(there - back)).toBeLessThan(1e-9 * Math.max(1e-3, Math.abs(there)));
          }
      }),
      { numRuns: 400 },
    );
  });

  /**
   * Beside conductances, capacitances turn what they pass on. Where sources are no half turn apart that adds up to more
   * than the farthest of them (two of them a third of a turn apart, through a resistor and a capacitor: 1.37 times), so
   * that there the law holds of the conductances alone.
   */
  const lawful = (one: Circuit): Circuit => (one.degreesApart === 120 ? { ...one, hertz: 0 } : one);

  test('passivity: no node stands further from earth than the farthest source', () => {
    fc.assert(
      fc.property(circuit, (one) => {
        const solver = solved(lawful(one));
        for (let node = 0; node < solver.network.nodeCount; node += 1)
          expect(magnitude(solver, node)).toBeLessThan(one.nominalVolts * (1 + 1e-9));
      }),
      { numRuns: 400 },
    );
  });

  test('linearity: twice the source, twice every potential, where no load depends on the nominal voltage', () => {
    fc.assert(
      fc.property(circuit, (one) => {
        const once = solved({ ...one, loads: [] });
        const twice = solved({ ...one, loads: [], nominalVolts: 2 * one.nominalVolts });
        for (let node = 0; node < once.network.nodeCount; node += 1)
          expect(magnitude(twice, node)).toBeCloseTo(2 * magnitude(once, node), 9);
      }),
      { numRuns: 200 },
    );
  });

  test('a solver that has served other operations answers as a fresh one', () => {
    fc.assert(
      fc.property(circuit, (one) => {
        const used = new Solver(networkOf(one));
        const asGiven = operationOf(used.network);
        used.operate({ ...asGiven, faults: [], loadsOff: true });
        used.operate({ ...asGiven, breakerOn: false });
        used.operate(asGiven);
        expect(used.voltsRe).toEqual(solved(one).voltsRe);
        expect(used.voltsIm).toEqual(solved(one).voltsIm);
      }),
      { numRuns: 200 },
    );
  });
});
