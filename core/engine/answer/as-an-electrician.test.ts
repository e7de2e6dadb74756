import { describe, expect, test } from 'vitest';
import { runOf, simulate } from '../../circuit/index.ts';
import type { Fault } from '../../faults/index.ts';
import { type LampPattern, lampsOf, type Reading, scaled, type Test } from '../../instruments/index.ts';
import { Diagnostician } from '../index.ts';
import { diagnoseAlone } from './lone-outlet.ts';

// Longer than other files: a case for each way in which houses, loads, instruments and hands mislead.

// What a master electrician would say of such readings (common practice). Each case is tried with several supplies and
// lengths, for nothing in the engine may know the figures.

const idsOf = (count: number, name = 'r'): readonly string[] =>
  Array.from({ length: count }, (_, index) => `${name}${index + 1}`);
const lamps = (at: string, pattern: LampPattern): Reading => ({
  at,
  instrument: 'lamps',
  ...lampsOf(pattern),
});
const meter = (at: string, hn: number, hg: number, ng: number): Reading => ({
  at,
  instrument: 'meter',
  hn,
  hg,
  ng,
});
const loaded = (at: string, hn: number, hg: number, ng: number): Reading => ({
  at,
  instrument: 'loaded',
  hn,
  hg,
  ng,
});
const probe = (at: string, hot: boolean, neutral: boolean, ground: boolean): Reading => ({
  at,
  instrument: 'probe',
  hot,
  neutral,
  ground,
});

/** A breaker's receptacles as the application guesses them: lengths, loads and legs unknown. */
const guessed = (
  ids: readonly string[],
  readings: readonly Reading[],
  more: Partial<ConstructorParameters<typeof Diagnostician>[0]> = {},
) =>
  new Diagnostician({
    circuit: runOf(ids, { meters: { first: 15, next: 4 } }),
    unknownLoads: true,
    unknownDevices: new Set(),
    guessed: true,
    legs: 'unknown',
    ...more,
  }).diagnose({ readings, trippedBefore: null });

const namesOf = ({ outlets }: ReturnType<typeof guessed>) => outlets.map(({ condition }) => condition);

describe('the supply and the meter', () => {
  test.each([108, 110.6, 114, 117, 123, 126.5, 131])(
    'sound receptacles at %d V are sound, on a breaker and each by itself',
    (volts) => {
      const ids = idsOf(4);
      const at = (index: number): number => volts + ([0, 0.4, -0.3, 0.2][index % 4] ?? 0);
      const readings = ids.flatMap((id, index) => [
        lamps(id, 'hn-hg'),
        meter(id, at(index), at(index) - 0.1, 0.1),
      ]);
      expect(namesOf(guessed(ids, readings))).toEqual(ids.map(() => 'correct'));
      for (const id of ids)
        expect(
          diagnoseAlone(
            id,
            readings.filter((one) => one.at === id),
          ).condition,
        ).toBe('correct');
    },
  );

  test.each([
    [121, 115.8],
    [113, 108.6],
    [129, 122.1],
  ])(
    '%d V that fall to %d V under load with nothing on the ground: a jumper, not a ground',
    (rest, under) => {
      const readings = [
        lamps('x', 'hn-hg'),
        probe('x', true, false, false),
        meter('x', rest, rest, 0),
        loaded('x', under, under, 0),
      ];
      expect(diagnoseAlone('x', readings).condition).toBe('bootleg-ground');
      const rise = (rest - under) / 2;
      const grounded = [...readings.slice(0, 3), loaded('x', under, under + rise, rise)];
      expect(diagnoseAlone('x', grounded).condition).toBe('correct');
    },
  );

  // What a solver shows at sound receptacles, loads on, written down without tenths.
  const wholeVolts: readonly (readonly [
    readonly [number, number, number],
    readonly [number, number, number],
  ])[] = [
    [
      [110, 111, 1],
      [102, 107, 5],
    ],
    [
      [116, 117, 1],
      [110, 114, 4],
    ],
    [
      [119, 120, 1],
      [111, 116, 5],
    ],
  ];
  test.each(wholeVolts)(
    'a meter that shows whole volts is good to a half: %o and %o under load are sound',
    (rest, under) => {
      const readings = [
        lamps('x', 'hn-hg'),
        probe('x', true, false, false),
        meter('x', ...rest),
        loaded('x', ...under),
      ];
      expect(diagnoseAlone('x', readings).condition).toBe('correct');
      const [hn, hg, ng] = under;
      const bad = [...readings.slice(0, 3), loaded('x', hn - 12, hg, ng + 12)];
      expect(diagnoseAlone('x', bad).condition).toBe('high-resistance');
    },
  );

  test('the proof by load works at the end of a run of any length', () => {
    for (const drop of [2.2, 5, 9.4]) {
      const sound = [
        lamps('x', 'hn-hg'),
        probe('x', true, false, false),
        meter('x', 120, 120, 0),
        loaded('x', 120 - drop, 120 - drop / 2, drop / 2),
      ];
      expect(diagnoseAlone('x', sound).condition, String(drop)).toBe('correct');
      expect(diagnoseAlone('x', sound).notRuledOut, String(drop)).not.toContain('bootleg-ground');
    }
  });
});

describe('a neutral that two legs share', () => {
  test.each([28, 12, 45])('lost, with its neutral %d V off, is thought of on a guessed circuit', (shift) => {
    const ids = idsOf(3);
    const readings = [
      meter('r1', 120 - shift, 120, shift),
      meter('r2', 120 + shift, 120, shift),
      meter('r3', 120 - shift, 120, shift),
    ];
    const answer = guessed(ids, readings);
    expect(namesOf(answer)).toEqual(ids.map(() => 'lost-shared-neutral'));
    expect(answer.next).toBeNull();
  });

  test.each([
    [121, 118],
    [112, 115.5],
    [124.8, 119.2],
  ])(
    'whole, with %d V on the one leg and %d V on the other, is nothing bad, whoever knows of it',
    (first, second) => {
      const ids = idsOf(4);
      const legs = ids.map((_, index) => (index % 2 === 1 ? 'L2' : 'L1'));
      const scatter = [0.1, -0.2, 0.2, 0];
      const readings = ids.flatMap((at, index) => {
        const volts = (legs[index] === 'L1' ? first : second) + (scatter[index] ?? 0);
        return [meter(at, volts, volts, 0), probe(at, true, false, false)];
      });
      const legsOf = ({ explanations: [leading] }: ReturnType<typeof guessed>) =>
        leading?.foresight.problem.network.circuit.outlets.map(({ leg }) => leg);
      const circuit = runOf(ids, { meters: { first: 15, next: 4 }, legs });
      for (const more of [{}, { legs: 'as-written', circuit }] as const) {
        const answer = guessed(ids, readings, more);
        expect(namesOf(answer)).toEqual(ids.map(() => 'correct'));
        expect(answer.misfits).toEqual([]);
        expect(legsOf(answer)).toEqual(legs);
      }
    },
  );

  test.each([0.5, 0.35, 0.72])(
    'lost where two of three phases feed it (208Y/120 V), at %d of the way between them, is thought of',
    (share) => {
      // Two loads in series across 208 V; ground stands 60 V beside the line between the phases.
      const across = Math.sqrt(3) * 120;
      const ground = Math.hypot(60, across * (share - 0.5));
      const ids = idsOf(4);
      const readings = ids.map((at, index) =>
        meter(at, across * (index % 2 === 0 ? share : 1 - share), 120, ground),
      );
      const answer = guessed(ids, readings);
      expect(namesOf(answer)).toEqual(ids.map(() => 'lost-shared-neutral'));
      expect(answer.misfits).toEqual([]);
      expect(answer.next).toBeNull();
    },
  );

  test('what is bad on one of two legs that differ is found there', () => {
    const ids = idsOf(4);
    const legs = ids.map((_, index) => (index % 2 === 1 ? 'L2' : 'L1'));
    const circuit = runOf(ids, { meters: { first: 15, next: 4 }, legs });
    const tests = ids.flatMap((at) =>
      (['meter', 'loaded'] as const).map((instrument) => ({ at, instrument }) as Test),
    );
    const faults: Fault[] = [{ kind: 'resistance', conductor: 'hot', ohms: 1.1, at: 'r4' }];
    const { readings } = simulate({ ...circuit, loads: [], faults, tests });
    // The other leg stands 3 V lower.
    const lower = readings.map((reading): Reading => {
      return Number(reading.at.slice(1)) % 2 === 1 ? reading : scaled(reading, 117 / 120);
    });
    for (const more of [{}, { legs: 'as-written', circuit }] as const)
      expect(namesOf(guessed(ids, lower, more))).toEqual(
        ids.map((id) => (id === 'r4' ? 'high-resistance' : 'correct')),
      );
  });

  test('lost, with loads nearly equal, is never left out', () => {
    const ids = ['a', 'b'];
    for (const [first, second] of [
      [60, 55],
      [100, 96],
      [40, 47],
      [300, 280],
    ] as const) {
      const circuit = runOf(ids, { meters: { first: 15, next: 4 }, legs: ['L1', 'L2'] });
      const tests = ids.flatMap((at) =>
        (['lamps', 'meter'] as const).map((instrument) => ({ at, instrument }) as Test),
      );
      const faults: Fault[] = [{ kind: 'open', conductor: 'neutral', cable: 'c1' }];
      const loads = [
        { at: 'a', watts: first, on: true },
        { at: 'b', watts: second, on: true },
      ];
      const { readings } = simulate({ ...circuit, loads, faults, tests });
      const { outlets } = new Diagnostician({
        circuit,
        unknownLoads: true,
        unknownDevices: new Set(),
      }).diagnose({ readings, trippedBefore: null });
      for (const { condition, notRuledOut } of outlets)
        expect([condition, ...notRuledOut], `${first} ${second}`).toContain('lost-shared-neutral');
    }
  });
});

describe('grounds of a house', () => {
  const twoWire = { yearBuilt: 1955, groundedWiring: false } as const;

  test('where there are none, what reads reversed is reversed, where a ground was put in, sooner than a jumper from hot', () => {
    const { condition, notRuledOut } = diagnoseAlone('x', [lamps('x', 'hn-ng')], twoWire);
    expect(condition).toBe('reversed-polarity');
    expect(notRuledOut).toContain('energized-ground');
  });

  test.each([
    [['hn-ng', 'hn-hg', 'hn-ng', 'hn-ng', 'hn-hg', 'hn-ng'], twoWire],
    [['hn-hg', 'hn-ng', 'hn-ng', 'hn-hg', 'hn-hg', 'hn-ng', 'hn-ng', 'hn-hg'], { yearBuilt: 1962 }],
  ] as const)(
    'half of a circuit reversed at random is one hand, not as many live grounds',
    (patterns, house) => {
      const ids = idsOf(patterns.length);
      const answer = guessed(
        ids,
        ids.map((id, index) => lamps(id, patterns[index] ?? 'hn-hg')),
        { house },
      );
      expect(namesOf(answer)).toEqual(
        patterns.map((pattern) => (pattern === 'hn-ng' ? 'reversed-polarity' : 'correct')),
      );
    },
  );

  test('a device that feeds through with its sides exchanged is one cause: what lies beyond is right', () => {
    const ids = idsOf(4);
    const run = runOf(ids, { meters: { first: 15, next: 4 } });
    const circuit = {
      ...run,
      outlets: run.outlets.map((outlet) => ({ ...outlet, wiring: 'through' as const })),
    };
    const answer = new Diagnostician({ circuit, unknownLoads: true, unknownDevices: new Set() }).diagnose({
      readings: [
        lamps('r1', 'hn-hg'),
        lamps('r2', 'hn-ng'),
        probe('r2', false, true, false),
        lamps('r3', 'hn-hg'),
        lamps('r4', 'hn-hg'),
      ],
      trippedBefore: null,
    });
    expect(answer.outlets[1]?.condition).toBe('reversed-polarity');
    expect(answer.explanations[0]?.hypothesis.causes.map(({ prior }) => prior)).toEqual(['sides-exchanged']);
  });
});

describe('volts that nothing holds', () => {
  const readings: readonly (readonly [string, readonly Reading[], string])[] = [
    ['30, 118 and 88 V', [lamps('x', 'hg'), meter('x', 30, 118, 88)], 'open-neutral'],
    ['30, 118 and 88 V without lamps', [meter('x', 30, 118, 88)], 'open-neutral'],
    ['38 and 83 V', [lamps('x', 'hn'), meter('x', 121, 38, 83)], 'open-ground'],
    ['60 and 60 V', [lamps('x', 'hn'), meter('x', 120, 60, 60)], 'open-ground'],
    ['60 and 60 V without lamps', [meter('x', 120, 60, 60)], 'open-ground'],
    ['30 V where all is dark', [lamps('x', 'none'), meter('x', 30, 30, 0)], 'open-hot'],
  ];
  test.each(readings)('%s are no danger by themselves', (_, taken, expected) => {
    expect(diagnoseAlone('x', taken).condition).toBe(expected);
  });

  test('on a breaker they are an open neutral too, though no two meters show the same', () => {
    const answer = guessed(idsOf(3), [
      lamps('r1', 'hn-hg'),
      lamps('r2', 'hg'),
      meter('r2', 30, 118, 88),
      lamps('r3', 'hg'),
      meter('r3', 34, 118, 84),
    ]);
    expect(namesOf(answer)).toEqual(['correct', 'open-neutral', 'open-neutral']);
  });
});

describe('instruments fail and hands slip', () => {
  test('dark lamps where the meter shows mains: the tester is looked at, not forty thousand ohms', () => {
    const ids = idsOf(4);
    const readings = ids.flatMap((id) => [lamps(id, 'none'), meter(id, 121, 121, 0.1)]);
    const answer = guessed(ids, readings);
    expect(namesOf(answer)).toEqual(ids.map(() => 'correct'));
    expect(answer.instruments).toEqual([{ instrument: 'lamps', kind: 'dead' }]);
    const alone = diagnoseAlone('r1', readings.slice(0, 2));
    expect(alone.condition).toBe('correct');
    expect(alone.explanations[0]?.instruments).toEqual([{ instrument: 'lamps', kind: 'dead' }]);
  });

  test('one lamp that is dark everywhere is burned out', () => {
    const ids = idsOf(4);
    const answer = guessed(
      ids,
      ids.flatMap((id) => [lamps(id, 'hn'), meter(id, 121, 121, 0.1)]),
    );
    expect(namesOf(answer)).toEqual(ids.map(() => 'correct'));
    expect(answer.instruments).toEqual([{ instrument: 'lamps', kind: 'lamp-out', lamp: 'hg' }]);
  });

  test('a breaker that was another one leaves the receptacle live, and it keeps its condition', () => {
    const off: Reading = { ...lamps('x', 'hn-hg'), state: { breakerOff: true } } as Reading;
    const { condition, explanations } = diagnoseAlone('x', [lamps('x', 'hn-hg'), off]);
    expect(condition).toBe('correct');
    expect(explanations[0]?.instruments).toEqual([{ instrument: 'breaker', kind: 'another' }]);
  });

  test.each([
    ['decimal', (id: string) => meter(id, 12.1, 121, 0.1)],
    ['digits', (id: string) => meter(id, 112, 121, 0.1)],
    ['probes', (id: string) => meter(id, 0.1, 121, 121)],
  ] as const)('a slip with the %s is a doubt about the reading, said as what it is', (as, slipped) => {
    const ids = idsOf(4);
    const readings = ids.flatMap((id, index) => [
      lamps(id, 'hn-hg'),
      index === 2 ? slipped(id) : meter(id, 121, 121, 0.1),
    ]);
    const answer = guessed(ids, readings);
    expect(namesOf(answer)).toEqual(ids.map(() => 'correct'));
    expect(answer.misfits.map(({ position, wrong }) => [position, wrong])).toEqual([[5, as]]);
  });
});

test('a sound circuit with everything read at it leaves one thing open: neutral and ground exchanged', () => {
  const ids = idsOf(6);
  const circuit = runOf(ids, { meters: { first: 15, next: 4 } });
  const tests = ids.flatMap((at) =>
    (['lamps', 'meter', 'probe', 'loaded'] as const).map((instrument) => ({ at, instrument }) as Test),
  );
  const { readings } = simulate({ ...circuit, tests });
  const { outlets, next } = new Diagnostician({
    circuit,
    unknownLoads: true,
    unknownDevices: new Set(),
  }).diagnose({ readings, trippedBefore: null });
  for (const { condition, notRuledOut, ifMisread } of outlets) {
    expect(condition).toBe('correct');
    expect(
      [...notRuledOut, ...ifMisread].filter((id) => id !== 'neutral-ground-swapped').length,
    ).toBeLessThan(2);
  }
  expect(next).toBeNull();
});

test('lamps everywhere: the advice is to prove the end of the run, and it does not fall silent on a long one', () => {
  for (const count of [6, 10]) {
    const ids = idsOf(count);
    const { next } = guessed(
      ids,
      ids.map((id) => lamps(id, 'hn-hg')),
    );
    expect(next?.at, String(count)).toBe(ids.at(-1));
  }
});
