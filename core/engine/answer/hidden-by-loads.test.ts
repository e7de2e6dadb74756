import { expect, test } from 'vitest';
import { type Circuit, simulate } from '../../circuit/index.ts';
import { runOnTest, toldOf } from './testing-run.ts';

const ids = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h'];

/** A run of eight with neutral and ground joined in its first box, and something on beyond it. */
function joinedAt(first: string, meters: number, watts: number): Circuit {
  return runOnTest({
    ids,
    wiring: 'pigtail',
    meters: { first: meters, next: 5 },
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
    const { outlets } = toldOf(circuit, simulate(circuit).readings);
    const here = outlets.find(({ id }) => id === at);
    expect([here?.condition, ...(here?.notRuledOut ?? [])]).toContain('neutral-ground-bond');
  },
);

/** A run whose hot and ground change places in a cable, read where the supply is low. */
function exchangedBefore(outlet: string, last: string, volts: number, meters: number): Circuit {
  const run = ids.slice(0, ids.indexOf(last) + 1);
  const beyond = run.slice(run.indexOf(outlet));
  return runOnTest({
    ids: run,
    wiring: 'through',
    meters: { first: meters, next: 3 },
    nominalVolts: volts,
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
    const { explanations, outlets } = toldOf(circuit, simulate(circuit).readings);
    expect(explanations[0]?.hypothesis.faults).toHaveLength(1);
    for (const { id, condition } of outlets)
      expect([id, condition]).toEqual([id, id < outlet ? 'correct' : 'hot-ground-reversed']);
  },
);

// A load is told from one a box further on by little: what the sound circuit has on at the last one is on just before it.
test.each([
  ['pigtail', 'e', 600],
  ['through', 'e', 600],
  ['pigtail', 'e', 250],
  ['pigtail', 'd', 900],
] as const)(
  'hot and ground exchanged at the last receptacle of a %s run to %s is found with %d W on before it',
  (wiring, last, watts) => {
    const run = ids.slice(0, ids.indexOf(last) + 1);
    const before = run.at(-2) ?? '';
    const circuit = runOnTest({
      ids: run,
      wiring,
      meters: { first: 17, next: 4 },
      nominalVolts: 118,
      loads: [{ at: before, watts, on: true }],
      faults: [{ kind: 'swap', conductors: ['hot', 'ground'], at: last }],
      tests: run.flatMap((at) =>
        ['lamps', 'meter', 'probe', 'loaded'].map((instrument) => ({ at, instrument })),
      ),
    });
    const { outlets } = toldOf(circuit, simulate(circuit).readings);
    for (const { id, condition } of outlets)
      expect([id, condition]).toEqual([id, id === last ? 'hot-ground-reversed' : 'correct']);
  },
);

// Nothing that is read tells it from a sound run, so what is on counts the same under both.
test.each([600, 1200])(
  'neutral and ground exchanged before all of a run stays in every list with %d W on',
  (watts) => {
    const run = ids.slice(0, 5);
    const circuit = runOnTest({
      ids: run,
      wiring: 'through',
      meters: { first: 17, next: 4 },
      nominalVolts: 118,
      loads: [{ at: 'd', watts, on: true }],
      faults: [{ kind: 'swap', conductors: ['neutral', 'ground'], cable: 'wa' }],
      tests: run.flatMap((at) =>
        ['lamps', 'meter', 'probe', 'loaded'].map((instrument) => ({ at, instrument })),
      ),
    });
    for (const { condition, notRuledOut } of toldOf(circuit, simulate(circuit).readings).outlets)
      expect([condition, ...notRuledOut]).toContain('neutral-ground-swapped');
  },
);
