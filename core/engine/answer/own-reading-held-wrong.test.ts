import { expect, test } from 'vitest';
import { runOf } from '../../circuit/index.ts';
import { lampsOf, type Reading } from '../../instruments/index.ts';
import { Diagnostician } from '../index.ts';

/**
 * A ground that ends at the fourth of seven receptacles, and at the sixth a bond of neutral and ground that has all
 * beyond it read correct: a single open ground at the fifth explains all but one lamp, so that the fourth is called
 * correct. What its own lamps show stays in its list all the same.
 */
test('what a receptacle’s only reading shows is in its list where that reading is held to be wrong', () => {
  const ids = ['o1', 'o2', 'o3', 'o4', 'o5', 'o6', 'o7'];
  const run = runOf(ids, {
    meters: { first: 25, next: 6 },
    legs: ['L1', 'L1', 'L1', 'L1', 'L2', 'L2', 'L2'],
  });
  const circuit = {
    ...run,
    outlets: run.outlets.map((one) =>
      ['o4', 'o6', 'o7'].includes(one.id) ? { ...one, wiring: 'through' as const } : one,
    ),
  };
  const readings: readonly Reading[] = [
    ...ids.map(
      (at): Reading => ({ at, instrument: 'lamps', ...lampsOf(at === 'o4' || at === 'o5' ? 'hn' : 'hn-hg') }),
    ),
    { at: 'o7', instrument: 'meter', hn: 125.3, hg: 125.4, ng: 0 },
    { at: 'o7', instrument: 'probe', hot: true, neutral: false, ground: false },
    { at: 'o7', instrument: 'meter-low', hn: 125.2, hg: 125.4, ng: 0.2 },
  ];
  const { outlets } = new Diagnostician({ circuit, unknownLoads: true, unknownDevices: new Set() }).diagnose({
    readings,
    trippedBefore: [],
  });
  for (const { id, condition, notRuledOut } of outlets)
    if (id === 'o4' || id === 'o5') expect([condition, ...notRuledOut], id).toContain('open-ground');
});
