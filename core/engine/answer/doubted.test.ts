import { expect, test } from 'vitest';
import { runOf } from '../../circuit/index.ts';
import { lampsOf, type Reading } from '../../instruments/index.ts';
import { Diagnostician } from '../index.ts';

const ids = ['a', 'b', 'c', 'd', 'e'];
const run = runOf(ids, { meters: { first: 15, next: 4 } });

test('a probe that sounds nowhere beside a meter that shows 121 V is asked nothing more', () => {
  const readings: readonly Reading[] = [
    ...ids.map((at): Reading => ({ at, instrument: 'lamps', ...lampsOf('hn-hg') })),
    { at: 'd', instrument: 'probe', hot: false, neutral: false, ground: false },
    { at: 'd', instrument: 'meter', hn: 121, hg: 121, ng: 0.1 },
    { at: 'e', instrument: 'probe', hot: false, neutral: false, ground: false },
  ];
  const { explanations, next, outlets } = new Diagnostician({
    circuit: { ...run, loads: [] },
    unknownLoads: true,
    unknownDevices: new Set(),
  }).diagnose({ readings, trippedBefore: [] });
  expect(explanations[0]?.hypothesis.instruments.map(({ instrument }) => instrument)).toEqual(['probe']);
  for (const one of [next, ...outlets.map((outlet) => outlet.next)])
    expect(one?.instrument).not.toBe('probe');
});
