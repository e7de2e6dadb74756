import { expect, test } from 'vitest';
import { type Circuit, parseCircuit, simulate } from '../../circuit/index.ts';
import type { Reading } from '../../instruments/index.ts';
import { Diagnostician } from '../index.ts';

const ids = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h'];

function parsed(circuit: object): Circuit {
  const result = parseCircuit({ format: 'fair-plug/circuit@1', ...circuit });
  if (result.kind === 'problems') throw new Error(JSON.stringify(result.problems));
  return result.value;
}

/** What is told of a circuit by its readings alone. */
function told(circuit: Circuit, readings: readonly Reading[]) {
  const bare = { ...circuit, faults: [], loads: [], tests: [] };
  return new Diagnostician({ circuit: bare, unknownLoads: true, unknownDevices: new Set() }).diagnose({
    readings,
    trippedBefore: [],
  });
}

/** A run of eight with neutral and ground joined in its first box, and something on beyond it. */
function joinedAt(first: string, meters: number, watts: number): Circuit {
  return parsed({
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
    const { outlets } = told(circuit, simulate(circuit).readings);
    const here = outlets.find(({ id }) => id === at);
    expect([here?.condition, ...(here?.notRuledOut ?? [])]).toContain('neutral-ground-bond');
  },
);

/** A run whose hot and ground change places in a cable, read where the supply is low. */
function exchangedBefore(outlet: string, last: string, volts: number, meters: number): Circuit {
  const run = ids.slice(0, ids.indexOf(last) + 1);
  const beyond = run.slice(run.indexOf(outlet));
  return parsed({
    nominalVolts: volts,
    outlets: run.map((id) => ({ id, wiring: 'through' })),
    cables: run.map((id, index) => ({
      id: `w${id}`,
      from: run[index - 1] ?? 'panel',
      to: id,
      meters: index === 0 ? meters : 3,
      metal: 'copper',
      awg: 14,
    })),
    faults: [{ kind: 'swap', conductors: ['hot', 'ground'], cable: `w${outlet}` }],
    tests: [
      ...run.map((at) => ({ at, instrument: 'lamps' })),
      { at: last, instrument: 'probe' },
      ...beyond.map((at) => ({ at, instrument: 'meter' })),
      { at: last, instrument: 'loaded' },
    ],
  });
}

// Loads that the sound circuit was fitted with in vain are not those of a fault that leaves a conductor afloat.
test.each([
  ['c', 'd', 116, 21],
  ['c', 'd', 114, 30],
  ['c', 'e', 115, 20],
  ['d', 'e', 115, 20],
  ['d', 'f', 116, 20],
])(
  'hot and ground exchanged in the cable to %s of a run to %s is found, at %d V',
  (outlet, last, volts, meters) => {
    const circuit = exchangedBefore(outlet, last, volts, meters);
    const { explanations, outlets } = told({ ...circuit, nominalVolts: 120 }, simulate(circuit).readings);
    expect(explanations[0]?.hypothesis.faults).toHaveLength(1);
    for (const { id, condition } of outlets)
      expect([id, condition]).toEqual([id, id < outlet ? 'correct' : 'hot-ground-reversed']);
  },
);

// Nothing that is read tells it from a sound run, so what is on counts the same under both.
test.each([600, 1200])(
  'neutral and ground exchanged before all of a run stays in every list with %d W on',
  (watts) => {
    const run = ids.slice(0, 5);
    const circuit = parsed({
      nominalVolts: 118,
      outlets: run.map((id) => ({ id, wiring: 'through' })),
      cables: run.map((id, index) => ({
        id: `w${id}`,
        from: run[index - 1] ?? 'panel',
        to: id,
        meters: index === 0 ? 17 : 4,
        metal: 'copper',
        awg: 14,
      })),
      loads: [{ at: 'd', watts, on: true }],
      faults: [{ kind: 'swap', conductors: ['neutral', 'ground'], cable: 'wa' }],
      tests: run.flatMap((at) =>
        ['lamps', 'meter', 'probe', 'loaded'].map((instrument) => ({ at, instrument })),
      ),
    });
    for (const { condition, notRuledOut } of told(circuit, simulate(circuit).readings).outlets)
      expect([condition, ...notRuledOut]).toContain('neutral-ground-swapped');
  },
);
