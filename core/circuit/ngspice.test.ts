import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { byNgspice, type DeckQuestion } from '../../scripts/ngspice.ts';
import { contactVolts, plugIn, voltsAcross } from '../instruments/at-contacts.ts';
import { contacts as everyContact } from '../instruments/index.ts';
import { threeTerminals } from '../physics/index.ts';
import { type CircuitInput, circuitInput } from './arbitrary-circuit.ts';
import { type Circuit, netlist, networkOf, nodeNames, parseCircuit, solved } from './index.ts';

// Source: ngspice, the open-source circuit simulator (Debian's package), on the decks that we export.

function parsed(input: CircuitInput): Circuit {
  const result = parseCircuit(input);
  if (result.kind === 'problems') throw new Error(JSON.stringify(result.problems));
  return result.value;
}

/** What asks for the magnitude of every node's potential, with further elements added to the deck. */
function everyNode(circuit: Circuit, elements: readonly string[] = []): DeckQuestion {
  const names = nodeNames(networkOf(circuit));
  return { deck: netlist(circuit), elements, values: names.map((name) => [`x_${name}`, `vm(${name})`]) };
}

/**
 * Volts that rounding may cost a nodal matrix in double precision where a node floats: its diagonal adds up
 * branches of some kilosiemens and leaks of nanosiemens, and what is lost there is multiplied by the node's
 * impedance to earth. (The star-mesh solver adds nothing up that way.)
 */
const roundingVolts = (circuit: Circuit, ohms: number): number =>
  2 ** -52 * 2e3 * ohms * circuit.nominalVolts;

const circuits = fc.sample(circuitInput, { numRuns: 220, seed: 3 }).map(parsed);

describe('the solver against ngspice, on 220 random circuits with random faults', () => {
  test('with 100 kΩ from an outlet’s contacts to earth, both agree within 1e-4 V there', () => {
    const outlet = threeTerminals();
    const volts = contactVolts();
    const siemens = 1e-5;
    const asked = circuits.map((circuit, sample) => {
      const solver = solved(circuit);
      const index = sample % circuit.outlets.length;
      const names = nodeNames(solver.network);
      const contacts = Object.values(solver.network.outlets[index]?.contact ?? {}).map(
        (node) => names[node] ?? '',
      );
      const probes = contacts.map((name, position) => `Rprobe${position} ${name} 0 ${1 / siemens}`);
      return { solver, index, contacts, question: everyNode(circuit, probes) };
    });
    const answers = byNgspice(asked.map(({ question }) => question));
    asked.forEach(({ solver, index, contacts }, sample) => {
      solver.equivalentAt(index, outlet);
      plugIn(outlet, { hot: siemens, neutral: siemens, ground: siemens }, volts);
      contacts.forEach((name, position) => {
        const spice = answers[sample]?.get(`x_${name}`) ?? Number.NaN;
        const apart = Math.abs(Math.hypot(...voltsAcross(everyContact[position] ?? 'hot', volts)) - spice);
        expect(apart, `${name} in ${JSON.stringify(circuits[sample])}`).toBeLessThan(1e-4);
      });
    });
  });

  test('with nothing plugged in, both agree within 1e-4 V on every node, or as far as ngspice’s digits go', () => {
    const answers = byNgspice(circuits.map((circuit) => everyNode(circuit)));
    let compared = 0;
    circuits.forEach((circuit, sample) => {
      const solver = solved(circuit);
      nodeNames(solver.network).forEach((name, node) => {
        const own = Math.hypot(solver.voltsRe[node] ?? 0, solver.voltsIm[node] ?? 0);
        const rounding = roundingVolts(circuit, Math.hypot(...solver.impedanceToEarth(node)));
        const apart = Math.abs(own - (answers[sample]?.get(`x_${name}`) ?? Number.NaN));
        expect(apart, `${name} in ${JSON.stringify(circuit)}`).toBeLessThan(Math.max(1e-4, rounding));
        if (rounding < 1e-4) compared += 1;
      });
    });
    expect(compared).toBeGreaterThan(3500);
  });
});
