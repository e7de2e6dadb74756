import { describe, expect, test } from 'vitest';
import { parseCircuit, simulate } from '../circuit/index.ts';
import type { Fault } from '../faults/index.ts';
import {
  type LampPattern,
  type Lamps,
  lampPatterns,
  lampsAt,
  lampsOf,
  patternsOf,
} from '../instruments/index.ts';
import type { Conductor } from '../physics/index.ts';
import { conditions } from './catalog.ts';
import type { ConditionId } from './condition.ts';
import { patternTable } from './lamp-patterns.ts';

const everyFit = lampPatterns.flatMap((pattern) =>
  patternTable[pattern].fits.map((fit) => ({
    pattern,
    fit,
    name: `${fit.conditions.join(' + ')}: ${fit.id}`,
  })),
);

const open = (conductor: Conductor, where: { at: string } | { cable: string }): Fault =>
  ({ kind: 'open', conductor, ...where }) as Fault;
const swap = (...conductors: [Conductor, Conductor]): Fault => ({ kind: 'swap', conductors, at: 'o2' });
const jumper = (...conductors: [Conductor, Conductor]): Fault => ({ kind: 'bond', conductors, at: 'o2' });

/** What lamps show at the second of two outlets, as the solver computes it. */
function lampsOn(
  faults: readonly Fault[],
  [first, second]: readonly [number, number] = [0, 0],
  twoLegs = false,
): Lamps {
  const parsed = parseCircuit({
    format: 'fair-plug/circuit@1',
    outlets: [{ id: 'o1' }, { id: 'o2', leg: twoLegs ? 'L2' : 'L1' }],
    cables: [
      { id: 'c1', from: 'panel', to: 'o1', meters: 15, metal: 'copper', awg: 14 },
      { id: 'c2', from: 'o1', to: 'o2', meters: 4, metal: 'copper', awg: 14 },
    ],
    loads: [
      { at: 'o1', watts: first, on: first > 0 },
      { at: 'o2', watts: second, on: second > 0 },
    ].filter(({ watts }) => watts > 0),
    faults,
    tests: [{ at: 'o2', instrument: 'lamps' }],
  });
  if (parsed.kind === 'problems') throw new Error(JSON.stringify(parsed.problems));
  const [reading] = simulate(parsed.value).readings;
  if (reading?.instrument !== 'lamps') throw new Error('no lamps');
  const { hn, hg, ng } = reading;
  return { hn, hg, ng };
}

describe('the table of lamp patterns', () => {
  test.each(everyFit)('$name shows the pattern $pattern', ({ pattern, fit }) => {
    expect(patternsOf(lampsAt(fit.potentials))).toEqual([pattern]);
  });

  /** Faults as a circuit file has them, on a run of two outlets of which the second is read; on two legs where said. */
  test.each<{
    readonly fact: string;
    readonly faults: readonly Fault[];
    readonly watts?: readonly [number, number];
    readonly twoLegs?: boolean;
    readonly pattern: LampPattern;
    readonly condition: ConditionId;
  }>([
    {
      fact: 'a reversed bootleg reads correct',
      faults: [open('ground', { cable: 'c2' }), swap('hot', 'neutral'), jumper('neutral', 'ground')],
      pattern: 'hn-hg',
      condition: 'reversed-bootleg-ground',
    },
    {
      fact: 'a bootleg ground reads correct',
      faults: [open('ground', { cable: 'c2' }), jumper('neutral', 'ground')],
      pattern: 'hn-hg',
      condition: 'bootleg-ground',
    },
    {
      fact: 'neutral and ground exchanged read correct',
      faults: [swap('neutral', 'ground')],
      pattern: 'hn-hg',
      condition: 'neutral-ground-swapped',
    },
    {
      fact: 'a loose connection that touches reads correct',
      faults: [{ kind: 'resistance', conductor: 'hot', ohms: 2, at: 'o2' }],
      pattern: 'hn-hg',
      condition: 'high-resistance',
    },
    {
      fact: 'a lost shared neutral with like loads reads correct',
      faults: [open('neutral', { cable: 'c1' })],
      watts: [60, 60],
      twoLegs: true,
      pattern: 'hn-hg',
      condition: 'lost-shared-neutral',
    },
    {
      fact: 'a lost shared neutral with unlike loads lights all lamps of the lighter side',
      faults: [open('neutral', { cable: 'c1' })],
      watts: [1500, 5],
      twoLegs: true,
      pattern: 'all',
      condition: 'lost-shared-neutral',
    },
    {
      fact: 'a hot–ground jumper without a ground reads reversed',
      faults: [open('ground', { cable: 'c2' }), jumper('hot', 'ground')],
      pattern: 'hn-ng',
      condition: 'energized-ground',
    },
    {
      fact: 'a reversal reads reversed',
      faults: [swap('hot', 'neutral')],
      pattern: 'hn-ng',
      condition: 'reversed-polarity',
    },
    {
      fact: 'an open neutral with a load on reads hot and ground reversed',
      faults: [open('neutral', { cable: 'c2' })],
      watts: [0, 60],
      pattern: 'hg-ng',
      condition: 'open-neutral',
    },
    {
      fact: 'a missing ground hides a reversal',
      faults: [open('ground', { cable: 'c2' }), swap('hot', 'neutral')],
      pattern: 'hn',
      condition: 'reversed-polarity',
    },
    {
      fact: 'a live ground with an open neutral reads open neutral',
      faults: [swap('hot', 'ground'), open('neutral', { at: 'o2' })],
      pattern: 'hg',
      condition: 'energized-ground',
    },
    {
      fact: 'a live ground with an open hot reads open hot',
      faults: [swap('hot', 'ground'), open('ground', { at: 'o2' })],
      pattern: 'ng',
      condition: 'energized-ground',
    },
    {
      fact: 'an open neutral without a ground leaves the lamps dark',
      faults: [open('neutral', { cable: 'c2' }), open('ground', { cable: 'c2' })],
      pattern: 'none',
      condition: 'open-neutral',
    },
  ])('$fact, by the solver, and the table says so', ({ faults, watts, twoLegs, pattern, condition }) => {
    expect(lampsOn(faults, watts, twoLegs)).toEqual(lampsOf(pattern));
    expect(patternTable[pattern].fits.flatMap((fit) => fit.conditions)).toContain(condition);
  });

  test('all lamps lit means stop', () => {
    expect(patternTable.all.stops).toBe(true);
    expect(patternTable.all.settle).toBeNull();
  });

  test('every dangerous condition has its cautions', () => {
    for (const condition of Object.values(conditions)) {
      if (condition.dangerous) {
        expect(condition.cautions, condition.id).toContain('contacts');
        expect(condition.urgency, condition.id).not.toBeNull();
      }
    }
  });
});
