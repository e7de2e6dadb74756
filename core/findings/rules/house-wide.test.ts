import { describe, expect, test } from 'vitest';
import { assess, HouseJudge } from '../../assessment/index.ts';
import { type LampPattern, lampsOf } from '../../instruments/index.ts';
import { type Practice, usualPractice } from '../../knowledge/index.ts';
import { asEntries, idNumber } from '../../log/arbitrary-entries.ts';
import { foldHouse, type JobStatement } from '../../log/index.ts';
import { enUs } from '../../words/index.ts';
import { noDefects, type Proposal, proposalsFor } from '../index.ts';

// Longer than other files: every rule of the whole house is tried on houses that are made in the same way.

const room = idNumber(0x20);
const at = (n: number): string => idNumber(0x100 + n);

interface Outlet {
  readonly lamps?: LampPattern;
  readonly type?: 'three-slot' | 'two-slot' | 'ground-fault' | 'range-or-dryer';
  readonly adapter?: boolean;
  readonly more?: (receptacle: string) => readonly JobStatement[];
}
type Described = Partial<Extract<JobStatement, { kind: 'job-described' }>>;

/** A house with one room, with the given outlets in order. */
function houseOf(described: Described, outlets: readonly Outlet[], roomName = 'Den') {
  const statements: JobStatement[] = [
    { kind: 'job-described', address: '9 Alder Rise', ...described },
    { kind: 'room-described', room, name: roomName },
  ];
  outlets.forEach(({ lamps, type, adapter, more }, n) => {
    const receptacle = at(n);
    statements.push({
      kind: 'receptacle-described',
      receptacle,
      room,
      name: `${roomName} ${n + 1}`,
      ...(type === undefined ? {} : { type }),
      ...(adapter === undefined ? {} : { adapter }),
    });
    if (lamps !== undefined) statements.push({ kind: 'lamps-read', receptacle, lamps: lampsOf(lamps) });
    statements.push(...(more?.(receptacle) ?? []));
  });
  return foldHouse(asEntries(statements));
}

const proposals = (
  described: Described,
  outlets: readonly Outlet[],
  { practice = usualPractice, roomName = 'Den' }: { practice?: Practice; roomName?: string } = {},
): ReadonlyMap<string, Proposal> =>
  new Map(
    proposalsFor(assess(houseOf(described, outlets, roomName)), practice, enUs).map((one) => [one.key, one]),
  );

/** The same with the engine's answers. */
function judgedProposals(described: Described, outlets: readonly Outlet[]): ReadonlyMap<string, Proposal> {
  const house = houseOf(described, outlets);
  const run = new HouseJudge().judging(house, []);
  for (;;) {
    const step = run.next();
    if (!step.done) continue;
    const assessment = assess(house, step.value);
    return new Map(proposalsFor(assessment, usualPractice, enUs).map((one) => [one.key, one]));
  }
}

const names = (proposal: Proposal | undefined): readonly string[] =>
  proposal?.receptacles.map(({ name }) => name) ?? [];

const meter =
  (hn: number, ng = 0.2) =>
  (receptacle: string): readonly JobStatement[] => [
    { kind: 'reading-taken', receptacle, shown: { instrument: 'meter', hn, hg: hn, ng } },
  ];

test('an instrument whose calibration was more than a year old is noted (common practice: once a year)', () => {
  const read = [{ lamps: 'hn-hg' as const, more: meter(119) }];
  const calibrated = (calibratedOn: string): Practice => ({
    ...usualPractice,
    calibrations: [{ instrument: 'meter', tester: null, serial: 'M 1234', calibratedOn }],
  });
  // Read on 4 May 2026.
  const noted = (day: string) => proposals({}, read, { practice: calibrated(day) }).get('house-calibration');
  expect(noted('2025-05-03')?.what).toBe('Meter: calibrated on 2025-05-03.');
  expect(noted('2025-05-04')).toBeUndefined();
});

describe('an ungrounded house', () => {
  const outlets: readonly Outlet[] = [
    { lamps: 'hn', type: 'three-slot' },
    { lamps: 'hn', type: 'three-slot' },
    { lamps: 'hn', type: 'two-slot' },
    { lamps: 'hn-hg', type: 'three-slot' },
  ];

  test('three-slot receptacles without a ground are one finding of the house; two-slot ones none', () => {
    const found = proposals({ groundedWiring: false }, outlets);
    expect(names(found.get('house-ungrounded'))).toEqual(['Den 1', 'Den 2']);
    expect([...found.keys()].some((key) => key.startsWith('reads:open-ground'))).toBe(false);
  });

  test('three-slot receptacles that read correct there are a finding: a raceway, or a jumper', () => {
    const finding = proposals({ groundedWiring: false }, outlets).get('house-correct-without-ground');
    expect(names(finding)).toEqual(['Den 4']);
    expect(finding?.correction).toContain('load test');
  });

  test('nobody said: the year of the house decides (common practice: no grounds to about 1962)', () => {
    expect(proposals({ yearBuilt: 1955 }, outlets).has('house-ungrounded')).toBe(true);
    expect(proposals({ yearBuilt: 1972 }, outlets).has('house-ungrounded')).toBe(false);
    expect(proposals({ yearBuilt: 1955, groundedWiring: true }, outlets).has('house-ungrounded')).toBe(false);
  });

  test('what only the year tells is called likely; what was stated is not', () => {
    const byYear = proposals({ yearBuilt: 1955 }, outlets);
    expect(byYear.get('house-ungrounded')?.headline).toContain('likely');
    expect(byYear.get('house-ungrounded')?.openFirst).not.toContain('no box');
    expect(byYear.get('house-correct-without-ground')?.what).toContain('likely has none');
    const stated = proposals({ yearBuilt: 1955, groundedWiring: false }, outlets);
    expect(stated.get('house-ungrounded')?.headline).not.toContain('likely');
    expect(stated.get('house-correct-without-ground')?.what).not.toContain('likely');
  });

  test('a load test under which neutral to ground rises by half the drop clears it', () => {
    const tested = (rise: number) =>
      judgedProposals({ groundedWiring: false }, [
        {
          lamps: 'hn-hg',
          type: 'three-slot',
          more: (receptacle) => [
            {
              kind: 'reading-taken',
              receptacle,
              shown: { instrument: 'probe', hot: true, neutral: false, ground: false },
            },
            {
              kind: 'reading-taken',
              receptacle,
              shown: { instrument: 'loaded', hn: 117.2, hg: 117.2 + rise, ng: rise },
            },
            {
              kind: 'reading-taken',
              receptacle,
              shown: { instrument: 'meter', hn: 120.2, hg: 120.2, ng: 0 },
            },
          ],
        },
      ]);
    const conditionsAt = (rise: number) =>
      [...tested(rise).values()].flatMap(({ condition }) => condition ?? []);
    expect(conditionsAt(1.5)).toEqual([]);
    // Where it does not rise at all, the jumper is found by itself.
    expect(conditionsAt(0)).toEqual(['bootleg-ground']);
  });
});

describe('many miswired receptacles', () => {
  const house = (wrong: number): readonly Outlet[] =>
    Array.from({ length: 10 }, (_, n) => ({ lamps: n < wrong ? 'hn-ng' : 'hn-hg' }) as const);

  test('at random over a house they are a finding of their own: unqualified work (common practice)', () => {
    const finding = proposals({ groundedWiring: true }, house(5)).get('house-miswired');
    expect(finding?.receptacles).toHaveLength(5);
    expect(finding?.correction).toContain('whole system');
  });

  test('two of ten are not many', () => {
    expect(proposals({ groundedWiring: true }, house(2)).has('house-miswired')).toBe(false);
  });
});

describe('aluminum', () => {
  const seen =
    (metal: 'aluminum' | 'copper-clad') =>
    (receptacle: string): readonly JobStatement[] => [
      { kind: 'cover-off', receptacle, provedDead: true, metal, awg: 12, breakerAmps: 15 },
    ];

  test('seen-in-a-box-it-is-to-be-repaired-by-what-the-firm’s-school-takes-as-a-repair', () => {
    const finding = proposals({ yearBuilt: 1968 }, [{ lamps: 'hn-hg', more: seen('aluminum') }]).get(
      'house-aluminum',
    );
    expect(finding?.urgency).toBe('repair');
    expect(finding?.correction).toContain('cold-weld');
  });

  test('scorched, it is to be acted on now', () => {
    const finding = proposals({}, [
      {
        lamps: 'hn-hg',
        more: (receptacle) => [
          ...seen('aluminum')(receptacle),
          { kind: 'look-noted', receptacle, look: 'scorch', seen: true },
        ],
      },
    ]).get('house-aluminum');
    expect(finding?.urgency).toBe('act-now');
  });

  test('copper-clad counts where the firm’s school takes it as aluminum', () => {
    const clad: readonly Outlet[] = [{ lamps: 'hn-hg', more: seen('copper-clad') }];
    expect(proposals({}, clad).has('house-aluminum')).toBe(false);
    const practice = {
      ...usualPractice,
      schools: { ...usualPractice.schools, 'copper-clad': 'as-aluminum' as const },
    };
    expect(proposals({}, clad, { practice }).has('house-aluminum')).toBe(true);
  });

  test('next door alone it is a sign, not more', () => {
    const finding = proposals({ yearBuilt: 1968, aluminumNearby: true }, [{ lamps: 'hn-hg' }]).get(
      'house-aluminum',
    );
    expect([finding?.urgency, finding?.headline]).toEqual(['note', 'Signs of aluminum branch wiring']);
  });
});

// NEC 240.4(D), from memory: 14 AWG copper 15 A, 12 AWG copper 20 A, 12 AWG aluminum 15 A.
test.each([
  [14, 20, 'copper', true],
  [14, 15, 'copper', false],
  [12, 20, 'copper', false],
  [12, 20, 'aluminum', true],
  [12, 15, 'aluminum', false],
] as const)('%i AWG on %i A, %s: too small is %s', (awg, breakerAmps, metal, isSmall) => {
  const outlet: Outlet = {
    lamps: 'hn-hg',
    more: (receptacle) => [{ kind: 'cover-off', receptacle, provedDead: true, metal, awg, breakerAmps }],
  };
  expect(proposals({}, [outlet]).has('house-small-conductors')).toBe(isSmall);
});

describe('volts, by the firm’s school', () => {
  // ANSI C84.1 range A, from memory: 108 to 126 V; as met in houses: 110 to 127 V (common practice).
  test.each([
    [107, 'range-a', true],
    [109, 'range-a', false],
    [109, 'met', true],
    [126.5, 'range-a', true],
    [126.5, 'met', false],
  ] as const)('%d V by %s: out of range is %s', (volts, voltage, isOut) => {
    const practice = { ...usualPractice, schools: { ...usualPractice.schools, voltage } };
    const outlet: Outlet = { lamps: 'hn-hg', more: meter(volts) };
    expect(proposals({}, [outlet], { practice }).has('house-voltage')).toBe(isOut);
  });

  const loaded = (ng: number): Outlet => ({
    lamps: 'hn-hg',
    more: (receptacle) => [
      { kind: 'reading-taken', receptacle, shown: { instrument: 'loaded', hn: 116, hg: 118, ng } },
    ],
  });

  test('some volts from neutral to ground under load are no defect; by the stricter school they are noted', () => {
    const strict = {
      ...usualPractice,
      schools: { ...usualPractice.schools, 'neutral-to-ground': 'half-volt' as const },
    };
    expect(proposals({}, [loaded(1.4)]).has('house-neutral-rise')).toBe(false);
    expect(noDefects(houseOf({}, [loaded(1.4)]), usualPractice, enUs).map(({ key }) => key)).toContain(
      'neutral-rise',
    );
    expect(proposals({}, [loaded(1.4)], { practice: strict }).has('house-neutral-rise')).toBe(true);
  });
});

describe('ground-fault rules, by the year (NEC editions, from memory)', () => {
  const bare: readonly Outlet[] = [{ lamps: 'hn-hg' }];

  test('a bathroom of 1985 without protection: missing; one of 1966: an upgrade, and no defect', () => {
    const options = { roomName: 'Bath' };
    expect(proposals({ yearBuilt: 1985 }, bare, options).has('house-protection-bathroom')).toBe(true);
    expect(proposals({ yearBuilt: 1966 }, bare, options).has('house-protection-bathroom')).toBe(false);
    expect(
      noDefects(houseOf({ yearBuilt: 1966 }, bare, 'Bath'), usualPractice, enUs)
        .map(({ words }) => words)
        .join(),
    ).toContain('Upgrade recommended');
  });

  test('a kitchen redone after the rule needs it, whatever the year of the house', () => {
    const described = { yearBuilt: 1966, alterations: [{ year: 2004, what: 'Kitchen redone' }] };
    expect(proposals(described, bare, { roomName: 'Kitchen' }).has('house-protection-kitchen')).toBe(true);
  });

  test('a device of its own, or one that was found to cut it, is protection', () => {
    const own: readonly Outlet[] = [{ lamps: 'hn-hg', type: 'ground-fault' }];
    const behind: readonly Outlet[] = [
      {
        lamps: 'hn-hg',
        more: (receptacle) => [
          {
            kind: 'went-dead',
            by: { kind: 'device', receptacle: idNumber(0x900) },
            dead: [receptacle],
            powerBack: true,
          },
        ],
      },
    ];
    for (const outlets of [own, behind])
      expect(
        proposals({ yearBuilt: 1985 }, outlets, { roomName: 'Bath' }).has('house-protection-bathroom'),
      ).toBe(false);
  });

  test('where the firm has switched the rules off, nothing is said', () => {
    const practice = { ...usualPractice, groundFaultRules: 'off' as const };
    expect(
      [...proposals({ yearBuilt: 1985 }, bare, { practice, roomName: 'Bath' }).keys()].join(),
    ).not.toContain('protection');
  });
});

test('an adapter in use is a finding by the usual school; three-wire range circuits are none by rule', () => {
  const outlets: readonly Outlet[] = [
    { lamps: 'hn', type: 'two-slot', adapter: true },
    { type: 'range-or-dryer' },
  ];
  expect(names(proposals({}, outlets).get('house-adapters'))).toEqual(['Den 1']);
  expect(noDefects(houseOf({}, outlets), usualPractice, enUs).map(({ key }) => key)).toEqual(['three-wire']);
});

test('much that was not tested is said in a note, and testers that nobody proved', () => {
  const found = proposals({}, [{ lamps: 'hn-hg' }, {}, {}]);
  expect(found.get('house-coverage')?.headline).toBe('2 of 3 receptacles were not tested');
  expect(found.get('house-testers')?.urgency).toBe('note');
  // Two of one kind of which the same holds are spoken of once.
  const lamps = { instrument: 'lamps', state: 'not-proved' } as const;
  expect(enUs.rules.testersNotProved([lamps, lamps]).what).toBe(found.get('house-testers')?.what);
});

test('the firm’s own words stand for a condition’s correction', () => {
  const practice = { ...usualPractice, corrections: { 'reversed-polarity': 'As our electrician says.' } };
  const [finding] = [...proposals({}, [{ lamps: 'hn-ng' }], { practice }).values()];
  expect(finding?.correction).toBe('As our electrician says.');
});

test('two circuits that lose their neutral near the panel: one box or the panel, and not where one of them loses it midway', () => {
  const lost = (breaker: string, place: number, from: number): Outlet => ({
    lamps: place >= from ? 'hg' : 'hn-hg',
    more: (receptacle) => [{ kind: 'receptacle-fed', receptacle, breaker, place }],
  });
  const run = (breaker: string, from: number) => [1, 2, 3, 4].map((place) => lost(breaker, place, from));
  const found = judgedProposals({ yearBuilt: 1985 }, [...run('3', 1), ...run('5', 1)]).get(
    'house-shared-neutral',
  );
  expect(found?.headline).toBe('Neutral lost on breakers 3 and 5 alike');
  expect(names(found)).toHaveLength(8);
  expect(found?.evidence.map(({ words }) => words)).toEqual([
    'Breaker 3: open neutral',
    'Breaker 5: open neutral',
  ]);
  const midway = judgedProposals({ yearBuilt: 1985 }, [...run('3', 1), ...run('5', 3)]);
  expect([...midway.keys()]).not.toContain('house-shared-neutral');
});
