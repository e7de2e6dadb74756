import { describe, expect, test } from 'vitest';
import { simulate } from '../../circuit/index.ts';
import { runOnTest, toldOf } from './testing-run.ts';

const ids = ['a', 'b', 'c', 'd'];
const everywhere = ids.flatMap((at) =>
  ['lamps', 'meter', 'probe', 'loaded'].map((instrument) => ({ at, instrument })),
);

// Whoever left one screw loose left the one beside it loose as well: no single terminal explains what a load test shows.
const bothPoor = (at: string, hot: number, neutral: number) => [
  { kind: 'resistance', conductor: 'hot', ohms: hot, at },
  { kind: 'resistance', conductor: 'neutral', ohms: neutral, at },
];

describe('a receptacle whose hot and neutral terminals are both poor is of high resistance', () => {
  test.each([
    ['pigtail', 2.7, 2.7, 0],
    ['pigtail', 1, 1.4, 0],
    ['pigtail', 0.6, 4, 200],
    ['pigtail', 2.7, 2.7, 200],
    ['pigtail', 8, 3, 0],
    ['through', 2.7, 2.7, 0],
  ] as const)('%s, %d Ω and %d Ω, %d W on', (wiring, hot, neutral, watts) => {
    const circuit = runOnTest({
      ids,
      wiring,
      meters: { first: 15, next: 4 },
      nominalVolts: 119,
      loads: watts > 0 ? [{ at: 'd', watts, on: true }] : [],
      faults: bothPoor('c', hot, neutral),
      tests: everywhere,
    });
    const affected = wiring === 'pigtail' ? 'c' : 'cd';
    const { outlets } = toldOf(circuit, simulate(circuit).readings);
    for (const { id, condition } of outlets)
      expect([id, condition]).toEqual([id, affected.includes(id) ? 'high-resistance' : 'correct']);
  });

  // Both are about as poor: hardly anything is left under load, and no sound receptacle was misread.
  test.each([50, 100, 200])('%d Ω each, at the end of a run', (ohms) => {
    const circuit = runOnTest({
      ids,
      wiring: 'through',
      meters: { first: 17, next: 4 },
      nominalVolts: 118,
      faults: bothPoor('d', ohms, ohms),
      tests: everywhere,
    });
    const { outlets } = toldOf(circuit, simulate(circuit).readings);
    expect(outlets.map(({ condition }) => condition)).toEqual([
      ...['correct', 'correct', 'correct'],
      'high-resistance',
    ]);
  });
});

const meters = { first: 17, next: 4 };
const bond = { kind: 'bond', conductors: ['neutral', 'ground'], at: 'c' };

// 87 V under load and 118 V at rest, with the neutral beside the ground: neither explains that by itself.
test('a poor hot terminal beside a false ground: neither is taken for a misreading', () => {
  for (const watts of [0, 250]) {
    const circuit = runOnTest({
      ids,
      wiring: 'pigtail',
      meters,
      nominalVolts: 118,
      loads: watts > 0 ? [{ at: 'd', watts, on: true }] : [],
      faults: [
        { kind: 'resistance', conductor: 'hot', ohms: 3, at: 'c' },
        { kind: 'resistance', conductor: 'neutral', ohms: 3, at: 'c' },
        bond,
      ],
      tests: everywhere,
    });
    const { outlets } = toldOf(circuit, simulate(circuit).readings);
    expect(outlets.map(({ condition }) => condition)).toEqual([
      'correct',
      'correct',
      'bootleg-ground',
      'correct',
    ]);
  }
});

// Lamps are dark, the meter shows nothing, and the probe sounds at all three contacts.
test('a neutral that is lost and carried to the ground: what reads dark and sounds may be live all over', () => {
  const circuit = runOnTest({
    ids,
    wiring: 'pigtail',
    meters,
    nominalVolts: 118,
    loads: [{ at: 'd', watts: 250, on: true }],
    faults: [
      { kind: 'open', conductor: 'neutral', cable: 'wc' },
      { kind: 'open', conductor: 'ground', at: 'c' },
      bond,
    ],
    tests: everywhere,
  });
  const { outlets } = toldOf(circuit, simulate(circuit).readings);
  const { condition, notRuledOut } = outlets[2] ?? { condition: '', notRuledOut: [] };
  expect([condition, ...notRuledOut]).toContain('energized-ground');
});

// Seen from a receptacle that is pigtailed, its own contacts and all that lies beyond it are each other's exchange.
test('neutral and ground exchanged at the first receptacle or behind it show the same, whatever is on: one is as likely as the other', () => {
  for (const watts of [300, 600, 900]) {
    const circuit = runOnTest({
      ids,
      wiring: 'pigtail',
      meters: { first: 17, next: 4 },
      nominalVolts: 118,
      loads: [{ at: 'c', watts, on: true }],
      faults: [{ kind: 'swap', conductors: ['neutral', 'ground'], at: 'a' }],
      tests: everywhere,
    });
    const { explanations } = toldOf(circuit, simulate(circuit).readings);
    const shareOf = (site: object): number =>
      explanations.find(
        ({ hypothesis: { causes } }) =>
          causes.length === 1 &&
          causes[0]?.prior === 'neutral-ground-exchanged' &&
          JSON.stringify(causes[0].site) === JSON.stringify(site),
      )?.probability ?? 0;
    const [atIt, behind] = [shareOf({ outlet: 0 }), shareOf({ cable: 1 })];
    expect(atIt, `${watts} W`).toBeGreaterThan(0.1);
    expect(Math.abs(Math.log(atIt / behind)), `${watts} W`).toBeLessThan(0.05);
  }
});
