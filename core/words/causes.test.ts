import { expect, test } from 'vitest';
import type { Fault } from '../faults/index.ts';
import { enGb, enUs } from './index.ts';

const openGround = (at: string): Fault => ({ kind: 'open', conductor: 'ground', at });

test('a cause in a few words, each kind once', () => {
  expect(enUs.cause([])).toBe('nothing wrong');
  expect(enUs.cause([openGround('a')])).toBe('open ground');
  expect(enUs.cause([openGround('a'), openGround('b')])).toBe('open ground in 2 places');
  expect(
    enUs.cause([
      openGround('a'),
      { kind: 'bond', conductors: ['neutral', 'ground'], at: 'a' },
      openGround('b'),
    ]),
  ).toBe('open ground in 2 places and a jumper from neutral to ground');
  expect(enGb.cause([openGround('a')])).toBe('open earth');
});
