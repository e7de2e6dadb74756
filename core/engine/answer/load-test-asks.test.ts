import { describe, expect, test } from 'vitest';
import { runOf, simulate } from '../../circuit/index.ts';
import type { Fault } from '../../faults/index.ts';
import type { Reading } from '../../instruments/index.ts';
import { runOnTest, toldOf } from './testing-run.ts';

const ids = ['a', 'b', 'c', 'd', 'e'];

const poor = (conductor: 'hot' | 'neutral', ohms: number, place: Partial<Fault>): object => ({
  kind: 'resistance',
  conductor,
  ohms,
  ...place,
});

// Lamps, meter, probe and load test at every receptacle, nothing misread: only the load tests see it.
describe('a poor connection that load tests see is found, whatever its ohms and what is on', () => {
  test.each([
    ['through', 116, 0, poor('neutral', 3, { cable: 'wa' }), 'abcde'],
    ['through', 118, 0, poor('neutral', 2, { cable: 'wb' }), 'bcde'],
    ['through', 118, 0, poor('hot', 2, { at: 'e' }), 'e'],
    ['through', 116, 150, poor('neutral', 3, { cable: 'we' }), 'e'],
    ['through', 118, 200, poor('neutral', 5.5, { at: 'e' }), 'e'],
    ['through', 118, 200, poor('hot', 100, { cable: 'we' }), 'e'],
    ['through', 118, 600, poor('hot', 3.7, { at: 'e' }), 'e'],
    ['through', 121, 60, poor('neutral', 1, { at: 'b' }), 'bcde'],
    ['pigtail', 116, 600, poor('neutral', 3, { at: 'a' }), 'a'],
    ['pigtail', 118, 200, poor('hot', 18, { cable: 'we' }), 'e'],
    ['pigtail', 121, 60, poor('neutral', 1, { at: 'b' }), 'b'],
  ] as const)('%s, %d V, %d W on: %o', (wiring, volts, watts, fault, affected) => {
    const circuit = runOnTest({
      ids,
      wiring,
      meters: { first: 17, next: 4 },
      nominalVolts: volts,
      loads: watts > 0 ? [{ at: 'd', watts, on: true }] : [],
      faults: [fault],
      tests: ids.flatMap((at) =>
        ['lamps', 'meter', 'probe', 'loaded'].map((instrument) => ({ at, instrument })),
      ),
    });
    const { outlets } = toldOf(circuit, simulate(circuit).readings);
    for (const { id, condition } of outlets)
      expect([id, condition]).toEqual([id, affected.includes(id) ? 'high-resistance' : 'correct']);
  });
});

// With nothing on a poor connection drops nothing, so what sags at rest asks for ohms beside a load; what the load test
// says besides, drawing nothing, is wrong.
test('both terminals poor and a heater on: found by what was read at rest alone', () => {
  const c: readonly Reading[] = [
    { at: 'c', instrument: 'lamps', hn: 'off', hg: 'dim', ng: 'off' },
    { at: 'c', instrument: 'meter-low', hn: 55.5, hg: 78.6, ng: 23.1 },
    { at: 'c', instrument: 'earth-meter', hot: 78.3, neutral: 23, ground: 0 },
    { at: 'c', instrument: 'probe', hot: true, neutral: false, ground: false },
    { at: 'c', instrument: 'loaded', hn: 54.8, hg: 77.9, ng: 23.2 },
  ];
  const circuit = runOf(['a', 'b', 'c'], { meters: { first: 15, next: 4 } });
  for (const readings of [c, c.slice(0, -1)])
    expect(toldOf(circuit, readings).outlets[2]?.condition).toBe('high-resistance');
});
