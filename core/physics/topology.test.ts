import { expect, test } from 'vitest';
import { topologyOf } from './topology.ts';
import type { WiredCable, WiredOutlet } from './wired-circuit.ts';

const outlet = (id: string, leg: 'L1' | 'L2' = 'L1'): WiredOutlet => ({ id, wiring: 'pigtail', leg });
const cable = (from: string, to: string): WiredCable => ({
  id: `${from}-${to}`,
  from,
  to,
  meters: 3,
  metal: 'copper',
  awg: 14,
  ground: true,
});

test('a tree: outlets by the cables between them and the panel, legs where an outlet beyond uses them', () => {
  const { depth, outward, legsOfCable, legsAtOutlet } = topologyOf({
    outlets: [outlet('far'), outlet('near'), outlet('branch', 'L2'), outlet('alone'), outlet('end')],
    cables: [cable('near', 'far'), cable('panel', 'near'), cable('near', 'branch'), cable('far', 'end')],
  });
  expect(depth).toEqual([2, 1, 2, Number.POSITIVE_INFINITY, 3]);
  expect(outward).toEqual([1, 0, 2, 4]);
  expect(legsOfCable).toEqual([['L1'], ['L1', 'L2'], ['L2'], ['L1']]);
  expect(legsAtOutlet).toEqual([['L1'], ['L1', 'L2'], ['L2'], ['L1'], ['L1']]);
});

test('a ring is as deep as its shorter way', () => {
  const { depth } = topologyOf({
    outlets: ['a', 'b', 'c', 'd'].map((id) => outlet(id)),
    cables: [cable('panel', 'a'), cable('a', 'b'), cable('b', 'c'), cable('c', 'd'), cable('panel', 'd')],
  });
  expect(depth).toEqual([1, 2, 3, 1]);
});
