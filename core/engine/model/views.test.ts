import { expect, test } from 'vitest';
import { terminals } from './terminals.ts';
import { viewSize } from './view-memory.ts';
import { looksAs, restore, store } from './views.ts';

/** An outlet of which every number is another one, some of them far below others. */
const seen = (numberAt: (index: number) => number) => {
  const outlet = terminals(0);
  restore(
    Float64Array.from({ length: viewSize }, (_, index) => numberAt(index)),
    0,
    outlet,
  );
  return outlet;
};
const usual = (index: number): number => (index < 6 ? 120 - 7 * index : 3 ** (index % 5));

test('an outlet is seen as it was kept, wherever it was kept', () => {
  const views = new Float64Array(3 * viewSize);
  store(seen(usual), views, viewSize);
  expect(looksAs(seen(usual), views, 1)).toBe(true);
  expect(looksAs(seen(usual), views, 0)).toBe(false);
});

test.each(Array.from({ length: viewSize }, (_, index) => index))(
  'number %i of a view by itself makes it another one; by next to nothing it does not',
  (changed) => {
    const views = new Float64Array(viewSize);
    store(seen(usual), views, 0);
    const by = (amount: number) =>
      seen((index) => usual(index) + (index === changed ? amount * (changed < 6 ? 1 : usual(index)) : 0));
    expect(looksAs(by(0.01), views, 0)).toBe(false);
    expect(looksAs(by(-0.01), views, 0)).toBe(false);
    expect(looksAs(by(1e-5), views, 0)).toBe(true);
  },
);
