import { receptaclesOf } from '../../log/index.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { fitsJumper, isThreeSlot, ungroundedBy } from './grounds.ts';
import { type JudgedHouse, urgencyAt, withEvidence } from './rule.ts';

/** Three-slot receptacles that read correct where no ground was ever run. */
export function correctWithoutGround(judged: JudgedHouse): readonly Proposal[] {
  const { house, verdictOf, words } = judged;
  const ungrounded = ungroundedBy(house);
  if (ungrounded === null) return [];
  const there = receptaclesOf(house).filter((one) => {
    const verdict = verdictOf(one.id);
    return isThreeSlot(one) && verdict?.readsAs[0] === 'correct' && fitsJumper(verdict);
  });
  if (there.length === 0) return [];
  return [
    {
      ...seenOnly,
      ...words.rules.correctWithoutGround(ungrounded),
      key: 'house-correct-without-ground',
      ...urgencyAt('repair', there, judged),
      condition: 'bootleg-ground',
      isSuspected: true,
      ...withEvidence(there, words),
      notRuledOut: ['reversed-bootleg-ground', 'bootleg-ground'],
    },
  ];
}
