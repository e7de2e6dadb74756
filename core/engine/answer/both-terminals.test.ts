import { describe, expect, test } from 'vitest';
import { simulate } from '../../circuit/index.ts';
import { runOnTest, toldOf } from './testing-run.ts';

const ids = ['a', 'b', 'c', 'd', 'e'];

// Whoever left one screw loose left the one beside it loose as well: no single terminal explains what a load test shows.
describe('a receptacle whose hot and neutral terminals are both poor is of high resistance', () => {
  test.each([
    ['pigtail', 2.7, 2.7, 0],
    ['pigtail', 1, 1.4, 0],
    ['pigtail', 0.6, 4, 200],
    ['pigtail', 2.7, 2.7, 200],
    ['pigtail', 8, 3, 0],
    ['through', 2.7, 2.7, 0],
  ] as const)('%s, %d Ω and %d Ω, %d W on', (wiring, hot, neutral, watts) => {
    const poor = (conductor: 'hot' | 'neutral', ohms: number) => ({
      kind: 'resistance',
      conductor,
      ohms,
      at: 'c',
    });
    const circuit = runOnTest({
      ids,
      wiring,
      meters: { first: 15, next: 4 },
      nominalVolts: 119,
      loads: watts > 0 ? [{ at: 'd', watts, on: true }] : [],
      faults: [poor('hot', hot), poor('neutral', neutral)],
      tests: ids.flatMap((at) =>
        ['lamps', 'meter', 'probe', 'loaded'].map((instrument) => ({ at, instrument })),
      ),
    });
    const affected = wiring === 'pigtail' ? 'c' : 'cde';
    const { outlets } = toldOf(circuit, simulate(circuit).readings);
    for (const { id, condition, probability } of outlets)
      expect([id, condition, probability]).toEqual([
        id,
        affected.includes(id) ? 'high-resistance' : 'correct',
        expect.any(Number),
      ]);
  });
});
