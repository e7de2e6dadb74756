import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type Circuit, networkOf, runOf, simulate } from '../../circuit/index.ts';
import type { InstrumentId, Test } from '../../instruments/index.ts';
import { type ConditionId, conditions } from '../../knowledge/index.ts';
import { OutletConditions } from '../evidence/outlet-conditions.ts';
import { Diagnostician } from '../index.ts';
import { causesOf, clash } from '../model/cause.ts';
import { diagnoseAlone } from './lone-outlet.ts';

const ids = ['o1', 'o2', 'o3', 'o4'];
const sound = runOf(ids, { meters: { first: 15, next: 4 } });
const causes = causesOf(networkOf(sound), {}, new Set()).filter(({ prior }) => prior !== 'short');
const outletConditions = new OutletConditions(networkOf(sound));

const kits: readonly (readonly InstrumentId[])[] = [
  ['lamps'],
  ['lamps', 'meter'],
  ['lamps', 'probe'],
  ['lamps', 'meter', 'probe', 'loaded'],
];

interface World {
  readonly circuit: Circuit;
  readonly conditions: readonly ConditionId[];
}

/** A circuit with the given causes and, maybe, something plugged in at the last outlet. */
function worldOf(which: readonly number[], watts: number): World {
  const put = [...new Set(which)].flatMap((one) => causes[one % causes.length] ?? []);
  const [first, second] = put;
  const compatible = first && second && clash(first, second) ? [first] : put;
  const faults = compatible.flatMap((cause) => cause.faults);
  const loads = watts > 0 ? [{ at: 'o4', watts, on: true }] : [];
  return {
    circuit: { ...sound, faults, loads },
    conditions: outletConditions.under({ faults, loads, deviceStates: [] }),
  };
}

function readOn({ circuit }: World, kit: readonly InstrumentId[]) {
  const tests = ids.flatMap((at) => kit.map((instrument) => ({ at, instrument }) as Test));
  return simulate({ ...circuit, tests }).readings;
}

const isSafelyCalled = (
  called: { readonly condition: string; readonly notRuledOut: readonly ConditionId[] },
  holds: ConditionId,
): boolean =>
  !conditions[holds].dangerous ||
  called.notRuledOut.includes(holds) ||
  !['correct', 'open-hot', 'protection-tripped'].includes(called.condition);

describe('no outlet whose state is dangerous is called correct, or without power, with that state left out', () => {
  const samples = fc.sample(
    fc.tuple(fc.array(fc.nat(causes.length - 1), { minLength: 1, maxLength: 1 }), fc.constantFrom(0, 0, 60)),
    { numRuns: 16, seed: 21 },
  );

  test.each(kits.map((kit) => ({ name: kit.join(', '), kit })))(
    'single causes, on their circuit, loads not known: $name',
    ({ kit }) => {
      const diagnostician = new Diagnostician({
        circuit: sound,
        unknownLoads: true,
        unknownDevices: new Set(),
      });
      for (const [which, watts] of samples.slice(0, 10)) {
        const world = worldOf(which, watts);
        const { outlets } = diagnostician.diagnose({ readings: readOn(world, kit), trippedBefore: [], kit });
        outlets.forEach((outlet, index) => {
          const holds = world.conditions[index] ?? 'correct';
          const statements = `${outlet.condition} not ${outlet.notRuledOut} but ${holds}: ${JSON.stringify(world.circuit.faults)}`;
          expect(isSafelyCalled(outlet, holds), statements).toBe(true);
        });
      }
    },
    120_000,
  );

  test.each(kits.map((kit) => ({ name: kit.join(', '), kit })))(
    'single causes, each receptacle by itself: $name',
    ({ kit }) => {
      for (const [which, watts] of samples) {
        const world = worldOf(which, watts);
        const readings = readOn(world, kit);
        ids.forEach((id, index) => {
          const outlet = diagnoseAlone(
            id,
            readings.filter(({ at }) => at === id),
            {},
            kit,
          );
          const holds = world.conditions[index] ?? 'correct';
          const statements = `${outlet.condition} not ${outlet.notRuledOut} but ${holds}: ${JSON.stringify(world.circuit.faults)}`;
          expect(isSafelyCalled(outlet, holds), statements).toBe(true);
        });
      }
    },
  );
});

describe('the next test endangers nobody', () => {
  test('whatever was read: no load test where a live ground fits, no button where the ground may float', () => {
    const liveGround: readonly string[] = [
      'energized-ground',
      'reversed-bootleg-ground',
      'hot-ground-reversed',
    ];
    const protectedRun = {
      ...sound,
      protection: [{ at: 'o1', kind: 'gfci', covers: 'downstream', state: 'set' }],
    } as Circuit;
    const diagnostician = new Diagnostician({
      circuit: protectedRun,
      unknownLoads: false,
      unknownDevices: new Set(),
    });
    for (const [which] of fc.sample(fc.tuple(fc.array(fc.nat(causes.length - 1), { maxLength: 2 })), {
      numRuns: 12,
      seed: 2,
    })) {
      const world = worldOf(which, 0);
      const tests = ids.map((at) => ({ at, instrument: 'lamps' }) as Test);
      const { readings, trippedBefore = [] } = simulate({
        ...protectedRun,
        faults: world.circuit.faults,
        tests,
      });
      const { outlets } = diagnostician.diagnose({ readings, trippedBefore });
      for (const { next } of outlets) {
        const there = outlets.find(({ id }) => id === next?.at);
        const open = [there?.condition ?? '', ...(there?.notRuledOut ?? [])];
        if (next?.instrument === 'loaded') expect(open.some((id) => liveGround.includes(id))).toBe(false);
        if (next?.instrument === 'gfci-button')
          expect([...liveGround, 'open-ground'].some((id) => open.includes(id))).toBe(false);
      }
    }
  });
});
