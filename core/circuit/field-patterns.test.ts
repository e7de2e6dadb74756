import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { contactVolts, plugIn, voltsAcross } from '../instruments/at-contacts.ts';
import { type LampPattern, lampsOf, type Reading, type WholeReading } from '../instruments/index.ts';
import { patternTable } from '../knowledge/index.ts';
import { threeTerminals } from '../physics/index.ts';
import { type CircuitInput, circuitInput } from './arbitrary-circuit.ts';
import { parseCircuit, simulate, solved } from './index.ts';

// Longer than other files: a case for each pattern, as the trade lists them.

type Fault = NonNullable<CircuitInput['faults']>[number];
type Extra = Partial<Pick<CircuitInput, 'loads' | 'protection'>> & {
  readonly ground?: boolean;
  readonly legs?: readonly ('L1' | 'L2')[];
};

/** A run of outlets a, b, c: 15 m of 14 AWG copper to the first, 4 m between. */
const house = (faults: readonly Fault[], extra: Extra = {}): Omit<CircuitInput, 'tests'> => ({
  format: 'fair-plug/circuit@1',
  outlets: ['a', 'b', 'c'].map((id, index) => ({ id, leg: extra.legs?.[index] ?? 'L1' })),
  cables: ['a', 'b', 'c'].map((to, index) => ({
    id: `to-${to}`,
    from: ['panel', 'a', 'b'][index] ?? '',
    to,
    meters: index === 0 ? 15 : 4,
    metal: 'copper' as const,
    awg: 14,
    ground: extra.ground ?? true,
  })),
  faults: [...faults],
  loads: extra.loads ?? [],
  protection: extra.protection ?? [],
});

type Of<I extends Reading['instrument']> = Extract<WholeReading, { instrument: I }>;

function shows<I extends Reading['instrument']>(
  circuit: Omit<CircuitInput, 'tests'>,
  at: string,
  instrument: I,
  state?: { loadsOff: true },
): Of<I> & { readonly house: ReturnType<typeof simulate> } {
  const asked = { at, instrument, ...(state ? { state } : {}) } as NonNullable<CircuitInput['tests']>[number];
  const parsed = parseCircuit({ ...circuit, tests: [asked] });
  if (parsed.kind === 'problems') throw new Error(JSON.stringify(parsed.problems));
  const answer = simulate(parsed.value);
  return { ...(answer.readings[0] as Of<I>), house: answer };
}

function pattern(
  circuit: Omit<CircuitInput, 'tests'>,
  at: string,
  state?: { loadsOff: true },
): LampPattern | 'dim' {
  const { hn, hg, ng } = shows(circuit, at, 'lamps', state);
  const found = (Object.keys(patternTable) as LampPattern[]).find((one) => {
    const lamps = lampsOf(one);
    return lamps.hn === hn && lamps.hg === hg && lamps.ng === ng;
  });
  return found ?? 'dim';
}

const lampOn = [{ at: 'c', watts: 60 }];
const open = (conductor: 'hot' | 'neutral' | 'ground', where: object): Fault => ({
  kind: 'open',
  conductor,
  ...where,
});
const swap = (a: 'hot' | 'neutral' | 'ground', b: 'hot' | 'neutral' | 'ground', at: string): Fault => ({
  kind: 'swap',
  conductors: [a, b],
  at,
});
const jumper = (a: 'hot' | 'neutral', at: string): Fault => ({ kind: 'bond', conductors: [a, 'ground'], at });

/** Every row of the lamp table with everything that also fits, from physics: what is wrong → what b shows. */
const table: readonly (readonly [fact: string, shown: LampPattern, circuit: Omit<CircuitInput, 'tests'>])[] =
  [
    ['a sound circuit reads correct', 'hn-hg', house([])],
    ['neutral and ground exchanged read correct', 'hn-hg', house([swap('neutral', 'ground', 'b')])],
    ['a bootleg ground reads correct', 'hn-hg', house([open('ground', { at: 'b' }), jumper('neutral', 'b')])],
    [
      'a reversed bootleg reads correct',
      'hn-hg',
      house([open('ground', { at: 'b' }), swap('hot', 'neutral', 'b'), jumper('neutral', 'b')]),
    ],
    [
      'a loose connection that touches reads correct',
      'hn-hg',
      house([{ kind: 'resistance', conductor: 'neutral', ohms: 5, at: 'b' }]),
    ],
    [
      'a lost shared neutral with like loads reads correct',
      'hn-hg',
      house([open('neutral', { cable: 'to-a' })], {
        legs: ['L1', 'L1', 'L2'],
        loads: [
          { at: 'b', watts: 300 },
          { at: 'c', watts: 300 },
        ],
      }),
    ],
    ['a reversal reads reversed', 'hn-ng', house([swap('hot', 'neutral', 'b')])],
    [
      'a hot–ground jumper where no ground arrives looks like a reversal',
      'hn-ng',
      house([open('ground', { at: 'b' }), jumper('hot', 'b')]),
    ],
    [
      'a true hot–ground exchange reads hot and ground reversed',
      'hg-ng',
      house([swap('hot', 'ground', 'b')]),
    ],
    [
      'an open neutral with a lamp on downstream reads as hot and ground reversed',
      'hg-ng',
      house([open('neutral', { cable: 'to-b' })], { loads: lampOn }),
    ],
    [
      'an open hot with hot on the neutral and a load on reads as hot and ground reversed',
      'hg-ng',
      house(
        [open('neutral', { cable: 'to-b' }), { kind: 'swap', conductors: ['hot', 'neutral'], cable: 'to-b' }],
        {
          loads: lampOn,
        },
      ),
    ],
    ['a missing ground reads open ground', 'hn', house([open('ground', { cable: 'to-b' })])],
    [
      'a missing ground hides a reversal',
      'hn',
      house([open('ground', { cable: 'to-b' }), swap('hot', 'neutral', 'b')]),
    ],
    ['an open neutral with nothing on reads open neutral', 'hg', house([open('neutral', { cable: 'to-b' })])],
    [
      'a live ground with an open neutral reads open neutral',
      'hg',
      house([open('neutral', { at: 'b' }), swap('hot', 'ground', 'b')]),
    ],
    [
      'an open hot with hot on the neutral reads open hot',
      'ng',
      house([open('neutral', { at: 'b' }), swap('hot', 'neutral', 'b')]),
    ],
    [
      'a live ground with an open hot reads open hot',
      'ng',
      house([swap('hot', 'ground', 'b'), open('ground', { at: 'b' })]),
    ],
    ['an open hot leaves the lamps dark', 'none', house([open('hot', { cable: 'to-b' })])],
    [
      'an open neutral with no ground looks dead',
      'none',
      house([open('neutral', { cable: 'to-b' })], { ground: false }),
    ],
    [
      'a tripped device upstream leaves the lamps dark',
      'none',
      house([], { protection: [{ at: 'a', kind: 'gfci', covers: 'downstream', state: 'tripped' }] }),
    ],
    [
      'a lost shared neutral with unequal loads lights all lamps on the light side',
      'all',
      house([open('neutral', { cable: 'to-a' })], {
        legs: ['L1', 'L2', 'L1'],
        loads: [
          { at: 'a', watts: 900 },
          { at: 'b', watts: 40 },
        ],
      }),
    ],
  ];

/** Two legs at one receptacle, one of them on its ground: ends exchanged on a two-leg cable. */
const legOnGround = house(
  [
    { kind: 'swap', conductors: ['hot', 'ground'], leg: 'L2', cable: 'to-b' },
    open('ground', { cable: 'to-c' }),
  ],
  { legs: ['L1', 'L1', 'L2'] },
);

describe('the lamp table, produced by physics', () => {
  test.each(table)('%s', (_fact, shown, circuit) => {
    expect(pattern(circuit, 'b')).toBe(shown);
  });

  test('every pattern of the table is produced', () => {
    expect(new Set(table.map(([, shown]) => shown)).size).toBe(Object.keys(patternTable).length);
  });

  test('two legs with one of them on the ground light all lamps, and the plate is live', () => {
    expect(pattern(legOnGround, 'b')).toBe('all');
    expect(shows(legOnGround, 'b', 'probe')).toMatchObject({ hot: true, neutral: false, ground: true });
  });

  test('… and no longer hot and ground reversed when the lamp is off', () => {
    const circuit = house([open('neutral', { cable: 'to-b' })], { loads: lampOn });
    expect(pattern(circuit, 'b', { loadsOff: true })).toBe('hg');
  });

  test('an open neutral with no ground is live for all its darkness: the probe sounds', () => {
    const circuit = house([open('neutral', { cable: 'to-b' })], { ground: false, loads: lampOn });
    expect(pattern(circuit, 'b')).toBe('none');
    expect(shows(circuit, 'b', 'probe')).toMatchObject({ hot: true, neutral: true });
  });

  test('a reversed bootleg reads correct and the probe tells', () => {
    const circuit = house([open('ground', { at: 'b' }), swap('hot', 'neutral', 'b'), jumper('neutral', 'b')]);
    expect(shows(circuit, 'b', 'probe')).toMatchObject({ hot: false, neutral: true, ground: true });
    const { hot, neutral, ground } = shows(circuit, 'b', 'earth-meter');
    expect([hot < 1, neutral > 119, ground > 119]).toEqual([true, true, true]);
  });

  test('under load a real ground shows half the drop from neutral to ground, a bootleg none', () => {
    const sound = shows(house([]), 'c', 'loaded');
    const idle = shows(house([]), 'c', 'meter');
    expect(sound.ng / (idle.hn - sound.hn)).toBeGreaterThan(0.4);
    expect(sound.ng / (idle.hn - sound.hn)).toBeLessThan(0.5);
    expect(
      shows(house([open('ground', { at: 'c' }), jumper('neutral', 'c')]), 'c', 'loaded').ng,
    ).toBeLessThan(0.2);
  });
});

describe('ground-fault protection', () => {
  const device = [{ at: 'a', kind: 'gfci' as const, covers: 'downstream' as const }];

  test('the tester’s button trips a good device from downstream, in at most (20/8)^1.43 s', () => {
    const { trips, seconds } = shows(house([], { protection: device }), 'b', 'gfci-button');
    expect(trips).toEqual(['a']);
    expect(seconds).toBeCloseTo((20 / 8) ** 1.43, 2);
  });

  test('without a ground the button trips nothing', () => {
    const { milliamps, trips } = shows(house([], { protection: device, ground: false }), 'b', 'gfci-button');
    expect(milliamps).toBeLessThan(0.1);
    expect(trips).toEqual([]);
  });

  test('a bootleg downstream defeats the button: the current comes back on the neutral', () => {
    const bootleg = house([open('ground', { cable: 'to-b' }), jumper('neutral', 'b')], {
      protection: device,
    });
    expect(shows(bootleg, 'b', 'gfci-button')).toMatchObject({ trips: [] });
    expect(shows(bootleg, 'b', 'gfci-button').milliamps).toBeGreaterThan(7.9);
  });

  test('a jumper in the device’s own box, on its line side, does not', () => {
    const own = house(
      [open('ground', { cable: 'to-a' }), { ...jumper('neutral', 'a'), side: 'line' } as Fault],
      {
        protection: device,
      },
    );
    expect(shows(own, 'a', 'gfci-button').trips).toEqual(['a']);
    expect(shows(own, 'b', 'gfci-button').trips).toEqual(['a']);
  });

  test('neutral touching ground on the load side trips a ground-fault device with nothing on, not a residual-current one', () => {
    const touching = (kind: 'gfci' | 'rcd') =>
      house([jumper('neutral', 'b')], { protection: [{ at: 'a', kind, covers: 'downstream' }] });
    expect(shows(touching('gfci'), 'b', 'lamps').house.trippedBefore).toEqual(['a']);
    expect(shows(touching('rcd'), 'b', 'lamps').house.trippedBefore).toBeUndefined();
  });

  test('its own button: trips when set and fed, no power when tripped, nothing when failed', () => {
    const own = (state: 'set' | 'tripped' | 'failed', faults: Fault[] = []) =>
      shows(
        house(faults, { protection: [{ at: 'a', kind: 'gfci', covers: 'downstream', state }] }),
        'a',
        'own-button',
      ).result;
    expect(own('set')).toBe('trips');
    expect(own('tripped')).toBe('no-power');
    expect(own('failed')).toBe('nothing');
    expect(own('set', [open('hot', { cable: 'to-a' })])).toBe('no-power');
  });
});

describe('two legs and rings', () => {
  test.each([
    [60, 60, 104, 104, 60],
    // Watts three to one: a quarter and three quarters of 208 V, and ground 60 V beside the middle less 52 V.
    [180, 60, 52, 156, 79.4],
  ])(
    'between two of three phases (208Y/120 V) they sum to 208: %d and %d W (worked by hand)',
    (on, other, own, rest, ground) => {
      const circuit = {
        ...house([{ kind: 'open', conductor: 'neutral', cable: 'to-a' }], {
          legs: ['L1', 'L2', 'L1'],
          loads: [
            { at: 'a', watts: on },
            { at: 'b', watts: other },
          ],
        }),
        degreesApart: 120 as const,
      };
      const [a, b] = [shows(circuit, 'a', 'meter'), shows(circuit, 'b', 'meter')];
      expect(Math.abs(a.hn - own)).toBeLessThan(0.5);
      expect(Math.abs(b.hn - rest)).toBeLessThan(0.5);
      expect(a.hn + b.hn).toBeCloseTo(Math.sqrt(3) * 120, 0);
      expect(Math.abs(a.ng - ground)).toBeLessThan(0.5);
      expect(b.hg).toBeCloseTo(120, 0);
    },
  );

  test('a lost shared neutral gives two voltages that sum to 240 and divide as the loads do', () => {
    const circuit = house([open('neutral', { cable: 'to-a' })], {
      legs: ['L1', 'L2', 'L1'],
      loads: [
        { at: 'a', watts: 300 },
        { at: 'b', watts: 100 },
      ],
    });
    const first = shows(circuit, 'a', 'meter').hn;
    const second = shows(circuit, 'b', 'meter').hn;
    // Two resistors in series across 240 V: the smaller load takes three times the volts of the larger.
    expect(Math.abs(first + second - 240)).toBeLessThan(1);
    expect(second / first).toBeCloseTo(3, 1);
  });

  test('a broken ring still reads correct at every outlet', () => {
    const sound = house([open('neutral', { cable: 'to-b' })]);
    const ring = {
      ...sound,
      nominalVolts: 230,
      hertz: 50,
      cables: [
        ...sound.cables,
        { id: 'back', from: 'panel', to: 'c', meters: 12, metal: 'copper' as const, mm2: 2.5 },
      ],
    };
    for (const at of ['a', 'b', 'c']) expect(pattern(ring, at)).toBe('hn-hg');
  });
});

describe('the complement law', () => {
  const between = [
    ['lamps', { hn: 1e-5, hg: 1e-5, ng: 1e-5 }],
    ['a low-impedance meter', { hg: 1 / 3000 }],
    ['a load tester', { hn: 0.1, ng: 1e-7 }],
  ] as const;
  test.each(between)(
    'in any circuit, %s between the contacts show the same when every contact is turned over',
    (_name, instrument) => {
      const outlet = threeTerminals();
      const volts = contactVolts();
      const shown = (plugged: Parameters<typeof plugIn>[1]) => {
        plugIn(outlet, plugged, volts);
        return (['hn', 'hg', 'ng'] as const).map((pair) => Math.hypot(...voltsAcross(pair, volts)));
      };
      fc.assert(
        fc.property(circuitInput, (input) => {
          const parsed = parseCircuit(input);
          if (parsed.kind === 'problems') throw new Error(JSON.stringify(parsed.problems));
          solved(parsed.value).equivalentAt(0, outlet);
          const upright = shown(instrument);
          for (let contact = 0; contact < 3; contact += 1) {
            outlet.voltsRe[contact] = parsed.value.nominalVolts - (outlet.voltsRe[contact] ?? 0);
            outlet.voltsIm[contact] = -(outlet.voltsIm[contact] ?? 0);
          }
          shown(instrument).forEach((turned, pair) => {
            expect(Math.abs(turned - (upright[pair] ?? Number.NaN))).toBeLessThan(1e-4);
          });
        }),
        { numRuns: 200 },
      );
    },
  );

  test('an instrument with a reference outside does tell', () => {
    const bootleg = house([open('ground', { at: 'b' }), swap('hot', 'neutral', 'b'), jumper('neutral', 'b')]);
    expect(shows(house([]), 'b', 'earth-meter').ground).toBeLessThan(1);
    expect(shows(bootleg, 'b', 'earth-meter').ground).toBeGreaterThan(119);
  });

  // The twins that practice warns of, each pair of causes by the meter's three readings.
  const twins: readonly (readonly [string, readonly Fault[], readonly Fault[]])[] = [
    [
      'sound and reversed bootleg',
      [],
      [open('ground', { at: 'b' }), swap('hot', 'neutral', 'b'), jumper('neutral', 'b')],
    ],
    [
      'reversed and hot–ground jumper without a ground',
      [swap('hot', 'neutral', 'b')],
      [open('ground', { at: 'b' }), jumper('hot', 'b')],
    ],
  ];
  test.each(twins)('%s show the same to a meter and differ to the probe', (_names, one, other) => {
    const first = shows(house(one), 'b', 'meter');
    const second = shows(house(other), 'b', 'meter');
    for (const pair of ['hn', 'hg', 'ng'] as const)
      expect(Math.abs(first[pair] - second[pair])).toBeLessThan(0.01);
    const { hot, neutral, ground } = shows(house(one), 'b', 'probe');
    expect(shows(house(other), 'b', 'probe')).toMatchObject({
      hot: !hot,
      neutral: !neutral,
      ground: !ground,
    });
  });
});

describe('the state in which a test is made', () => {
  const lampAndDevice = house([], {
    loads: [{ at: 'c', watts: 60 }],
    protection: [{ at: 'a', kind: 'gfci', covers: 'downstream' }],
  });
  const reads = (circuit: Omit<CircuitInput, 'tests'>, state: object) => {
    const parsed = parseCircuit({ ...circuit, tests: [{ at: 'b', instrument: 'lamps', state }] });
    if (parsed.kind === 'problems') throw new Error(JSON.stringify(parsed.problems));
    return simulate(parsed.value).readings[0];
  };

  test('breaker off and device tripped both leave the lamps dark, and the reading repeats the state', () => {
    for (const state of [{ breakerOff: true }, { tripped: ['a'] }])
      expect(reads(lampAndDevice, state)).toEqual({
        at: 'b',
        instrument: 'lamps',
        state,
        hn: 'off',
        hg: 'off',
        ng: 'off',
      });
  });

  test('neutral and ground exchanged trip a ground-fault device once a load is on, and not before', () => {
    const exchanged = {
      ...lampAndDevice,
      faults: [
        { kind: 'swap' as const, conductors: ['neutral', 'ground'] as ['neutral', 'ground'], cable: 'to-b' },
      ],
    };
    expect(reads(exchanged, {})).toMatchObject({ trippedBefore: ['a'], hn: 'off' });
    expect(reads(exchanged, { loadsOff: true })).toMatchObject({ hn: 'lit', hg: 'lit', ng: 'off' });
    expect(reads(exchanged, { tripped: ['a'] })).not.toHaveProperty('trippedBefore');
  });

  test('a device covering its own outlet alone leaves what is downstream alone', () => {
    const own = house([], { protection: [{ at: 'a', kind: 'gfci', covers: 'outlet', state: 'tripped' }] });
    expect(pattern(own, 'a')).toBe('none');
    expect(pattern(own, 'b')).toBe('hn-hg');
  });

  test('a device locked out that leaves hot closed opens the neutral: it looks dead behind and is live', () => {
    const out = house([], {
      ground: false,
      loads: [{ at: 'c', watts: 60 }],
      protection: [{ at: 'a', kind: 'gfci', covers: 'downstream', state: 'lockedOut', leaves: 'hot' }],
    });
    expect(pattern(out, 'b')).toBe('none');
    expect(shows(out, 'b', 'probe')).toMatchObject({ hot: true, neutral: true });
  });

  test('of two devices in a row, the one nearer the panel trips first and saves the other', () => {
    const both = house([{ kind: 'bond', conductors: ['neutral', 'ground'], at: 'c' }], {
      protection: ['b', 'a'].map((at) => ({ at, kind: 'gfci' as const, covers: 'downstream' as const })),
    });
    expect(shows(both, 'c', 'lamps').house.trippedBefore?.[0]).toBe('a');
  });
});

describe('wiring', () => {
  test('a failed terminal takes the rest of the run along where receptacles are wired through, not where they are pigtailed', () => {
    const wired = (wiring: 'through' | 'pigtail') => {
      const circuit = house([open('hot', { at: 'b' })]);
      return { ...circuit, outlets: circuit.outlets.map((outlet) => ({ ...outlet, wiring })) };
    };
    expect(pattern(wired('through'), 'c')).toBe('none');
    expect(pattern(wired('pigtail'), 'c')).toBe('hn-hg');
    expect(pattern(wired('pigtail'), 'b')).toBe('none');
  });

  test('a bad splice shows as a step in the drop between two neighbours', () => {
    const circuit = house([{ kind: 'resistance', conductor: 'neutral', ohms: 0.5, cable: 'to-b' }]);
    const drop = (at: string) => 120 - shows(circuit, at, 'loaded').hn;
    const soundStep = shows(house([]), 'a', 'loaded').hn - shows(house([]), 'b', 'loaded').hn;
    // 0.5 Ω in a loop that carries about 11.5 A.
    expect(drop('b') - drop('a') - soundStep).toBeGreaterThan(4.5);
    expect(drop('c') - drop('b')).toBeLessThan(2 * soundStep);
  });

  test('two exchanges in one place are made one after the other', () => {
    const twice = house([swap('hot', 'neutral', 'b'), swap('hot', 'neutral', 'b')]);
    expect(pattern(twice, 'b')).toBe('hn-hg');
    const round = shows(
      house([swap('hot', 'neutral', 'b'), swap('neutral', 'ground', 'b')]),
      'b',
      'earth-meter',
    );
    // Each names conductors as they come from the panel: hot ends at neutral, neutral at ground, ground at hot.
    expect([round.hot < 1, round.neutral > 119, round.ground < 1]).toEqual([true, true, true]);
  });
});
