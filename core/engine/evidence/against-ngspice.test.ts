import { describe, expect, test } from 'vitest';
import { byNgspice } from '../../../scripts/ngspice.ts';
import { type Circuit, netlist, networkOf, nodeNames, parseCircuit } from '../../circuit/index.ts';
import type { Fault } from '../../faults/index.ts';
import { dimFrom, type LampState, litFrom, type Reading } from '../../instruments/index.ts';
import { Diagnostician } from '../index.ts';

// Source: ngspice, the open-source circuit simulator (Debian's package). Every reading here is computed by it, with the
// instrument's own resistors added to the deck that we export; nothing of the core's solver takes part.

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

type Pair = readonly [string, string];
type Metered = Readonly<Record<'hn' | 'hg' | 'ng', number>>;

interface Question {
  readonly resistors: readonly string[];
  readonly pairs: readonly Pair[];
}

/** Volts between pairs of nodes as ngspice has them, with resistors added, a list a question. "0" is earth. */
function volts(circuit: Circuit, questions: readonly Question[]): readonly (readonly number[])[] {
  const answers = byNgspice(
    questions.map(({ resistors, pairs }) => ({
      deck: netlist(circuit),
      elements: resistors,
      values: pairs.map(([a, b], index) => [`d${index}`, `mag(v(${a})${b === '0' ? '' : ` - v(${b})`})`]),
    })),
  );
  return questions.map(({ pairs }, at) =>
    pairs.map((_, index) => answers[at]?.get(`d${index}`) ?? Number.NaN),
  );
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
    const metered = (before: readonly string[]): readonly Question[] =>
      pairs.map((pair) => ({ resistors: [...before, `Rmeter ${pair[0]} ${pair[1]} 10meg`], pairs: [pair] }));
    const [lit = [], toEarth = [], ...figures] = volts(circuit, [
      { resistors: pairs.map(([a, b], lamp) => `Rlamp${lamp} ${a} ${b} 100k`), pairs },
      { resistors: [], pairs: [h, n, g].map((node) => [node, '0'] as const) },
      ...metered([]),
      ...metered([`Rload ${h} ${n} 10`]),
    ]);
    const lamps = lit.map(glow);
    const live = toEarth.map((value) => value >= 50);
    const [plain, loaded] = [figures.slice(0, 3), figures.slice(3)].map((of) => ({
      hn: of[0]?.[0] ?? Number.NaN,
      hg: of[1]?.[0] ?? Number.NaN,
      ng: of[2]?.[0] ?? Number.NaN,
    })) as [Metered, Metered];
    return [
      { at, instrument: 'lamps', hn: lamps[0] ?? 'off', hg: lamps[1] ?? 'off', ng: lamps[2] ?? 'off' },
      { at, instrument: 'meter', ...plain },
      { at, instrument: 'loaded', amps: 12, ...loaded },
      {
        at,
        instrument: 'probe',
        hot: live[0] === true,
        neutral: live[1] === true,
        ground: live[2] === true,
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
  test.each(cases)('$name', ({ faults, loads = {} }) => {
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
  });
});

function isSame(a: Fault, b: Fault): boolean {
  const plain = (fault: Fault) =>
    JSON.stringify({ ...fault, ohms: 0 }, Object.keys({ ...fault, ohms: 0 }).sort());
  return plain(a) === plain(b);
}
