import fc from 'fast-check';
import { jStat } from 'jstat';
import { describe, expect, test } from 'vitest';
import { chanceOfMissing, missingCurve, sampleFor } from './index.ts';

describe('the chance that a sample holds none of the faulty', () => {
  test('24 of 60 tested and three bad: all missed in 20.9 % of cases (C(57,24)/C(60,24), worked by hand)', () => {
    expect(chanceOfMissing(60, 3, 24)).toBeCloseTo(0.20865, 5);
  });

  test('is the hypergeometric distribution at nought of a numerical package (jstat)', () => {
    fc.assert(
      fc.property(
        fc
          .integer({ min: 2, max: 300 })
          .chain((all) =>
            fc.tuple(fc.constant(all), fc.integer({ min: 1, max: all }), fc.integer({ min: 0, max: all })),
          ),
        ([all, faulty, tested]) => {
          fc.pre(tested > 0 && tested < all && faulty < all);
          expect(chanceOfMissing(all, faulty, tested)).toBeCloseTo(
            jStat.hypgeom.pdf(0, all, faulty, tested),
            9,
          );
        },
      ),
    );
  });

  test('the sample for a wanted confidence is the smallest that reaches it', () => {
    for (const [all, faulty] of [
      [60, 3],
      [40, 1],
      [120, 6],
    ] as const) {
      const tested = sampleFor(all, faulty, 0.95);
      expect(1 - chanceOfMissing(all, faulty, tested)).toBeGreaterThanOrEqual(0.95);
      expect(1 - chanceOfMissing(all, faulty, tested - 1)).toBeLessThan(0.95);
    }
  });

  test('falls with every receptacle more that is tested, and to nought where all are', () => {
    expect(chanceOfMissing(12, 2, 12)).toBe(0);
    expect(chanceOfMissing(12, 0, 3)).toBe(1);
    const curve = missingCurve(60, 24, 10).map(({ chance }) => chance);
    expect(curve).toEqual(curve.toSorted((a, b) => b - a));
  });
});
