import { pressingDoubtOf } from '../../assessment/index.ts';
import { conditionIds, conditions } from '../../knowledge/index.ts';
import { type Receptacle, receptaclesOf } from '../../log/index.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { fitsJumper, isThreeSlot, ungroundedBy } from './grounds.ts';
import { type JudgedHouse, withEvidence } from './rule.ts';

/** What may hide behind one of them and has to be acted on now, the most dangerous first; null where nothing has. */
function actNowFor({ assessment }: JudgedHouse, there: readonly Receptacle[]) {
  const doubts = there.map(({ id }) => {
    const judged = assessment.receptacles.get(id)?.judged ?? null;
    return judged === null ? null : pressingDoubtOf(judged);
  });
  return conditionIds.find((id) => doubts.includes(id) && conditions[id].urgency === 'act-now') ?? null;
}

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
  const hidden = actNowFor(judged, there);
  return [
    {
      ...seenOnly,
      ...words.rules.correctWithoutGround(ungrounded),
      key: 'house-correct-without-ground',
      urgency: hidden === null ? 'repair' : 'act-now',
      ...(hidden === null ? {} : { urgencyReason: words.readingFindings.raisedBy(hidden) }),
      condition: 'bootleg-ground',
      isSuspected: true,
      ...withEvidence(there, words),
      notRuledOut: ['reversed-bootleg-ground', 'bootleg-ground'],
    },
  ];
}
