import { describe, expect, test } from 'vitest';
import { runOf, simulate } from '../../circuit/index.ts';
import { lampsOf } from '../../instruments/index.ts';
import { Diagnostician } from '../index.ts';
import { runOnTest, toldOf } from './testing-run.ts';

// One receptacle is dark and its neighbours are lit: its hot is open (common practice). A poor connection would need both
// many ohms and a heater on at just this receptacle, of which nobody has read anything.
describe('loads that no reading asks for are not there', () => {
  test.each([
    [['a', 'b', 'c', 'd'], 'b', 1966, 15],
    [['a', 'b', 'c', 'd'], 'd', 1966, 15],
    [['d1', 'd2', 'd3', 'd4', 'd5', 'd6'], 'd3', undefined, 9],
    [['k1', 'k2', 'k3'], 'k1', 1972, 22],
  ])('of %j, %s is dark, house of %s, %d m to the first', (ids, dark, yearBuilt, first) => {
    const diagnostician = new Diagnostician({
      circuit: runOf(ids, { meters: { first, next: 4 } }),
      unknownLoads: true,
      unknownDevices: new Set(),
      house: { yearBuilt },
    });
    const readings = ids.map((at) => ({
      at,
      instrument: 'lamps' as const,
      ...lampsOf(at === dark ? 'none' : 'hn-hg'),
    }));
    const { outlets, explanations } = diagnostician.diagnose({ readings, trippedBefore: [] });
    expect(outlets.find(({ id }) => id === dark)?.condition).toBe('open-hot');
    const poor = explanations.filter(({ hypothesis }) =>
      hypothesis.causes.some(({ prior }) => prior.startsWith('poor')),
    );
    expect(poor.reduce((sum, { probability }) => sum + probability, 0)).toBeLessThan(0.1);
    expect([...(explanations[0]?.fitted.watts ?? [1])].every((watts) => watts < 1)).toBe(true);
  });
});

const ids = ['a', 'b', 'c', 'd'];
const everything = ['lamps', 'meter', 'probe', 'loaded'];
const everywhere = ids.flatMap((at) => everything.map((instrument) => ({ at, instrument })));

/** What is told of a run with one conductor open and something on at c, nothing misread. */
function toldWith(watts: number, open: object, tests: readonly object[] = everywhere) {
  const circuit = runOnTest({
    ids,
    wiring: 'pigtail',
    meters: { first: 17, next: 4 },
    nominalVolts: 118,
    loads: [{ at: 'c', watts, on: true }],
    faults: [{ kind: 'open', ...open }],
    tests,
  });
  return toldOf(circuit, simulate(circuit).readings);
}

// Volts that are none have no direction: that a load raises them must show in their slope, or no fit ever leaves nothing on.
describe('a load that a reading asks for is found: what it raises the neutral by, at a receptacle that is dark', () => {
  test.each([300, 600, 1200])('%d W', (watts) => {
    const { outlets, explanations } = toldWith(watts, { conductor: 'hot', at: 'd' }, [
      ...ids.map((at) => ({ at, instrument: 'lamps' })),
      ...['probe', 'meter', 'loaded'].map((instrument) => ({ at: 'd', instrument })),
    ]);
    expect(outlets.map(({ condition }) => condition)).toEqual(['correct', 'correct', 'correct', 'open-hot']);
    const on = explanations[0]?.fitted.watts.reduce((sum, each) => sum + each, 0) ?? 0;
    expect(Math.abs(on / watts - 1)).toBeLessThan(0.3);
  });
});

// With its hot open nothing at the receptacle itself is on; what is on beyond it shows in every neutral before it.
test('what is on is told from what is not, at a dark receptacle in the middle of a loaded run', () => {
  const { outlets } = toldWith(900, { conductor: 'hot', at: 'b' });
  expect(outlets.map(({ condition }) => condition)).toEqual(['correct', 'open-hot', 'correct', 'correct']);
});

// Its twin is a neutral that is open in the box: let go with the loads of another parent, the cable was in no list.
test('the place is not surer than what was read: a neutral open in the cable to the last receptacle', () => {
  const { localization } = toldWith(600, { conductor: 'neutral', cable: 'wd' });
  expect(localization?.boxes.map(({ at }) => at).sort()).toEqual(['c', 'd']);
});
