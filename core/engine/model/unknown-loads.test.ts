import { expect, test } from 'vitest';
import { type Circuit, networkOf, parseCircuit, simulate } from '../../circuit/index.ts';
import type { Fault } from '../../faults/index.ts';
import { hangOnLoads, smallLoadWatts } from './unknown-loads.ts';

const outlets = ['a', 'b', 'c', 'd'].map((id) => ({ id, wiring: 'through' }));

function circuitWith(faults: readonly object[], loads: readonly object[]): Circuit {
  const parsed = parseCircuit({
    format: 'fair-plug/circuit@1',
    outlets,
    cables: outlets.map(({ id }, index) => ({
      id: `w${id}`,
      from: outlets[index - 1]?.id ?? 'panel',
      to: id,
      meters: 6,
      metal: 'copper',
      awg: 14,
    })),
    loads,
    faults,
    tests: outlets.map(({ id }) => ({ at: id, instrument: 'meter' })),
  });
  if (parsed.kind === 'problems') throw new Error(JSON.stringify(parsed.problems));
  return parsed.value;
}

/** All volts that a meter shows along the run, pair by pair. */
const volts = (faults: readonly object[], loads: readonly object[]): readonly number[] =>
  simulate(circuitWith(faults, loads)).readings.flatMap((reading) =>
    reading.instrument === 'meter' ? [reading.hn ?? 0, reading.hg ?? 0, reading.ng ?? 0] : [],
  );

/** The most that a small load anywhere changes of what a meter shows anywhere: by the solver, which knows nothing of causes. */
function dragOf(faults: readonly object[]): number {
  const off = volts(faults, []);
  return Math.max(
    ...outlets.flatMap(({ id }) =>
      volts(faults, [{ at: id, watts: smallLoadWatts, on: true }]).map((on, index) =>
        Math.abs(on - (off[index] ?? 0)),
      ),
    ),
  );
}

const hang = (faults: readonly object[]): boolean => {
  const circuit = circuitWith(faults, []);
  return hangOnLoads(networkOf(circuit), circuit.faults as readonly Fault[]);
};

test.each([
  ['an open neutral in a cable', [{ kind: 'open', conductor: 'neutral', cable: 'wb' }]],
  [
    'an open hot beyond an exchange, which is the neutral there,',
    [
      { kind: 'swap', conductors: ['hot', 'neutral'], cable: 'wa' },
      { kind: 'open', conductor: 'hot', cable: 'wc' },
    ],
  ],
  ['an open neutral in a box', [{ kind: 'open', conductor: 'neutral', at: 'b' }]],
])('%s hangs on what is plugged in: a small load moves tens of volts', (_, faults) => {
  expect(dragOf(faults)).toBeGreaterThan(20);
  expect(hang(faults)).toBe(true);
});

test.each([
  ['nothing wrong', []],
  ['an open ground', [{ kind: 'open', conductor: 'ground', cable: 'wb' }]],
  ['hot and neutral exchanged', [{ kind: 'swap', conductors: ['hot', 'neutral'], at: 'b' }]],
  ['a poor connection', [{ kind: 'resistance', conductor: 'neutral', cable: 'wb', ohms: 1 }]],
  ['neutral and ground joined', [{ kind: 'bond', conductors: ['neutral', 'ground'], at: 'b' }]],
])('%s does not: a small load moves less than two volts', (_, faults) => {
  expect(dragOf(faults)).toBeLessThan(2);
  expect(hang(faults)).toBe(false);
});
