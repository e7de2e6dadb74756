import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { afterAll, describe, expect, test } from 'vitest';
import { contactVolts, plugIn, toEarth } from '../instruments/at-contacts.ts';
import { type CircuitInput, circuitInput } from './arbitrary-circuit.ts';
import {
  type Circuit,
  netlist,
  networkOf,
  nodeNames,
  parseCircuit,
  solved,
  threeTerminals,
} from './index.ts';

// Source: ngspice, the open-source circuit simulator (Debian's package), on the decks that we export.

const folder = mkdtempSync(join(tmpdir(), 'fair-plug-spice-'));
afterAll(() => rmSync(folder, { recursive: true }));

function parsed(input: CircuitInput): Circuit {
  const result = parseCircuit(input);
  if (result.kind === 'problems') throw new Error(JSON.stringify(result.problems));
  return result.value;
}

/** Magnitude of every node's potential, as ngspice computes it, with further elements added to the deck. */
function byNgspice(circuit: Circuit, elements: readonly string[] = []): ReadonlyMap<string, number> {
  const asked = nodeNames(networkOf(circuit)).map((name) => `print vm(${name})`);
  const control = [...elements, '.control', 'set numdgt=12', 'run', ...asked, '.endc', '.end'].join('\n');
  const file = join(folder, 'deck.cir');
  writeFileSync(file, netlist(circuit).replace(/\.end\n$/, `${control}\n`));
  const output = execFileSync('ngspice', ['-b', file], {
    encoding: 'utf8',
    stdio: ['ignore', 'pipe', 'ignore'],
  });
  return new Map(
    [...output.matchAll(/^vm\((\w+)\) = (\S+)$/gm)].map(([, name = '', volts]) => [name, Number(volts)]),
  );
}

/**
 * Volts that rounding may cost a nodal matrix in double precision where a node floats: its diagonal adds up
 * branches of some kilosiemens and leaks of nanosiemens, and what is lost there is multiplied by the node's
 * impedance to earth. (The star-mesh solver adds nothing up that way.)
 */
const roundingVolts = (circuit: Circuit, ohms: number): number =>
  2 ** -52 * 2e3 * ohms * circuit.nominalVolts;

const samples = fc.sample(circuitInput, { numRuns: 220, seed: 3 });

describe('the solver against ngspice, on 220 random circuits with random faults', () => {
  test('with 100 kΩ from an outlet’s contacts to earth, both agree within 1e-4 V there', () => {
    const outlet = threeTerminals();
    const volts = contactVolts();
    const siemens = 1e-5;
    samples.forEach((input, sample) => {
      const circuit = parsed(input);
      const solver = solved(circuit);
      const index = sample % circuit.outlets.length;
      const names = nodeNames(solver.network);
      const contacts = Object.values(solver.network.outlets[index]?.contact ?? {}).map(
        (node) => names[node] ?? '',
      );
      const spice = byNgspice(
        circuit,
        contacts.map((name, position) => `Rprobe${position} ${name} 0 ${1 / siemens}`),
      );
      solver.equivalentAt(index, outlet);
      plugIn(outlet, { hot: siemens, neutral: siemens, ground: siemens }, volts);
      contacts.forEach((name, position) => {
        const apart = Math.abs(toEarth(position, volts) - (spice.get(name) ?? Number.NaN));
        expect(apart, `${name} in ${JSON.stringify(input)}`).toBeLessThan(1e-4);
      });
    });
  }, 300_000);

  test('with nothing plugged in, both agree within 1e-4 V on every node, or as far as ngspice’s digits go', () => {
    let compared = 0;
    for (const input of samples) {
      const circuit = parsed(input);
      const spice = byNgspice(circuit);
      const solver = solved(circuit);
      nodeNames(solver.network).forEach((name, node) => {
        const own = Math.hypot(solver.voltsRe[node] ?? 0, solver.voltsIm[node] ?? 0);
        const rounding = roundingVolts(circuit, Math.hypot(...solver.impedanceToEarth(node)));
        const apart = Math.abs(own - (spice.get(name) ?? Number.NaN));
        expect(apart, `${name} in ${JSON.stringify(input)}`).toBeLessThan(Math.max(1e-4, rounding));
        if (rounding < 1e-4) compared += 1;
      });
    }
    expect(compared).toBeGreaterThan(3500);
  }, 300_000);
});
