import { expect, test } from 'vitest';
import { idNumber } from '../log/arbitrary-entries.ts';
import { foldHouse, type JobEntry } from '../log/index.ts';
import { HouseJudge, type JudgedReceptacle } from './index.ts';
import { pressingDoubtOf } from './refined-verdict.ts';

/** What the engine makes of one receptacle that reads correct. */
function readsCorrect(): JudgedReceptacle {
  const envelope = { device: idNumber(2), author: idNumber(3), at: '2026-05-04T09:30:00.000Z' };
  const [room, receptacle] = [idNumber(0x20), idNumber(0x30)];
  const house = foldHouse(
    [
      { kind: 'room-described', room, name: 'Den' } as const,
      { kind: 'receptacle-described', receptacle, room, name: 'Den 1' } as const,
      { kind: 'lamps-read', receptacle, lamps: { hn: 'lit', hg: 'lit', ng: 'off' } } as const,
    ].map((one, index): JobEntry => ({ id: idNumber(0x1000 + index), ...envelope, ...one })),
  );
  const run = new HouseJudge().judging(house, []);
  let step = run.next();
  while (!step.done) step = run.next();
  const judged = step.value.receptacles.get(receptacle);
  if (judged === undefined) throw new Error('not judged');
  return judged;
}

test('a doubt presses by all that comes to it, though what is listed falls short of a tenth', () => {
  const judged = readsCorrect();
  const [first] = judged.explanations;
  if (first === undefined) throw new Error('nothing explains it');
  const hidden = 'reversed-bootleg-ground';
  const explanations = [first, { ...first, condition: hidden, probability: 0.0998 } as const];
  const withDoubt = (doubt: number): JudgedReceptacle => ({
    ...judged,
    explanations,
    notRuledOut: ['high-resistance', hidden],
    doubts: [0.01, doubt],
  });
  expect(pressingDoubtOf(withDoubt(0.117))).toBe(hidden);
  expect(pressingDoubtOf(withDoubt(0.0999))).toBeNull();
  expect(pressingDoubtOf(judged)).toBeNull();
});
