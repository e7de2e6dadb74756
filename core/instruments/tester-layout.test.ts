import { describe, expect, test } from 'vitest';
import { lampsOf, type PairOrder, pairOrder, type ShownLamps } from './index.ts';

const sixOrders: readonly PairOrder[] = [
  ['hn', 'hg', 'ng'],
  ['hn', 'ng', 'hg'],
  ['hg', 'hn', 'ng'],
  ['hg', 'ng', 'hn'],
  ['ng', 'hn', 'hg'],
  ['ng', 'hg', 'hn'],
];

describe('the layout of a three-lamp tester', () => {
  test.each(sixOrders)('%s %s %s is found from "correct" and "open ground"', (...order) => {
    const shows = (pattern: 'hn-hg' | 'hn'): ShownLamps => {
      const lit = order.map((pair) => lampsOf(pattern)[pair] === 'lit');
      return [lit[0]!, lit[1]!, lit[2]!];
    };
    expect(pairOrder(shows('hn-hg'), shows('hn'))).toEqual({ kind: 'order', order });
  });

  test.each<[ShownLamps, ShownLamps, string]>([
    [[true, true, true], [true, false, false], 'correct-needs-two-lit'],
    [[true, false, false], [true, false, false], 'correct-needs-two-lit'],
    [[true, true, false], [true, true, false], 'open-ground-needs-one-lit'],
    [[true, true, false], [false, false, false], 'open-ground-needs-one-lit'],
    [[true, true, false], [false, false, true], 'open-ground-lamp-dark-in-correct'],
  ])('two patterns that no tester shows are a problem: %j and %j', (correct, openGround, code) => {
    expect(pairOrder(correct, openGround)).toMatchObject({ kind: 'problem', problem: { code } });
  });
});
