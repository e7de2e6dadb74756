import { describe, expect, test } from 'vitest';
import {
  type ConductorMetal,
  type ConductorSize,
  dimmerOf,
  failingIn,
  faultsFitting,
  type GroupFault,
  type GroupTable,
  groupFaults,
  heatOf,
  largestBreaker,
  mostSwitches,
  positionsOf,
  shellOf,
  tablesOf,
  worksFromEverywhere,
} from './index.ts';

describe('the largest breaker for a conductor (NEC 240.4(D), 310.16 at 60 °C and 240.4(B), from memory)', () => {
  const rows: readonly (readonly [ConductorMetal, ConductorSize, number | null])[] = [
    ['copper', '14', 15],
    ['copper', '12', 20],
    ['copper', '10', 30],
    ['copper', '8', 40],
    // 55 A is carried; the next rating that is made is 60 A.
    ['copper', '6', 60],
    ['copper', '4', 70],
    ['copper', '2/0', 150],
    ['aluminum', '14', null],
    ['aluminum', '12', 15],
    ['aluminum', '10', 25],
    ['aluminum', '8', 35],
    ['aluminum', '6', 40],
    ['aluminum', '4/0', 150],
    // Sized as aluminum (common practice).
    ['copper-clad', '12', 15],
    // Tinned copper is copper.
    ['tinned-copper', '12', 20],
  ];
  test.each(rows)('%s, %s AWG: %s A', (metal, size, amps) => expect(largestBreaker(metal, size)).toBe(amps));
});

describe('how far a rise goes (ANSI/NETA MTS table 100.18, from memory)', () => {
  const over = (similar: number | null, ambient: number | null, degrees = 100) =>
    heatOf({
      degrees,
      aboveRange: false,
      unit: 'C',
      similar: similar === null ? null : degrees - similar,
      ambient: ambient === null ? null : degrees - ambient,
    })?.heat;

  test.each([
    [0.9, 'none'],
    [1, 'possible'],
    [3, 'possible'],
    // Between two classes the higher counts.
    [3.1, 'probable'],
    [4, 'probable'],
    [15, 'probable'],
    [15.1, 'major'],
  ] as const)('%s degrees over a similar one: %s', (rise, heat) => expect(over(rise, null)).toBe(heat));

  test.each([
    [0.9, 'none'],
    [1, 'possible'],
    [10, 'possible'],
    [10.1, 'probable'],
    [20, 'probable'],
    [20.1, 'monitor'],
    [40, 'monitor'],
    [40.1, 'major'],
  ] as const)('%s degrees over the air: %s', (rise, heat) => expect(over(null, rise)).toBe(heat));

  test('the higher of both criteria counts', () => {
    expect(over(2, 41)).toBe('major');
    expect(over(16, 2)).toBe('major');
    // A breaker at 270 °C under load beside one at 35 °C, in air of 25 °C: by both (common practice).
    const judged = heatOf({ degrees: 270, similar: 35, ambient: 25, aboveRange: false, unit: 'C' });
    expect(judged).toEqual({
      heat: 'major',
      bySimilar: { heat: 'major', kelvins: 235 },
      byAmbient: { heat: 'major', kelvins: 245 },
    });
  });

  test('degrees Fahrenheit are taken as they are typed, their differences to the same classes', () => {
    // 27 °F are 15 degrees Celsius: still probable; a tenth more is not.
    const inF = (degrees: number) =>
      heatOf({ degrees, similar: 100, ambient: null, aboveRange: false, unit: 'F' })?.heat;
    expect(inF(127)).toBe('probable');
    expect(inF(127.2)).toBe('major');
  });

  test('above the range of the camera is no less than major; nothing to compare with is no class', () => {
    const nothing = { degrees: null, similar: null, ambient: null, unit: 'C' } as const;
    expect(heatOf({ ...nothing, aboveRange: true })?.heat).toBe('major');
    expect(heatOf({ ...nothing, aboveRange: false })).toBeNull();
    expect(heatOf({ ...nothing, degrees: 60, aboveRange: false })).toBeNull();
  });
});

describe('dimmers (common practice)', () => {
  const unsaid = { plate: null, unit: 'F', watts: null, rated: null, sidesOff: null, ganged: null } as const;

  test('warm is usual; above 120 °F it is written down, from 130 °F on referred', () => {
    const plate = (degrees: number, unit: 'C' | 'F' = 'F') =>
      dimmerOf({ ...unsaid, plate: degrees, unit }).plate;
    expect([plate(119), plate(120), plate(121), plate(129.9), plate(130)]).toEqual([
      'cool',
      'cool',
      'written-down',
      'written-down',
      'referred',
    ]);
    expect([plate(48, 'C'), plate(50, 'C'), plate(55, 'C')]).toEqual(['cool', 'written-down', 'referred']);
  });

  test('connected watts against the rating, less where fins are off or devices stand beside it', () => {
    expect(dimmerOf({ ...unsaid, watts: 700, rated: 600 })).toMatchObject({
      allowed: 600,
      isOverloaded: true,
    });
    expect(dimmerOf({ ...unsaid, watts: 600, rated: 600 }).isOverloaded).toBe(false);
    expect(dimmerOf({ ...unsaid, watts: 0, rated: 600 }).isOverloaded).toBe(false);
    expect(dimmerOf({ ...unsaid, rated: 600, sidesOff: 1 }).allowed).toBe(500);
    expect(dimmerOf({ ...unsaid, rated: 600, sidesOff: 2 }).allowed).toBe(400);
    expect(dimmerOf({ ...unsaid, rated: 600, ganged: 2 }).allowed).toBe(500);
    expect(dimmerOf({ ...unsaid, rated: 600, ganged: 3 }).allowed).toBe(400);
    // What was seen counts, whatever stands beside it.
    expect(dimmerOf({ ...unsaid, rated: 600, ganged: 3, sidesOff: 0 }).allowed).toBe(600);
  });
});

describe('a lampholder’s shell, by a circuit of two wires, a switch and a filament', () => {
  /** Volts of the shell against ground: the filament carries volts on wherever one of its ends hangs free. */
  function shell(
    isExchangedBefore: boolean,
    isExchangedBehind: boolean,
    breaksNeutral: boolean,
    isOn: boolean,
  ) {
    const [feed, back] = isExchangedBefore ? [0, 120] : [120, 0];
    // The switch sits in the wire that is taken for hot, or in the other.
    const [first, second] = breaksNeutral ? [feed, isOn ? back : null] : [isOn ? feed : null, back];
    const [center, ring] = isExchangedBehind ? [second, first] : [first, second];
    return ring ?? center ?? 0;
  }
  test.each([
    ['sound', false, false, false],
    ['reversed', true, false, false],
    ['reversed-here', false, true, false],
    ['neutral-switched', false, false, true],
  ] as const)('%s', (judged, before, behind, neutral) => {
    const volts = { on: shell(before, behind, neutral, true), off: shell(before, behind, neutral, false) };
    expect(shellOf(volts, 120)).toBe(judged);
  });

  test('measured in one position alone, live is live and nought is no promise', () => {
    expect(shellOf({ on: 118, off: null }, 120)).toBe('live');
    expect(shellOf({ on: 0.2, off: null }, 120)).toBeNull();
    expect(shellOf({ on: null, off: null }, 120)).toBeNull();
    expect(shellOf({ on: 0, off: 30 }, 120)).toBe('sound');
  });
});

describe('a light that several switches share, by enumeration', () => {
  const onCount = (table: GroupTable): number => Object.values(table).filter(Boolean).length;
  /** Truth table of a sound group: the light turns with every lever, so it is the parity of those that are up. */
  const parity = (switches: number, isOdd: boolean): GroupTable =>
    Object.fromEntries(
      positionsOf(switches).map((at) => [
        at,
        [...at].filter((one) => one === 'u').length % 2 === (isOdd ? 1 : 0),
      ]),
    );

  test.each([2, 3, 4])('of %i switches: sound are the two tables of parity and no other', (switches) => {
    expect(positionsOf(switches)).toHaveLength(2 ** switches);
    const sound = tablesOf('sound', switches);
    expect(sound).toHaveLength(2);
    expect(sound).toContainEqual(parity(switches, true));
    expect(sound).toContainEqual(parity(switches, false));
    for (const table of sound) expect(worksFromEverywhere(table, switches)).toBe(true);
  });

  test('every table of two switches is told: which faults show it', () => {
    const seen = Array.from({ length: 16 }, (_, code) =>
      Object.fromEntries(positionsOf(2).map((at, bit) => [at, ((code >> bit) & 1) === 1])),
    );
    const fitting = (count: number): readonly (readonly GroupFault[])[] =>
      seen.filter((table) => onCount(table) === count).map((table) => faultsFitting(table, 2));
    expect(fitting(0)).toEqual([['no-feed']]);
    // One position of four: an open traveler and an exchanged common look the same.
    for (const fits of fitting(1)) expect(fits).toEqual(['missing-traveler', 'exchanged-common']);
    for (const fits of fitting(2)) expect([['sound'], ['stuck-switch']]).toContainEqual(fits);
    for (const fits of fitting(3)) expect(fits).toEqual([]);
    expect(fitting(4)).toEqual([['joined-travelers']]);
  });

  test('with an open traveler the light burns in half as many positions, whatever stands between', () => {
    for (let switches = 2; switches <= mostSwitches; switches += 1)
      for (const table of tablesOf('missing-traveler', switches))
        expect(onCount(table)).toBe(2 ** (switches - 2));
  });

  test('a switch that does not switch: the light never turns with it', () => {
    for (const table of tablesOf('stuck-switch', 3)) {
      const idle = [0, 1, 2].filter((at) =>
        positionsOf(3).every((one) => {
          const turned = [...one]
            .map((lever, which) => (which === at ? (lever === 'u' ? 'd' : 'u') : lever))
            .join('');
          return table[one] === table[turned];
        }),
      );
      expect(idle).toHaveLength(1);
    }
  });

  test('which way up a lever counts makes no difference, and every fault’s own tables fit it', () => {
    for (const fault of groupFaults)
      for (const table of tablesOf(fault, 3)) expect(faultsFitting(table, 3)).toContain(fault);
  });

  test('fails in one position of four: which', () => {
    // Off where it would be on: with both levers down.
    const seen = { uu: true, ud: false, du: false, dd: false };
    expect(faultsFitting(seen, 2)).not.toContain('sound');
    expect(failingIn(seen, 2)).toEqual(['dd']);
    expect(failingIn({ uu: true, ud: false, du: false, dd: true }, 2)).toEqual([]);
  });

  test('what was not tried speaks for nothing', () => {
    expect(faultsFitting({ uu: true }, 2)).toContain('sound');
    expect(worksFromEverywhere({ uu: true }, 2)).toBe(false);
    expect(worksFromEverywhere({ uu: true, ud: false, du: false, dd: true }, 2)).toBe(true);
  });
});
