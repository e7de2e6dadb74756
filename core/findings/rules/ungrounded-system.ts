import { receptaclesOf } from '../../log/index.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { isThreeSlot, ungroundedBy } from './grounds.ts';
import { type JudgedHouse, urgencyAt, withEvidence } from './rule.ts';

/** Three-slot receptacles that read open ground where no ground was ever run: one finding, however many. */
export function ungroundedSystem(judged: JudgedHouse): readonly Proposal[] {
  const { house, verdictOf, words } = judged;
  const ungrounded = ungroundedBy(house);
  if (ungrounded === null) return [];
  const there = receptaclesOf(house).filter(
    (one) => isThreeSlot(one) && verdictOf(one.id)?.readsAs[0] === 'open-ground',
  );
  if (there.length === 0) return [];
  return [
    {
      ...seenOnly,
      ...words.rules.ungroundedSystem(ungrounded),
      key: 'house-ungrounded',
      ...urgencyAt('repair', there, judged),
      condition: 'open-ground',
      ...withEvidence(there, words),
    },
  ];
}
