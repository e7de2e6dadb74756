import { expect, test } from 'vitest';
import { runOf } from '../../circuit/index.ts';
import { lampsOf, type Reading, type Test } from '../../instruments/index.ts';
import { Diagnostician } from '../index.ts';
import { Foreteller } from './foretelling.ts';

const ids = ['a', 'b', 'c'];
const circuit = runOf(ids, { meters: { first: 12, next: 4 } });

test('what a tester that is dead shows is not foretold of one that works', () => {
  const readings = ids.flatMap((at): Reading[] => [
    { at, instrument: 'lamps', ...lampsOf('none') },
    { at, instrument: 'meter', hn: 121, hg: 121, ng: 0 },
  ]);
  const { explanations } = new Diagnostician({
    circuit,
    unknownLoads: true,
    unknownDevices: new Set(),
  }).diagnose({ readings, trippedBefore: [] });
  const [dead] = explanations;
  if (dead === undefined) throw new Error('nothing was found');
  expect(dead.hypothesis.instruments).toMatchObject([{ instrument: 'lamps', kind: 'dead' }]);
  const { fitted } = dead;
  const works = { ...dead, fitted: { ...fitted, supposed: { ...fitted.supposed, instruments: [] } } };
  const tests = ids.map((at) => ({ at, instrument: 'lamps' }) as Test);
  const foretold = (leading: typeof dead, one: typeof dead): readonly number[] => {
    const foreteller = new Foreteller(dead.foresight.problem.network, tests, true);
    foreteller.predict(leading, leading);
    return [...foreteller.predict(one, leading)];
  };
  expect(Math.max(...foretold(dead, dead))).toBe(0);
  expect(Math.max(...foretold(dead, works))).toBeGreaterThan(0.9);
  expect(Math.max(...foretold(works, dead))).toBe(0);
});
