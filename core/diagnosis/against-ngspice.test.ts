import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, test } from 'vitest';
import {
  type Circuit,
  type Fault,
  netlist,
  networkOf,
  nodeNames,
  parseCircuit,
  type Reading,
} from '../circuit/index.ts';
import { dimFrom, type LampState, litFrom } from '../instruments/index.ts';
import { Diagnostician } from './index.ts';

// Source: ngspice, the open-source circuit simulator (Debian's package). Every reading here is computed by it, with the
// instrument's own resistors added to the deck that we export; nothing of the core's solver takes part.

const folder = mkdtempSync(join(tmpdir(), 'fair-plug-diagnosis-'));
afterAll(() => rmSync(folder, { recursive: true }));

const outlets = ['den-1', 'den-2', 'den-3', 'den-4'];
function circuitWith(faults: readonly Fault[], extra: object = {}): Circuit {
  const parsed = parseCircuit({
    format: 'fair-plug/circuit@1',
    outlets: outlets.map((id) => ({ id })),
    cables: outlets.map((to, index) => ({
      id: `c${index + 1}`,
      from: index === 0 ? 'panel' : outlets[index - 1],
      to,
      meters: index === 0 ? 12 : 5,
      metal: 'copper',
      awg: 12,
    })),
    faults,
    ...extra,
  });
  if (parsed.kind === 'problems') throw new Error(JSON.stringify(parsed.problems));
  return parsed.value;
}

type Contacts = readonly [hot: string, neutral: string, ground: string];

/** Volts between pairs of nodes as ngspice has them, with resistors added. "0" is earth. */
function volts(
  circuit: Circuit,
  resistors: readonly string[],
  pairs: readonly (readonly [string, string])[],
) {
  const asked = pairs.map(([a, b], index) => `let d${index} = mag(v(${a})${b === '0' ? '' : ` - v(${b})`})`);
  const printed = pairs.map((_, index) => `print d${index}`);
  const control = [...resistors, '.control', 'set numdgt=10', 'run', ...asked, ...printed, '.endc', '.end'];
  const file = join(folder, 'deck.cir');
  writeFileSync(file, netlist(circuit).replace(/\.end\n$/, `${control.join('\n')}\n`));
  const output = execFileSync('ngspice', ['-b', file], {
    encoding: 'utf8',
    stdio: ['ignore', 'pipe', 'ignore'],
  });
  const found = new Map(
    [...output.matchAll(/^d(\d+) = (\S+)$/gm)].map(([, index, value]) => [Number(index), Number(value)]),
  );
  return pairs.map((_, index) => found.get(index) ?? Number.NaN);
}

const glow = (value: number): LampState =>
  value >= litFrom * 120 ? 'lit' : value >= dimFrom * 120 ? 'dim' : 'off';

function readBySpice(circuit: Circuit): Reading[] {
  const network = networkOf(circuit);
  const names = nodeNames(network);
  return circuit.outlets.flatMap(({ id: at }, index): Reading[] => {
    const contact = network.outlets[index]?.contact;
    const [h, n, g] = [contact?.hot, contact?.neutral, contact?.ground].map(
      (node) => names[node ?? 0] ?? '',
    ) as unknown as Contacts;
    const pairs = [
      [h, n],
      [h, g],
      [n, g],
    ] as const;
    const metered = (before: readonly string[]): [number, number, number] => {
      const one = (pair: readonly [string, string]) =>
        volts(circuit, [...before, `Rmeter ${pair[0]} ${pair[1]} 10meg`], [pair])[0] ?? Number.NaN;
      return [one(pairs[0]), one(pairs[1]), one(pairs[2])];
    };
    const lamps = volts(
      circuit,
      pairs.map(([a, b], lamp) => `Rlamp${lamp} ${a} ${b} 100k`),
      pairs,
    ).map(glow);
    const plain = metered([]);
    const loaded = metered([`Rload ${h} ${n} 10`]);
    const toEarth = volts(
      circuit,
      [],
      [
        [h, '0'],
        [n, '0'],
        [g, '0'],
      ],
    ).map((value) => value >= 50);
    return [
      { at, instrument: 'lamps', hn: lamps[0] ?? 'off', hg: lamps[1] ?? 'off', ng: lamps[2] ?? 'off' },
      { at, instrument: 'meter', hn: plain[0], hg: plain[1], ng: plain[2] },
      { at, instrument: 'loaded', amps: 12, hn: loaded[0], hg: loaded[1], ng: loaded[2] },
      {
        at,
        instrument: 'probe',
        hot: toEarth[0] === true,
        neutral: toEarth[1] === true,
        ground: toEarth[2] === true,
      },
    ];
  });
}

const cases: readonly {
  readonly name: string;
  readonly faults: readonly Fault[];
  readonly loads?: object;
}[] = [
  {
    name: 'a poor neutral of 0.8 Ω between the second and the third',
    faults: [{ kind: 'resistance', conductor: 'neutral', ohms: 0.8, cable: 'c3' }],
  },
  {
    name: 'an open neutral with a lamp on beyond it',
    faults: [{ kind: 'open', conductor: 'neutral', cable: 'c3' }],
    loads: { loads: [{ at: 'den-4', watts: 75 }] },
  },
  {
    name: 'a bootleg ground at the last',
    faults: [
      { kind: 'open', conductor: 'ground', cable: 'c4' },
      { kind: 'bond', conductors: ['neutral', 'ground'], at: 'den-4' },
    ],
  },
  {
    name: 'a reversal at one receptacle',
    faults: [{ kind: 'swap', conductors: ['hot', 'neutral'], at: 'den-2' }],
  },
  {
    name: 'an open ground and, elsewhere, a poor hot terminal',
    faults: [
      { kind: 'open', conductor: 'ground', at: 'den-2' },
      { kind: 'resistance', conductor: 'hot', ohms: 2, at: 'den-4' },
    ],
  },
];

describe('readings that ngspice computes on exported decks lead back to what was put in', () => {
  test.each(cases)(
    '$name',
    ({ faults, loads = {} }) => {
      const readings = readBySpice(circuitWith(faults, loads));
      const diagnostician = new Diagnostician({
        circuit: circuitWith([]),
        unknownLoads: true,
        unknownDevices: new Set(),
      });
      const { explanations } = diagnostician.diagnose({ readings, trippedBefore: [] });
      const leading = explanations
        .filter(({ group }) => group === 1)
        .map(({ fitted }) => fitted.supposed.faults);
      const found = leading.find(
        (one) =>
          one.length === faults.length && faults.every((fault) => one.some((other) => isSame(fault, other))),
      );
      expect(found, JSON.stringify(leading.slice(0, 3))).toBeDefined();
      for (const fault of found ?? [])
        if (fault.kind === 'resistance') {
          const put = faults.find((one) => one.kind === 'resistance');
          expect(put?.kind === 'resistance' && fault.ohms / put.ohms).toBeCloseTo(1, 1);
        }
    },
    60_000,
  );
});

function isSame(a: Fault, b: Fault): boolean {
  const plain = (fault: Fault) =>
    JSON.stringify({ ...fault, ohms: 0 }, Object.keys({ ...fault, ohms: 0 }).sort());
  return plain(a) === plain(b);
}
