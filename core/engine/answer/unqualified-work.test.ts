import { describe, expect, test } from 'vitest';
import { chanceOf, unqualifiedWork } from './unqualified-work.ts';

describe('work of somebody who does not know how', () => {
  test('accidents are as rare as a table of Poisson’s distribution has them', () => {
    // Any handbook table of the cumulative Poisson distribution: P(X ≤ 2; 1) = 0.920, P(X ≤ 3; 0.2) = 0.9999.
    expect(chanceOf(3, 1)).toBeCloseTo(1 - 0.9197, 4);
    expect(chanceOf(4, 0.2)).toBeCloseTo(1 - 0.99994, 5);
    expect(chanceOf(0, 3)).toBe(1);
  });

  test('it hangs on how many are usual: five of ten are no accident, five of two hundred are', () => {
    expect(unqualifiedWork({}, 10, 5)).toMatchObject({ places: 5 });
    expect(unqualifiedWork({}, 10, 2)).toBeNull();
    expect(unqualifiedWork({}, 200, 5)).toBeNull();
    expect(unqualifiedWork({}, 60, 9)).not.toBeNull();
  });

  test('where wires have gone grey and work was done since, fewer tell as much', () => {
    const old = { yearBuilt: 1955, groundedWiring: true, alteredIn: [1992] };
    expect(unqualifiedWork({ yearBuilt: 1999 }, 10, 3)).toBeNull();
    expect(unqualifiedWork(old, 10, 3)).not.toBeNull();
  });

  test('one place is never enough', () => {
    expect(unqualifiedWork({}, 1, 1)).toBeNull();
  });
});
