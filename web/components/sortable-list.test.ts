import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { moved } from './sortable-list';

describe('one of a list put where another stood', () => {
  test('downward it stands below that one, upward above it', () => {
    expect(moved(['a', 'b', 'c', 'd'], { id: 'a', over: 'c', isDown: true })).toEqual(['b', 'c', 'a', 'd']);
    expect(moved(['a', 'b', 'c', 'd'], { id: 'd', over: 'b', isDown: false })).toEqual(['a', 'd', 'b', 'c']);
  });

  test('two moves begun from the same list both hold, whichever comes first', () => {
    const up = { id: 'd', over: 'a', isDown: false };
    const down = { id: 'b', over: 'c', isDown: true };
    const list = ['a', 'b', 'c', 'd'];
    expect(moved(moved(list, up), down)).toEqual(['d', 'a', 'c', 'b']);
    expect(moved(moved(list, down), up)).toEqual(['d', 'a', 'c', 'b']);
  });

  test('nothing is lost or doubled, whatever the list has become meanwhile', () => {
    const ids = fc.uniqueArray(fc.constantFrom('a', 'b', 'c', 'd', 'e', 'f'));
    const id = fc.constantFrom('a', 'b', 'c', 'd', 'e', 'f');
    fc.assert(
      fc.property(ids, id, id, fc.boolean(), (list, one, over, isDown) => {
        expect(moved(list, { id: one, over, isDown }).toSorted()).toEqual(list.toSorted());
      }),
    );
  });
});
