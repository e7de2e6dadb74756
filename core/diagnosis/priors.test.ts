import { describe, expect, test } from 'vitest';
import { houseRules, oddsIn, type PriorId, priors } from './priors.ts';

describe('what a house changes in the odds of a cause (common practice)', () => {
  test('a house from before grounds, made over later, is where jumpers are looked for', () => {
    const before = { yearBuilt: 1954 };
    for (const id of ['jumper', 'reversed-jumper', 'hot-jumper'] as const) {
      expect(oddsIn({ ...before, alteredIn: [2004] }, id)).toBeGreaterThan(oddsIn(before, id));
      // Made over while two-wire cable was still laid, or built with grounds: nothing is gained by it.
      expect(oddsIn({ ...before, alteredIn: [1960] }, id)).toBe(oddsIn(before, id));
      expect(oddsIn({ yearBuilt: 1989, alteredIn: [2004] }, id)).toBe(oddsIn({ yearBuilt: 1989 }, id));
    }
  });

  test('a missing ground is no accident where the wiring has none', () => {
    expect(oddsIn({ groundedWiring: false }, 'missing-ground')).toBeGreaterThan(1);
    expect(oddsIn({ groundedWiring: true, yearBuilt: 1954 }, 'missing-ground')).toBe(
      priors['missing-ground'].odds,
    );
  });

  test('a recent year lowers nothing', () => {
    for (const id of Object.keys(priors) as PriorId[])
      expect(oddsIn({ yearBuilt: 2025 }, id), id).toBeGreaterThanOrEqual(oddsIn({}, id));
  });

  test('every rule and every prior says why', () => {
    for (const { why } of [...houseRules, ...Object.values(priors)]) expect(why).not.toBe('');
  });
});
