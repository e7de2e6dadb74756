import { expect, test, vi } from 'vitest';
import { lazily } from './lazily.ts';

test.each([[{}], [null], [undefined], [0]])('%o is made when it is first asked for, and once', (value) => {
  const make = vi.fn(() => value);
  const made = lazily(make);
  expect(make).not.toHaveBeenCalled();
  expect(made()).toBe(value);
  expect(made()).toBe(value);
  expect(make).toHaveBeenCalledTimes(1);
});

test('what cannot be made is tried again', () => {
  let tries = 0;
  const made = lazily(() => {
    tries += 1;
    if (tries === 1) throw new Error('not yet');
    return tries;
  });
  expect(made).toThrow('not yet');
  expect(made()).toBe(2);
});
