import { describe, expect, test } from 'vitest';
import { assess } from '../../assessment/index.ts';
import { usualPractice } from '../../knowledge/index.ts';
import { asEntries, idNumber } from '../../log/arbitrary-entries.ts';
import { foldHouse, type JobStatement } from '../../log/index.ts';
import { workListOf } from '../../report/index.ts';
import { enGb, enUs, reportOn, type Words } from '../../words/index.ts';
import type { Proposal } from '../finding.ts';
import { proposalsFor } from '../proposals.ts';

const [panel, sub, point, spot, room, den] = [1, 2, 3, 4, 5, 6].map(idNumber) as [
  string,
  string,
  string,
  string,
  string,
  string,
];

const proposed = (statements: readonly JobStatement[], words: Words = enUs): readonly Proposal[] =>
  proposalsFor(assess(foldHouse(asEntries(statements))), usualPractice, words);
const urgencies = (statements: readonly JobStatement[]) =>
  Object.fromEntries(proposed(statements).map(({ key, urgency }) => [key, urgency]));
const breaker = (more: object, at = 0x50): JobStatement =>
  ({ kind: 'breaker-described', panel, position: idNumber(at), number: '7', ...more }) as JobStatement;
const dimmer = (more: object): readonly JobStatement[] => [
  { kind: 'point-described', point, pointKind: 'dimmer', name: 'Den dimmer 1' },
  { kind: 'dimmer-measured', point, ...more } as JobStatement,
];

describe('breaker against conductor', () => {
  test.each([
    ['12 AWG aluminum on 20 A', { metal: 'aluminum', size: '12', amps: 20 }, true],
    ['12 AWG aluminum on 15 A', { metal: 'aluminum', size: '12', amps: 15 }, false],
    ['14 AWG copper on 20 A', { metal: 'copper', size: '14', amps: 20 }, true],
    ['12 AWG copper on 20 A', { metal: 'copper', size: '12', amps: 20 }, false],
    ['8 AWG aluminum on 40 A', { metal: 'aluminum', size: '8', amps: 40 }, true],
    ['6 AWG copper on 60 A', { metal: 'copper', size: '6', amps: 60 }, false],
  ])('%s', (_, line, isFinding) => {
    expect('house-small-conductors' in urgencies([breaker(line)])).toBe(isFinding);
  });

  test('a box and a panel that show it are one finding, and 200 breakers are read', () => {
    const all = Array.from({ length: 200 }, (_, at) =>
      breaker({ metal: 'copper', size: '14', amps: 20 }, 0x100 + at),
    );
    const found = proposed(all).filter(({ key }) => key === 'house-small-conductors');
    expect(found).toHaveLength(1);
    expect(found[0]?.what.match(/14 AWG on 20 A/g)).toHaveLength(200);
  });
});

describe('panels', () => {
  test('what is seen is a finding, one for all panels; what was not seen, or not looked for, is none', () => {
    const checked = (check: string, found: string, at = panel) =>
      ({ kind: 'panel-checked', panel: at, check, found }) as JobStatement;
    expect(
      urgencies([
        checked('neutral-loose', 'seen'),
        checked('neutral-loose', 'seen', sub),
        checked('rust', 'not-seen'),
        checked('double-tap', 'not-looked-for'),
      ]),
    ).toEqual({ 'panel-neutral-loose': 'act-now' });
  });

  test('neutral and ground joined: as it should be in the main panel, a finding in a subpanel', () => {
    const at = (panelKind: 'main' | 'sub'): readonly JobStatement[] => [
      { kind: 'panel-described', panel, panelKind },
      { kind: 'panel-checked', panel, check: 'neutral-ground-joined', found: 'seen' },
    ];
    expect(urgencies(at('main'))).toEqual({});
    expect(urgencies(at('sub'))).toEqual({ 'panel-neutral-ground-joined': 'repair' });
  });

  test('thick aluminum without compound is a note; copper needs none', () => {
    const bare: JobStatement = { kind: 'panel-checked', panel, check: 'compound', found: 'not-seen' };
    expect(urgencies([breaker({ metal: 'aluminum', size: '4', amps: 50 }), bare])).toEqual({
      'panel-compound': 'note',
    });
    expect(urgencies([breaker({ metal: 'copper', size: '6', amps: 50 }), bare])).toEqual({});
  });
});

describe('aluminum', () => {
  const old: JobStatement = { kind: 'job-described', yearBuilt: 1972 };
  const copper = breaker({ metal: 'copper', size: '12', amps: 20 });

  test('new copper at the panel of a house of its years is a task until a box further on was looked into', () => {
    expect(urgencies([old, copper])).toEqual({ 'house-new-copper': 'note' });
    expect(urgencies([copper])).toEqual({});
    const aluminum = breaker({ metal: 'aluminum', size: '10', amps: 20 }, 0x51);
    expect(urgencies([old, copper, aluminum])).not.toHaveProperty('house-new-copper');
    // A metal that nobody has said, or was sure of, is not copper.
    expect(urgencies([old, breaker({ size: '12', amps: 20 })])).toEqual({});
    expect(urgencies([old, breaker({ metal: 'not-sure', size: '12', amps: 20 })])).toEqual({});
    expect(
      urgencies([old, copper, { kind: 'aluminum-sought', place: 'receptacle-box', found: false }]),
    ).toEqual({});
  });

  test('small aluminum on a breaker is the house’s one finding, with what it rests on and what was not looked at', () => {
    const [found, ...others] = proposed([
      old,
      breaker({ metal: 'aluminum', size: '12', amps: 15 }),
      breaker({ metal: 'aluminum', size: '10', amps: 25, number: '9' }, 0x51),
      { kind: 'aluminum-sought', place: 'attic', found: true, jacketYear: 1972 },
      { kind: 'aluminum-sought', place: 'basement', found: false },
      { kind: 'room-described', room, name: 'Den' },
      { kind: 'receptacle-described', receptacle: den, room, name: 'Den 1' },
      { kind: 'cover-off', receptacle: den, provedDead: true, metal: 'aluminum', remedy: 'twist-on' },
    ]).filter(({ key }) => key.startsWith('house-aluminum'));
    expect(others).toEqual([]);
    expect(found?.evidence.map(({ words }) => words)).toEqual([
      'silver right through the cut end',
      'on breaker 7, 15 A',
      'on breaker 9, 25 A',
      'seen in a jacket in the attic',
      'jacket of 1972',
    ]);
    expect(found?.what).toContain('twist-on listed for aluminum to copper at Den 1');
    expect(found?.what).toContain('Looked for and not found in a jacket in the basement.');
    expect(found?.what).toContain('Not looked for in the panel or a switch’s box.');
  });

  test('thick aluminum alone, as a range or a feeder has it, is no branch wiring of aluminum', () => {
    expect(urgencies([breaker({ metal: 'aluminum', size: '4', amps: 50 })])).toEqual({});
  });
});

describe('heat', () => {
  const measured = (more: object): JobStatement =>
    ({ kind: 'hot-spot-measured', spot, where: 'Breaker 7', ...more }) as JobStatement;

  test('270 °C at a breaker under load beside one at 35 °C is act-now, by both criteria', () => {
    const [found] = proposed([measured({ degrees: 270, similar: 35, ambient: 25, loadAmps: 24 })]);
    expect(found?.urgency).toBe('act-now');
    expect(found?.what).toContain(
      '270 °C, carrying 24 A, 235 °C over a similar one (major deficiency), 245 °C over the air (major deficiency).',
    );
  });

  test.each([
    [{ degrees: 38, similar: 36 }, 'note'],
    [{ degrees: 45, similar: 36 }, 'repair'],
    [{ degrees: 60, ambient: 30 }, 'repair'],
    [{ aboveRange: true }, 'act-now'],
  ])('%o: %s', (more, urgency) => expect(Object.values(urgencies([measured(more)]))).toEqual([urgency]));

  test('no rise, and nothing to compare with, are no finding', () => {
    expect(urgencies([measured({ degrees: 36, similar: 36 })])).toEqual({});
    expect(urgencies([measured({ degrees: 90 })])).toEqual({});
  });

  test('where no figure was typed the hottest of the picture counts, in the scale of the others', () => {
    const picture: JobStatement = {
      kind: 'thermal-picture-read',
      spot,
      unit: 'F',
      columns: 2,
      temperatures: [80, 212, 90, 85],
    };
    const [found] = proposed([measured({ similar: 35, unit: 'C' }), picture]);
    expect(found?.what).toContain('100 °C, 65 °C over a similar one');
  });
});

describe('switches, dimmers and lampholders', () => {
  const group = (lit: Readonly<Record<string, boolean>>): readonly JobStatement[] => [
    { kind: 'point-described', point, pointKind: 'three-way', name: 'Stairs light 1' },
    ...Object.entries(lit).map(
      ([positions, isLit]): JobStatement => ({
        kind: 'combination-tried',
        point,
        positions,
        lit: isLit,
      }),
    ),
  ];

  test('a light that burns in one position of four is a finding that names what fits; one that answers is none', () => {
    const [found] = proposed(group({ uu: true, ud: false, du: false, dd: false }));
    expect(found?.urgency).toBe('repair');
    expect(found?.what).toContain('a traveler that is open or a common exchanged with a traveler');
    expect(proposed(group({ uu: true, ud: false, du: false, dd: true }))).toEqual([]);
  });

  test.each([
    ['a plate at 130 °F is referred', { plate: 130, unit: 'F' }, { 'point-plate': 'repair' }],
    ['one at 122 °F is written down', { plate: 122, unit: 'F' }, { 'point-plate': 'note' }],
    ['one at 110 °F is usual', { plate: 110, unit: 'F' }, {}],
    ['700 W on 600 W', { watts: 700, rated: 600 }, { 'point-watts': 'repair' }],
    ['450 W on 600 W in a row of three', { watts: 450, rated: 600, ganged: 3 }, { 'point-watts': 'repair' }],
    ['0 W on 600 W', { watts: 0, rated: 600 }, {}],
  ])('%s', (_, more, expected) => {
    const found = Object.entries(urgencies(dimmer(more))).map(([key, urgency]) => [
      key.split(':')[0],
      urgency,
    ]);
    expect(Object.fromEntries(found)).toEqual(expected);
  });

  test('a shell live with the switch off: reversed, or a neutral that is switched – two different findings', () => {
    const shell = (switchOn: number, switchOff: number) =>
      proposed([
        { kind: 'point-described', point, pointKind: 'lampholder', name: 'Porch light' },
        { kind: 'lampholder-measured', point, switchOn, switchOff },
      ]).map(({ headline }) => headline);
    expect(shell(120, 119)).toEqual(['Porch light: its screw shell is live, switch on or off']);
    expect(shell(0.1, 118)).toEqual(['Porch light: the switch breaks the neutral']);
    expect(shell(0.1, 0)).toEqual([]);
  });

  test('what crackles is referred, with the receptacles that hang on it', () => {
    const [found] = proposed([
      { kind: 'room-described', room, name: 'Den' },
      { kind: 'receptacle-described', receptacle: den, room, name: 'Den 1' },
      { kind: 'point-described', point, pointKind: 'switch', name: 'Den switch 1' },
      { kind: 'point-sign-noted', point, sign: 'crackling', seen: true },
      { kind: 'switch-linked', point, outlet: den, linked: true },
    ]).filter(({ key }) => key.startsWith('point-'));
    expect(found?.urgency).toBe('repair');
    expect(found?.receptacles).toEqual([{ id: den, name: 'Den 1' }]);
  });
});

test('what is found elsewhere than at a receptacle stands on the electrician’s list too', () => {
  const house = foldHouse(
    asEntries([
      { kind: 'panel-checked', panel, check: 'double-tap', found: 'seen' },
      breaker({ amps: 20, size: '14' }),
      { kind: 'hot-spot-measured', spot, where: 'Breaker 7', degrees: 60, similar: 35 },
      ...dimmer({ watts: 700, rated: 600 }),
    ]),
  );
  const lines = workListOf(reportOn(assess(house)));
  expect(lines.map(({ room: at, receptacle, openFirst }) => [at, receptacle, openFirst])).toEqual([
    ['Elsewhere', 'Breaker 7', 'Breaker 7'],
    ['Elsewhere', 'Panel', 'the panel'],
    ['Elsewhere', 'Den dimmer 1', 'its box'],
  ]);
});

test('taken off, it is no finding; and the other English says it in its own words', () => {
  const hot: JobStatement = { kind: 'panel-checked', panel, check: 'neutral-ground-joined', found: 'seen' };
  const [british] = proposed([hot], enGb);
  expect(british?.headline).toBe('Consumer unit: neutral and earth joined');
  expect(`${british?.why} ${british?.correction}`).not.toMatch(/panel|ground|NEC|licensed/);
  expect(proposed([hot, { kind: 'panel-described', panel, gone: true }])).toEqual([]);
});
