import { describe, expect, test } from 'vitest';
import { type HouseFacts, oddsIn, type PriorId, priors } from './priors.ts';

describe('what a house changes in the odds of a cause (common practice)', () => {
  test('a house from before grounds, made over later, is where jumpers are looked for', () => {
    const before = { yearBuilt: 1954 };
    for (const id of ['jumper', 'reversed-jumper'] as const) {
      expect(oddsIn({ ...before, alteredIn: [2004] }, id)).toBeGreaterThan(oddsIn(before, id));
      // Made over while two-wire cable was still laid, or built with grounds: nothing is gained by it.
      expect(oddsIn({ ...before, alteredIn: [1960] }, id)).toBe(oddsIn(before, id));
      expect(oddsIn({ yearBuilt: 1989, alteredIn: [2004] }, id)).toBe(oddsIn({ yearBuilt: 1989 }, id));
    }
  });

  test('a missing ground is no accident where the wiring has none', () => {
    expect(oddsIn({ groundedWiring: false }, 'ungrounded-run')).toBeGreaterThan(1);
    expect(oddsIn({ groundedWiring: true, yearBuilt: 1954 }, 'missing-ground')).toBe(
      priors['missing-ground'],
    );
  });

  test('a recent year lowers nothing', () => {
    for (const id of Object.keys(priors) as PriorId[])
      expect(oddsIn({ yearBuilt: 2025 }, id), id).toBeGreaterThanOrEqual(oddsIn({}, id));
  });

  test('no cause that endangers people is so rare that a thousandth of a sound circuit outweighs it', () => {
    for (const id of ['hot-jumper', 'reversed-jumper', 'open-neutral', 'jumper'] as const)
      expect(oddsIn({ yearBuilt: 2020, groundedWiring: true }, id), id).toBeGreaterThan(1e-3);
  });

  test('what is met often is likelier than what is almost never met (common practice)', () => {
    const order: readonly PriorId[] = [
      'missing-ground',
      'reversal',
      'open-neutral',
      'hot-ground-exchanged',
      'short',
    ];
    const odds = order.map((id) => oddsIn({}, id));
    expect(odds).toEqual(odds.toSorted((a, b) => b - a));
    expect(new Set(odds).size).toBe(order.length);
  });

  test('every rule changes what it names, in the house that it is for and in no other', () => {
    const houses: readonly [HouseFacts, readonly PriorId[]][] = [
      [{ groundedWiring: false }, ['missing-ground', 'ungrounded-run', 'jumper', 'reversed-jumper']],
      [{ yearBuilt: 1962 }, ['missing-ground', 'ungrounded-run', 'jumper', 'reversed-jumper']],
      [{ yearBuilt: 1959, groundedWiring: true }, ['reversal', 'reversed-jumper']],
      [{ yearBuilt: 1971 }, ['poor-connection', 'poor-terminals']],
      [{ yearBuilt: 1985 }, []],
    ];
    for (const [house, changed] of houses)
      for (const id of Object.keys(priors) as PriorId[])
        expect(oddsIn(house, id) > oddsIn({}, id), `${JSON.stringify(house)} ${id}`).toBe(
          changed.includes(id),
        );
  });

  test('however much speaks for a cause, it is not taken for granted', () => {
    expect(oddsIn({ groundedWiring: false, yearBuilt: 1940 }, 'missing-ground')).toBeLessThanOrEqual(3);
  });
});
