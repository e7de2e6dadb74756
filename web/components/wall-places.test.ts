import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { nextSpot, pointAt, spotNear, spotsOf } from './wall-places.ts';

const spot = fc.integer({ min: 0, max: 999 }).map((thousandths) => thousandths / 1000);
/** Shares of the way round, apart the short way. */
const apart = (a: number, b: number): number => Math.min(Math.abs(a - b), 1 - Math.abs(a - b));

describe('places on the walls', () => {
  test('the point at a place leads back to it', () => {
    fc.assert(
      fc.property(spot, (at) => {
        const { x, y } = pointAt(at);
        expect(apart(spotNear(x, y), at)).toBeLessThan(0.002);
      }),
    );
  });

  test('placed ones keep their place, the others stand in order between them', () => {
    const [first, second, third, fourth] = spotsOf([0.1, null, null, 0.4]) as [
      number,
      number,
      number,
      number,
    ];
    expect([first, fourth]).toEqual([0.1, 0.4]);
    expect(second).toBeCloseTo(0.2);
    expect(third).toBeCloseTo(0.3);
  });

  test('every place is a share of the way round, whatever is placed', () => {
    fc.assert(
      fc.property(fc.array(fc.option(spot), { maxLength: 12 }), (placed) => {
        for (const at of spotsOf(placed)) {
          expect(at).toBeGreaterThanOrEqual(0);
          expect(at).toBeLessThan(1);
        }
      }),
    );
  });

  test('the next one is as far along as the last two are apart, in their direction', () => {
    expect(nextSpot([0.1, 0.2])).toBeCloseTo(0.3);
    expect(nextSpot([0.3, 0.2])).toBeCloseTo(0.1);
    expect(nextSpot([0.9, 0.95])).toBeCloseTo(0);
    expect(nextSpot([0.4, null])).toBeNull();
    expect(nextSpot([])).toBeNull();
  });
});
