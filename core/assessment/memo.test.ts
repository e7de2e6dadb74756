import { describe, expect, test } from 'vitest';
import { isSameQuestion, Memo } from './memo.ts';

describe('answers that are remembered', () => {
  test('the same question, made anew, has the same answer; any other field has its own', () => {
    let worked = 0;
    const memo = new Memo((question: { readonly year: number; readonly alteredIn?: number }) => {
      worked += 1;
      return { ...question };
    }, 10);
    const first = memo.of({ year: 1954 });
    expect(memo.of({ year: 1954 })).toBe(first);
    expect(memo.of({ year: 1954, alteredIn: 2004 })).toEqual({ year: 1954, alteredIn: 2004 });
    expect(worked).toBe(2);
  });

  test('no more are held than were asked for: the oldest goes first', () => {
    const memo = new Memo(({ n }: { readonly n: number }) => ({ n }), 2);
    const [one, two] = [memo.of({ n: 1 }), memo.of({ n: 2 })];
    memo.of({ n: 3 });
    expect(memo.of({ n: 2 })).toBe(two);
    expect(memo.of({ n: 1 })).not.toBe(one);
  });

  test('questions are the same by all that is in them', () => {
    expect(isSameQuestion({ a: [1, { b: 2 }] }, { a: [1, { b: 2 }] })).toBe(true);
    expect(isSameQuestion({ a: [1, { b: 2 }] }, { a: [1, { b: 3 }] })).toBe(false);
  });
});
