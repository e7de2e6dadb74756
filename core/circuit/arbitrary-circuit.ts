import fc from 'fast-check';
import type { z } from 'zod';
import type { faultSchema } from '../faults/index.ts';
import { conductors, metals } from '../physics/index.ts';
import type { circuitShape } from './circuit-file.ts';

export type CircuitInput = z.input<typeof circuitShape>;
type FaultInput = z.input<typeof faultSchema>;

const name = (index: number): string => `o${index + 1}`;
const choice = fc.double({ min: 0, max: 1, noNaN: true });
const pick = <T>(list: readonly T[], at: number): T => {
  const chosen = list[Math.min(list.length - 1, Math.floor(at * list.length))];
  if (chosen === undefined) throw new Error('nothing to pick from');
  return chosen;
};

interface Seeds {
  readonly size: number;
  readonly shape: 'tree' | 'run' | 'ring';
  readonly twoLegs: boolean;
  readonly each: readonly number[];
}

/** Four numbers from 0 to 1 an outlet decide everything about it, so that shrinking stays simple. */
const seeds: fc.Arbitrary<Seeds> = fc
  .record({
    size: fc.integer({ min: 1, max: 7 }),
    shape: fc.constantFrom('tree', 'run', 'ring'),
    twoLegs: fc.boolean(),
  })
  .chain((fixed) =>
    fc
      .array(choice, { minLength: fixed.size * 6, maxLength: fixed.size * 6 })
      .map((each) => ({ ...fixed, each }) as Seeds),
  );

const faultOn = (cables: readonly string[], outlets: readonly string[]): fc.Arbitrary<FaultInput> => {
  const conductor = fc.constantFrom(...conductors);
  const two = fc.shuffledSubarray([...conductors], { minLength: 2, maxLength: 2 }) as fc.Arbitrary<
    ['hot', 'neutral']
  >;
  const at = fc.constantFrom(...outlets);
  const site = fc.oneof(
    at.map((outlet) => ({ at: outlet })),
    fc.constantFrom(...cables).map((cable) => ({ cable })),
  );
  return fc.oneof(
    fc.tuple(conductor, site).map(([c, s]): FaultInput => ({ kind: 'open', conductor: c, ...s })),
    fc.tuple(two, site).map(([c, s]): FaultInput => ({ kind: 'swap', conductors: c, ...s })),
    fc
      .tuple(two, at, fc.constantFrom('load' as const, 'line' as const))
      .map(([c, o, side]): FaultInput => ({ kind: 'bond', conductors: c, at: o, side })),
    fc
      .tuple(conductor, site, fc.double({ min: 0.01, max: 500, noNaN: true }))
      .map(([c, s, ohms]): FaultInput => ({ kind: 'resistance', conductor: c, ohms, ...s })),
  );
};

function circuitFrom({ size, shape, twoLegs, each }: Seeds): Omit<CircuitInput, 'faults'> {
  const seed = (outlet: number, which: number): number => each[outlet * 6 + which] ?? 0;
  const indices = Array.from({ length: size }, (_, index) => index);
  const cable = (index: number, from: string): CircuitInput['cables'][number] => ({
    id: `c${index + 1}`,
    from,
    to: name(index % size),
    meters: 0.5 + 40 * seed(index % size, 0),
    metal: pick(metals, seed(index % size, 1)),
    ...(seed(index % size, 2) < 0.7
      ? { awg: pick([14, 12, 10], seed(index % size, 3)) }
      : { mm2: pick([1.5, 2.5, 4], seed(index % size, 3)) }),
    ground: seed(index % size, 4) > 0.15,
  });
  const parent = (index: number): string => {
    if (index === 0) return 'panel';
    return shape === 'tree'
      ? pick(['panel', ...indices.slice(0, index).map(name)], seed(index, 5))
      : name(index - 1);
  };
  const cables = indices.map((index) => cable(index, parent(index)));
  if (shape === 'ring' && size > 1) cables.push({ ...cable(2 * size - 1, 'panel'), id: 'back' });
  return {
    format: 'fair-plug/circuit@1',
    ...(seed(0, 4) < 0.25 ? { degreesApart: 120 as const } : {}),
    celsius: pick([20, 75], seed(0, 2)),
    outlets: indices.map((index) => ({
      id: name(index),
      wiring: seed(index, 3) < 0.5 ? 'pigtail' : 'through',
      leg: twoLegs && shape !== 'ring' && seed(index, 1) > 0.5 ? 'L2' : 'L1',
    })),
    cables,
    protection: indices
      .filter((index) => seed(index, 0) > 0.7)
      .map((index) => ({
        at: name(index),
        kind: seed(index, 4) < 0.7 ? 'gfci' : 'rcd',
        covers: seed(index, 5) < 0.5 ? 'outlet' : 'downstream',
        state: pick(['set', 'set', 'failed', 'tripped', 'lockedOut'] as const, seed(index, 1)),
      })),
    loads: indices
      .filter((index) => seed(index, 5) > 0.5)
      .map((index) => ({ at: name(index), watts: 5 + 900 * seed(index, 4), on: seed(index, 2) > 0.3 })),
  };
}

/** Sound circuit files of one to seven outlets: trees, runs and rings, one and two legs, up to four faults. */
export const circuitInput: fc.Arbitrary<CircuitInput> = seeds.chain((from) => {
  const circuit = circuitFrom(from);
  const outlets = circuit.outlets.map((outlet) => outlet.id);
  const cables = circuit.cables.map((cable) => cable.id);
  return fc.array(faultOn(cables, outlets), { maxLength: 4 }).map((faults) => ({ ...circuit, faults }));
});
