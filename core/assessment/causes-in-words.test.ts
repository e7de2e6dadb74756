import { expect, test } from 'vitest';
import type { Fault } from '../circuit/index.ts';
import { causeInWords } from './index.ts';

const openGround = (at: string): Fault => ({ kind: 'open', conductor: 'ground', at });

test('a cause in a few words, each kind once', () => {
  expect(causeInWords([])).toBe('nothing wrong');
  expect(causeInWords([openGround('a')])).toBe('open ground');
  expect(causeInWords([openGround('a'), openGround('b')])).toBe('open ground in 2 places');
  expect(
    causeInWords([
      openGround('a'),
      { kind: 'bond', conductors: ['neutral', 'ground'], at: 'a' },
      openGround('b'),
    ]),
  ).toBe('open ground in 2 places and a jumper from neutral to ground');
});
