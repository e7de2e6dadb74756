import { describe, expect, test } from 'vitest';
import { networkOf, runOf, simulate } from '../../circuit/index.ts';
import type { Fault } from '../../faults/index.ts';
import { type InstrumentId, lampsOf, type Reading, type Test } from '../../instruments/index.ts';
import { conditions } from '../../knowledge/index.ts';
import { OutletConditions } from '../evidence/outlet-conditions.ts';
import { Diagnostician } from '../index.ts';

const ids = Array.from({ length: 12 }, (_, index) => `r${index + 1}`);
const circuit = runOf(ids, { meters: { first: 12, next: 4 } });
const truth = new OutletConditions(networkOf(circuit));

/** What is answered of a circuit with some faults once only so many hypotheses were held against the readings. */
function answered(faults: readonly Fault[], instruments: readonly InstrumentId[], mostBounds: number) {
  const tests = ids.flatMap((at) => instruments.map((instrument) => ({ at, instrument }) as Test));
  const { readings } = simulate({ ...circuit, faults: [...faults], tests });
  return new Diagnostician({ circuit, unknownLoads: true, unknownDevices: new Set() }).diagnose(
    { readings, trippedBefore: [] },
    { mostBounds },
  );
}

const cases: readonly (readonly [string, readonly Fault[]])[] = [
  ['an open ground', [{ kind: 'open', conductor: 'ground', at: 'r6' }]],
  ['a run without ground from its middle on', [{ kind: 'open', conductor: 'ground', cable: 'c7' }]],
  ['an open neutral', [{ kind: 'open', conductor: 'neutral', cable: 'c5' }]],
  ['a reversal', [{ kind: 'swap', conductors: ['hot', 'neutral'], at: 'r9' }]],
  ['hot and ground exchanged', [{ kind: 'swap', conductors: ['hot', 'ground'], at: 'r4' }]],
  [
    'a bootleg ground',
    [
      { kind: 'open', conductor: 'ground', at: 'r11' },
      { kind: 'bond', conductors: ['neutral', 'ground'], at: 'r11' },
    ],
  ],
  [
    'a reversed bootleg ground',
    [
      { kind: 'open', conductor: 'ground', at: 'r10' },
      { kind: 'swap', conductors: ['hot', 'neutral'], at: 'r10' },
      { kind: 'bond', conductors: ['neutral', 'ground'], at: 'r10' },
    ],
  ],
];

describe.each(cases)('%s, when the search is cut short', (_, faults) => {
  const holds = truth.under({ faults, loads: [], deviceStates: [] });
  test.each([1, 40])('after %d hypotheses: it says so, and loses no danger', (mostBounds) => {
    for (const instruments of [['lamps'], ['lamps', 'meter', 'probe']] as const) {
      const { outlets, stoppedEarly } = answered(faults, instruments, mostBounds);
      expect(stoppedEarly).toBe(true);
      outlets.forEach(({ id, condition, notRuledOut, ifMisread }, outlet) => {
        const here = holds[outlet] ?? 'correct';
        if (conditions[here].dangerous) expect([condition, ...notRuledOut, ...ifMisread], id).toContain(here);
        if (here === 'correct')
          expect(['correct', 'undetermined', 'high-resistance'], id).toContain(condition);
      });
    }
  });
});

test.each([
  [60, 150],
  [300, 40],
])(
  'a neutral lost on two legs with %d and %d W on, no time left for what nobody said is shared: in every list',
  (one, other) => {
    const four = ['o1', 'o2', 'o3', 'o4'];
    const run = runOf(four, { meters: { first: 12, next: 4 } });
    const outlets = run.outlets.map(
      (outlet, index) => ({ ...outlet, leg: index < 2 ? 'L1' : 'L2' }) as const,
    );
    const tests = four.flatMap(
      (at) =>
        [
          { at, instrument: 'lamps' },
          { at, instrument: 'meter' },
        ] as const,
    );
    const { readings } = simulate({
      ...run,
      outlets,
      tests,
      loads: [
        { at: 'o2', watts: one, on: true },
        { at: 'o3', watts: other, on: true },
      ],
      faults: [{ kind: 'open', conductor: 'neutral', cable: 'c1' }],
    });
    const known = {
      circuit: run,
      legs: 'unknown',
      unknownLoads: true,
      unknownDevices: new Set<number>(),
    } as const;
    const limits = { mostBounds: 6000, isOver: () => true };
    const answer = new Diagnostician(known).diagnose({ readings, trippedBefore: null }, limits);
    expect(answer.stoppedEarly).toBe(true);
    for (const { id, condition, notRuledOut } of answer.outlets)
      expect([condition, ...notRuledOut], id).toContain('lost-shared-neutral');
  },
);

test('whenever the time is over, the answer is the whole one or says that it is not', () => {
  const two = ['o1', 'o2'];
  const run = runOf(two, { meters: { first: 12, next: 4 } });
  const outlets = run.outlets.map((outlet, index) => ({ ...outlet, leg: index < 1 ? 'L1' : 'L2' }) as const);
  const tests = two.map((at) => ({ at, instrument: 'meter' }) as const);
  const loads = [{ at: 'o1', watts: 200, on: true }];
  const { readings } = simulate({ ...run, outlets, tests, loads });
  const known = {
    circuit: run,
    legs: 'unknown',
    unknownLoads: true,
    unknownDevices: new Set<number>(),
  } as const;
  const until = (most: number) => {
    let asked = 0;
    const isOver = (): boolean => {
      asked += 1;
      return asked > most;
    };
    const answer = new Diagnostician(known).diagnose(
      { readings, trippedBefore: null },
      { mostBounds: 6000, isOver },
    );
    return { asked, answer };
  };
  const whole = until(Number.POSITIVE_INFINITY);
  expect(whole.answer.stoppedEarly).toBe(false);
  for (let most = Math.max(0, whole.asked - 60); most < whole.asked; most += 1) {
    const { outlets: some, stoppedEarly } = until(most).answer;
    if (!stoppedEarly) expect(some, `over after ${most}`).toEqual(whole.answer.outlets);
  }
});

test('what is open by an outlet’s own readings is in its list, and a contact is sure only where they make it so', () => {
  const { outlets } = answered([], ['lamps'], 1);
  for (const { notRuledOut, contacts, doubts } of outlets) {
    expect(notRuledOut).toContain('reversed-bootleg-ground');
    expect(doubts).toHaveLength(notRuledOut.length);
    expect(contacts[2]).not.toBe('not-live');
  }
});

test('an outlet of whose readings not one is accounted for is not called correct, however likely what leads', () => {
  // A run without grounds whose first cable has neutral and ground exchanged: beyond it all is dark and drifts.
  const four = ['o1', 'o2', 'o3', 'o4'];
  const readings = four.flatMap((at): readonly Reading[] =>
    at === 'o1'
      ? [
          { at, instrument: 'lamps', ...lampsOf('hg-ng') },
          { at, instrument: 'meter', hn: 0, hg: 109.9, ng: 110.1 },
          { at, instrument: 'probe', hot: true, neutral: true, ground: false },
        ]
      : [
          { at, instrument: 'lamps', ...lampsOf('none') },
          { at, instrument: 'meter', hn: 0.1, hg: 0.7, ng: 0.7 },
          { at, instrument: 'probe', hot: true, neutral: true, ground: true },
        ],
  );
  const { outlets } = new Diagnostician({
    circuit: runOf(four, { meters: { first: 12, next: 4 } }),
    house: { yearBuilt: 1955, groundedWiring: null },
    unknownLoads: true,
    unknownDevices: new Set(),
  }).diagnose({ readings, trippedBefore: null });
  const [first] = outlets;
  expect(first?.condition).not.toBe('correct');
  expect([first?.condition, ...(first?.notRuledOut ?? [])]).toContain('open-neutral');
});
