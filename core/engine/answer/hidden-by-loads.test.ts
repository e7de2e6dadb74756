import { expect, test } from 'vitest';
import { type Circuit, parseCircuit, simulate } from '../../circuit/index.ts';
import { Diagnostician } from '../index.ts';

const ids = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h'];

/** A run of eight with neutral and ground joined in its first box, and something on beyond it. */
function joinedAt(first: string, meters: number, watts: number): Circuit {
  const parsed = parseCircuit({
    format: 'fair-plug/circuit@1',
    outlets: ids.map((id) => ({ id, wiring: 'pigtail' })),
    cables: ids.map((id, index) => ({
      id: `w${id}`,
      from: ids[index - 1] ?? 'panel',
      to: id,
      meters: index === 0 ? meters : 5,
      metal: 'copper',
      awg: 14,
    })),
    loads: [
      { at: 'f', watts: 165, on: true },
      { at: 'g', watts, on: true },
    ],
    faults: [{ kind: 'bond', conductors: ['neutral', 'ground'], at: first }],
    tests: [
      ...ids.map((at) => ({ at, instrument: 'lamps' })),
      { at: 'h', instrument: 'probe' },
      { at: 'h', instrument: 'meter' },
    ],
  });
  if (parsed.kind === 'problems') throw new Error(JSON.stringify(parsed.problems));
  return parsed.value;
}

// The loads that explain the meter without it are others than those that explain it with it.
test.each([
  ['a', 24, 280],
  ['a', 18, 420],
  ['b', 20, 350],
])(
  'a neutral–ground bond at %s stays in the list, %d m from the panel, though loads explain the meter',
  (at, meters, watts) => {
    const circuit = joinedAt(at, meters, watts);
    const { readings } = simulate(circuit);
    const bare = { ...circuit, faults: [], loads: [], tests: [] };
    const { outlets } = new Diagnostician({
      circuit: bare,
      unknownLoads: true,
      unknownDevices: new Set(),
    }).diagnose({ readings, trippedBefore: [] });
    const here = outlets.find(({ id }) => id === at);
    expect([here?.condition, ...(here?.notRuledOut ?? [])]).toContain('neutral-ground-bond');
  },
);
