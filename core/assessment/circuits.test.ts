import { describe, expect, test } from 'vitest';
import type { Reading } from '../instruments/index.ts';
import type { LegLayout } from '../knowledge/index.ts';
import { asEntries, idNumber } from '../log/arbitrary-entries.ts';
import { foldHouse, type JobStatement, receptaclesOf } from '../log/index.ts';
import { circuitsOf, guessedCircuit, readingsOf, VoltScale } from './circuits.ts';
import { factsOf } from './house-facts.ts';

const room = idNumber(0x20);
const [r1, r2, r3] = [0x30, 0x31, 0x32].map(idNumber) as [string, string, string];

const houseWith = (...more: readonly JobStatement[]) =>
  foldHouse(
    asEntries([
      { kind: 'room-described', room, name: 'Den' },
      ...[r1, r2, r3].map(
        (receptacle, n): JobStatement => ({
          kind: 'receptacle-described',
          receptacle,
          room,
          name: `Den ${n + 1}`,
        }),
      ),
      ...more,
    ]),
  );

describe('the scale of volts', () => {
  const meter: Reading = { at: 'x', instrument: 'meter', hn: 230, hg: 229, ng: 1 };
  const loaded: Reading = { at: 'x', instrument: 'loaded', amps: 10, hn: 225, hg: 227.4, ng: 2.3 };
  const earth: Reading = { at: 'x', instrument: 'earth-meter', hot: 230, neutral: 0.5, ground: 0.1 };
  const probe: Reading = { at: 'x', instrument: 'probe', hot: true, neutral: false, ground: false };

  test('where 230 V is nominal, the engine hears the same share of its 120 V, of every pair and contact', () => {
    const [m, l, e, p] = new VoltScale(230).toEngine([meter, loaded, earth, probe]);
    expect(m).toMatchObject({ hn: 120, hg: expect.closeTo(119.478, 3), ng: expect.closeTo(0.522, 3) });
    expect(l).toMatchObject({ hn: expect.closeTo(117.391, 3), ng: expect.closeTo(1.2, 3), amps: 10 });
    expect(e).toMatchObject({
      hot: 120,
      neutral: expect.closeTo(0.261, 3),
      ground: expect.closeTo(0.052, 3),
    });
    expect(p).toBe(probe);
  });

  test('what is shown is what was read, to the digit, beside what is predicted at the house’s own volts', () => {
    const scale = new VoltScale(230);
    const [scaled] = scale.toEngine([meter]) as [Reading];
    const predicted: Reading = { at: 'x', instrument: 'meter', hn: 120, hg: 120, ng: 0 };
    const [row] = scale.toShown([{ reading: scaled, predicted } as never]);
    expect(row?.reading).toBe(meter);
    expect(row?.predicted).toMatchObject({ hn: 230, hg: 230, ng: 0 });
  });

  test('at 120 V nothing is touched', () => {
    const readings = [meter, probe];
    expect(new VoltScale(120).toEngine(readings)).toBe(readings);
  });
});

/** Words of a panel, with the breakers that stand in its directory. */
const panelWith = (
  panel: string,
  legs: LegLayout,
  ...numbers: readonly string[]
): readonly JobStatement[] => [
  { kind: 'panel-described', panel, legs },
  ...numbers.map(
    (number): JobStatement => ({
      kind: 'breaker-described',
      panel,
      position: idNumber(0x500 + Number(number)),
      number,
    }),
  ),
];

describe('what a panel brings in', () => {
  const onBreaker = (receptacle: string, breaker: string): JobStatement => ({
    kind: 'receptacle-fed',
    receptacle,
    breaker,
    place: null,
  });
  const [main, sub] = [idNumber(0x400), idNumber(0x401)];
  const degreesOf = (...more: readonly JobStatement[]) =>
    circuitsOf(houseWith(onBreaker(r1, '7'), onBreaker(r2, '9'), ...more)).map(
      (fed) => guessedCircuit(fed).degreesApart ?? null,
    );

  test('as it was said of the panel in whose directory the breaker stands, else of the only one', () => {
    expect(degreesOf()).toEqual([null, null]);
    expect(degreesOf(...panelWith(main, 'three-phase'))).toEqual([120, 120]);
    expect(degreesOf(...panelWith(main, 'split', '7'), ...panelWith(sub, 'three-phase', '9'))).toEqual([
      180, 120,
    ]);
  });

  test('where two panels differ, a breaker that stands in neither is as if nobody had said', () => {
    expect(degreesOf(...panelWith(main, 'split', '9'), ...panelWith(sub, 'three-phase'))).toEqual([
      null,
      180,
    ]);
    expect(
      factsOf(houseWith(...panelWith(main, 'split'), ...panelWith(sub, 'three-phase'))).legs,
    ).toBeUndefined();
    expect(factsOf(houseWith(...panelWith(main, 'split'))).legs).toBe('split');
  });
});

describe('what a breaker feeds', () => {
  const fed = (receptacle: string, place: number | null, breaker = '7'): JobStatement => ({
    kind: 'receptacle-fed',
    receptacle,
    breaker,
    place,
  });

  test('those with a place come first, in its order, the rest in the order of the walk', () => {
    const house = houseWith(fed(r1, null), fed(r2, 2), fed(r3, 1));
    expect(circuitsOf(house).map(({ receptacles }) => receptacles.map(({ id }) => id))).toEqual([
      [r3, r2, r1],
    ]);
  });

  test('each breaker is a circuit of its own; what is on none is on none', () => {
    const circuits = circuitsOf(houseWith(fed(r1, null), fed(r2, null, '9')));
    expect(circuits.map(({ breaker, receptacles }) => [breaker, receptacles.length])).toEqual([
      ['7', 1],
      ['9', 1],
    ]);
  });

  test('its guessed circuit is one run; whether it has grounds is a likelihood, not a fact', () => {
    const [circuit] = circuitsOf(houseWith(fed(r1, 1), fed(r2, 2)));
    if (circuit === undefined) throw new Error('no circuit');
    const { cables } = guessedCircuit(circuit);
    expect(cables.map(({ from, to, ground }) => [from, to, ground])).toEqual([
      ['panel', r1, true],
      [r1, r2, true],
    ]);
    expect(guessedCircuit(circuit).cables.every(({ ground }) => ground)).toBe(true);
  });
});

test('of each instrument in each state what it showed last counts, and nothing before it', () => {
  const taken = (shown: Extract<JobStatement, { kind: 'reading-taken' }>['shown']): JobStatement => ({
    kind: 'reading-taken',
    receptacle: r1,
    shown,
  });
  const house = houseWith(
    { kind: 'lamps-read', receptacle: r1, lamps: { hn: 'lit', hg: 'lit', ng: 'off' } },
    { kind: 'lamps-read', receptacle: r1, lamps: { hn: 'lit', hg: 'off', ng: 'off' } },
    taken({ instrument: 'lamps', hn: 'off', hg: 'lit', ng: 'off', state: { loadsOff: true } }),
    taken({ instrument: 'meter', hn: 120, hg: 60, ng: 60 }),
    taken({ instrument: 'meter', hn: 121, hg: 2, ng: 118 }),
  );
  const [receptacle] = receptaclesOf(house);
  if (receptacle === undefined) throw new Error('no receptacle');
  expect(readingsOf(receptacle)).toEqual([
    { at: r1, instrument: 'lamps', hn: 'lit', hg: 'off', ng: 'off' },
    { at: r1, instrument: 'lamps', hn: 'off', hg: 'lit', ng: 'off', state: { loadsOff: true } },
    { at: r1, instrument: 'meter', hn: 121, hg: 2, ng: 118 },
  ]);
});

test('pairs that were measured one after the other all count, each as it was measured last', () => {
  const taken = (shown: Extract<JobStatement, { kind: 'reading-taken' }>['shown']): JobStatement => ({
    kind: 'reading-taken',
    receptacle: r1,
    shown,
  });
  const house = houseWith(
    taken({ instrument: 'meter', hn: 118, ng: 4 }),
    taken({ instrument: 'meter', hg: 121 }),
    taken({ instrument: 'meter', hn: 119 }),
  );
  const [receptacle] = receptaclesOf(house);
  if (receptacle === undefined) throw new Error('no receptacle');
  expect(readingsOf(receptacle)).toEqual([
    { at: r1, instrument: 'meter', ng: 4 },
    { at: r1, instrument: 'meter', hg: 121 },
    { at: r1, instrument: 'meter', hn: 119 },
  ]);
});
