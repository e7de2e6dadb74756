import { assess, HouseJudge } from '@fair-plug/core/assessment';
import { lampsOf, type Shown } from '@fair-plug/core/instruments';
import { type Apart, foldHouse, type JobEntry, type JobStatement } from '@fair-plug/core/log';
import { describe, expect, test } from 'vitest';
import { graphOf } from './graph-model';
import { runChartData } from './run-chart-rows';
import { emptyBreakers, unassigned, wiredCircuits } from './wired';

const id = (n: number): string => `01900000-0000-7000-8000-${n.toString(16).padStart(12, '0')}`;
const den: Apart = [0x30, 0x31, 0x32, 0x33].map(id);
const [r1 = '', r2 = '', r3 = '', r4 = ''] = den;

function assessed(...more: readonly JobStatement[]) {
  const said: readonly JobStatement[] = [
    { kind: 'job-described', yearBuilt: 1985, groundedWiring: true },
    { kind: 'room-described', room: id(0x20), name: 'Den' },
    ...den.map(
      (receptacle, index): JobStatement => ({
        kind: 'receptacle-described',
        receptacle,
        room: id(0x20),
        name: `Den ${index + 1}`,
      }),
    ),
    ...['7', '9'].map(
      (number, index): JobStatement => ({
        kind: 'breaker-described',
        panel: id(0x50),
        position: id(0x51 + index),
        number,
        feeds: index === 0 ? 'Den' : 'Attic',
        metal: 'copper',
        size: '14',
      }),
    ),
    ...more,
  ];
  const house = foldHouse(
    said.map(
      (one, index): JobEntry => ({
        id: id(0x1000 + index),
        device: id(1),
        author: id(2),
        at: new Date(Date.UTC(2026, 4, 4, 9, 0, index)).toISOString(),
        ...one,
      }),
    ),
  );
  const run = new HouseJudge().judging(house, ['lamps', 'meter', 'loaded']);
  for (;;) {
    const step = run.next();
    if (step.done) return assess(house, step.value);
  }
}
const fed = (receptacle: string, place: number, breaker = '7'): JobStatement => ({
  kind: 'receptacle-fed',
  receptacle,
  breaker,
  place,
});
const lamps = (receptacle: string, pattern: 'hn-hg' | 'hg'): JobStatement => ({
  kind: 'lamps-read',
  receptacle,
  lamps: lampsOf(pattern),
});
const taken = (receptacle: string, shown: Shown): JobStatement => ({
  kind: 'reading-taken',
  receptacle,
  shown,
});

describe('what is drawn of a house', () => {
  const assessment = assessed(
    fed(r1, 1),
    fed(r2, 2),
    fed(r3, 3),
    lamps(r1, 'hn-hg'),
    lamps(r2, 'hn-hg'),
    lamps(r3, 'hg'),
    { kind: 'circuit-described', breaker: '7', end: r3 },
  );
  const circuits = wiredCircuits(assessment);
  const graph = graphOf(
    assessment,
    circuits,
    new Map([
      [r1, { as: 'device' as const }],
      [r2, { as: 'covered' as const, by: 'Den 1' }],
    ]),
    'Panel',
  );

  test('the panel, its breakers, their receptacles in order; what is on no breaker hangs on nothing', () => {
    expect(graph.nodes.map(({ name }) => name)).toEqual([
      'Panel',
      '7',
      '9',
      'Den 1',
      'Den 2',
      'Den 3',
      'Den 4',
    ]);
    expect(graph.edges.map(({ from, to }) => [from, to])).toEqual([
      ['panel', 'breaker 7'],
      ['breaker 7', r1],
      [r1, r2],
      [r2, r3],
      ['panel', 'breaker 9'],
    ]);
    expect(emptyBreakers(assessment.house, circuits).map(({ number }) => number)).toEqual(['9']);
    expect(unassigned(assessment.house).map((one) => one.id)).toEqual([r4]);
  });

  test('what is believed lies on its cable, the metal and size beside it, the end and the device at theirs', () => {
    const cable = graph.edges.find(({ to }) => to === r3);
    expect(cable?.words).toBe('Cu 14');
    expect(cable?.suspects[0]).toMatchObject({ fault: { kind: 'open', conductor: 'neutral' } });
    expect(cable?.suspects[0]?.probability).toBeGreaterThan(0.2);
    expect(graph.nodes.find((one) => one.id === r3)).toMatchObject({ isEnd: true, lamps: lampsOf('hg') });
    expect(graph.nodes.find((one) => one.id === r1)).toMatchObject({ protection: 'device', isEnd: false });
    expect(graph.nodes.find((one) => one.id === r2)).toMatchObject({
      protection: 'covered',
      coveredBy: 'Den 1',
    });
  });

  test('a reading more changes nothing of where things stand; an order does', () => {
    const shapeWith = (...more: readonly JobStatement[]) => {
      const other = assessed(fed(r1, 1), fed(r2, 2), fed(r3, 3), ...more);
      return graphOf(other, wiredCircuits(other), new Map(), 'Panel').shape;
    };
    expect(shapeWith(lamps(r1, 'hg'))).toBe(graph.shape);
    expect(shapeWith(fed(r1, 4))).not.toBe(graph.shape);
  });
});

describe('volts along a circuit', () => {
  // A run of 14 AWG copper with half an ohm in the neutral behind the second: Ohm's law, worked by hand (12 A, 8.3 mΩ a metre).
  const meter = (receptacle: string) =>
    taken(receptacle, { instrument: 'meter', hn: 120.4, hg: 120.4, ng: 0 });
  const loaded = (receptacle: string, hn: number, ng: number) =>
    taken(receptacle, { instrument: 'loaded', amps: 12, hn, hg: hn + ng, ng });
  const assessment = assessed(
    ...den.map((receptacle, index) => fed(receptacle, index + 1)),
    ...den.map((receptacle) => lamps(receptacle, 'hn-hg')),
    ...den.map(meter),
    loaded(r1, 117.1, 1.4),
    loaded(r2, 116.3, 1.8),
    loaded(r3, 109.7, 8),
    loaded(r4, 109, 8.4),
  );
  const [circuit] = assessment.circuits;
  const data = circuit === undefined ? null : runChartData(assessment, circuit);

  test('read and expected stand beside each other, the step with its ohms and its heat', () => {
    expect(data?.rows.map(({ name, rest, loaded: under }) => [name, rest, under])).toEqual([
      ['Den 1', 120.4, 117.1],
      ['Den 2', 120.4, 116.3],
      ['Den 3', 120.4, 109.7],
      ['Den 4', 120.4, 109],
    ]);
    expect(data?.supply).toBeGreaterThan(118);
    const [step] = data?.steps ?? [];
    expect(step?.name).toBe('Den 3');
    expect(step?.ohms).toBeGreaterThan(0.3);
    expect(step?.ohms).toBeLessThan(0.8);
    expect(step?.watts).toBeCloseTo(144 * (step?.ohms ?? 0), 6);
    for (const { loadedBand } of data?.rows ?? []) expect(loadedBand[1]).toBeGreaterThan(loadedBand[0]);
  });

  test('load tests tell how far apart receptacles are', () => {
    const [wired] = wiredCircuits(assessment);
    expect(wired?.meters.get(r2)).toBeGreaterThan(2);
    expect(wired?.meters.get(r2)).toBeLessThan(8);
  });
});
